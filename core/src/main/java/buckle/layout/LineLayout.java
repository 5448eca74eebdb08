package buckle.layout;

import buckle.site.GeoPoint;
import buckle.spec.Stringing;
import buckle.spec.WireSchedule;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;

/**
 * One fence line laid out. Lists are in order of station.
 *
 * @param corners where the corners really are: the end of a branch lies on the line it branches from
 * @param profileGaps stretches where no height of the ground is known
 * @param land features of the property met along the line
 * @param braces what holds each pull, two for each in order: at its start and at its end
 * @param runs pulls put together to wires that are each in one piece
 * @param stringing how its wires are really run
 * @param ringJoined whether a closed line's hot wires go on at its closing post
 * @param feeder whether it carries power only
 * @param marks of its posts, from the foot up, most first
 * @param schedule its wires
 * @param wallsM stations where the wires end on the wall of a building rather than on a post
 * @param closingM station where a closed line's hot wires stay open
 */
@RecordBuilder
public record LineLayout(
        String lineId,
        String name,
        boolean closed,
        double lengthM,
        double slopeLengthM,
        double areaM2,
        List<GeoPoint> corners,
        List<Double> cornerStationsM,
        List<ProfilePoint> profile,
        List<ProfileGap> profileGaps,
        List<Post> posts,
        List<Brace> braces,
        List<Pull> pulls,
        List<WireRun> runs,
        Stringing stringing,
        boolean ringJoined,
        boolean feeder,
        List<PostMarks> marks,
        List<GatePlace> gates,
        List<CutOutPlace> cutOuts,
        List<LandSpan> land,
        WireSchedule schedule,
        List<Double> wallsM,
        List<Bend> bends,
        double closingM)
        implements LineLayoutBuilder.With {
    public LineLayout {
        cornerStationsM = List.copyOf(cornerStationsM);
        corners = List.copyOf(corners);
        profile = List.copyOf(profile);
        profileGaps = List.copyOf(profileGaps);
        land = List.copyOf(land);
        bends = List.copyOf(bends);
        wallsM = List.copyOf(wallsM);
        posts = List.copyOf(posts);
        braces = List.copyOf(braces);
        pulls = List.copyOf(pulls);
        runs = List.copyOf(runs);
        marks = List.copyOf(marks);
        gates = List.copyOf(gates);
        cutOuts = List.copyOf(cutOuts);
    }
}
