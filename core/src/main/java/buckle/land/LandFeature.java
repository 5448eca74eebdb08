package buckle.land;

import buckle.site.GeoPoint;
import java.util.List;

/**
 * Something that is there already.
 *
 * @param points one for a point, the bends of a line, the corners of an outline (the first not repeated)
 */
public record LandFeature(
        String id,
        LandKind kind,
        String name,
        LandKind.Shape shape,
        List<GeoPoint> points,
        Traits traits,
        String note) {
    public LandFeature {
        points = List.copyOf(points);
    }

    /** Its name, or what it is. */
    public String title() {
        return name.isBlank() ? kind.text() : name;
    }
}
