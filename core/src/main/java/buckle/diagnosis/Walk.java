package buckle.diagnosis;

import buckle.pulse.Place;
import java.util.List;
import java.util.Optional;

/**
 * How a crew moves along a fence.
 *
 * @param metresPerMinute walking
 * @param inspectMetresPerMinute looking at every insulator
 * @param start where it stands; empty at the energizer
 */
public record Walk(
        double metresPerMinute,
        double inspectMetresPerMinute,
        double readingMinutes,
        double switchMinutes,
        Optional<Place> start,
        List<Link> links) {
    /** As it is met. Common practice. */
    public static final Walk USUAL = new Walk(55, 25, 1, 1, Optional.empty(), List.of());

    public Walk {
        links = List.copyOf(links);
    }

    /** A way across. */
    public record Link(Place from, Place to, double metres) {}
}
