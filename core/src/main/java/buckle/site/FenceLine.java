package buckle.site;

import java.util.List;
import java.util.Optional;

/**
 * One fence from end to end, or closed.
 *
 * @param corners in order of station; the first is not repeated on a closed line
 * @param ground places with known heights along the line
 * @param survey how the line was measured, when it was walked
 * @param startsOn id of the line this one branches from: its first corner is a node on that line
 * @param endsOn id of the line this one runs into with its last corner
 */
public record FenceLine(
        String id,
        String name,
        boolean closed,
        List<Corner> corners,
        List<Gate> gates,
        List<CutOut> cutOuts,
        List<GeoPoint> ground,
        Optional<CleanLine.Accuracy> survey,
        Optional<String> startsOn,
        Optional<String> endsOn) {
    public FenceLine {
        corners = List.copyOf(corners);
        gates = List.copyOf(gates);
        cutOuts = List.copyOf(cutOuts);
        ground = List.copyOf(ground);
    }

    /** A line that stands by itself. */
    public static FenceLine free(String id, String name, boolean closed, List<Corner> corners) {
        return new FenceLine(
                id,
                name,
                closed,
                corners,
                List.of(),
                List.of(),
                List.of(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    public FenceLine withCorners(List<Corner> newCorners) {
        return new FenceLine(id, name, closed, newCorners, gates, cutOuts, ground, survey, startsOn, endsOn);
    }

    public FenceLine withGates(List<Gate> newGates) {
        return new FenceLine(id, name, closed, corners, newGates, cutOuts, ground, survey, startsOn, endsOn);
    }

    public FenceLine withCutOuts(List<CutOut> newCutOuts) {
        return new FenceLine(id, name, closed, corners, gates, newCutOuts, ground, survey, startsOn, endsOn);
    }

    public FenceLine withGround(List<GeoPoint> newGround, Optional<CleanLine.Accuracy> newSurvey) {
        return new FenceLine(id, name, closed, corners, gates, cutOuts, newGround, newSurvey, startsOn, endsOn);
    }

    public FenceLine withTees(Optional<String> newStartsOn, Optional<String> newEndsOn) {
        return new FenceLine(id, name, closed, corners, gates, cutOuts, ground, survey, newStartsOn, newEndsOn);
    }
}
