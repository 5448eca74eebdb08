package buckle.site;

import java.util.List;

/**
 * What an import was understood as: a plan to take over, how each line was cleaned, and what was left out.
 *
 * @param spotHeights named places that came with a height
 * @param leftOut sentences on what the file held and the plan does not
 */
public record Survey(
        Site site, List<CleanLine> lines, List<GeoPoint> spotHeights, List<String> taken, List<String> leftOut) {
    public Survey {
        lines = List.copyOf(lines);
        spotHeights = List.copyOf(spotHeights);
        taken = List.copyOf(taken);
        leftOut = List.copyOf(leftOut);
    }
}
