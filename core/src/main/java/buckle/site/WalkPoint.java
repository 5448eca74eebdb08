package buckle.site;

import java.util.OptionalDouble;

/**
 * One fix of a receiver.
 *
 * @param timeS seconds on the receiver's clock, when it wrote them
 */
public record WalkPoint(GeoPoint at, OptionalDouble timeS) {
    /** Without a time. */
    public static WalkPoint of(GeoPoint at) {
        return new WalkPoint(at, OptionalDouble.empty());
    }
}
