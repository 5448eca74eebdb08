package buckle.site;

import java.util.List;
import java.util.Optional;

/** The plan: fence lines and the energizer's place. */
public record Site(List<FenceLine> lines, Optional<EnergizerPlace> energizer) {
    public static final Site EMPTY = new Site(List.of(), Optional.empty());

    public Site {
        lines = List.copyOf(lines);
    }

    /** The plane tangent at the middle of all corners. */
    public LocalPlane plane() {
        return LocalPlane.around(lines.stream()
                .flatMap(l -> l.corners().stream())
                .map(Corner::at)
                .toList());
    }
}
