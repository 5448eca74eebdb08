package buckle.site;

import java.util.List;
import java.util.Optional;

/**
 * One fence from end to end, or closed.
 *
 * @param corners in order of station; the first is not repeated on a closed line
 * @param ground places with known heights along the line
 * @param survey how the line was measured, when it was walked
 */
public record FenceLine(
        String id,
        String name,
        boolean closed,
        List<Corner> corners,
        List<Gate> gates,
        List<CutOut> cutOuts,
        List<GeoPoint> ground,
        Optional<CleanLine.Accuracy> survey) {
    public FenceLine {
        corners = List.copyOf(corners);
        gates = List.copyOf(gates);
        cutOuts = List.copyOf(cutOuts);
        ground = List.copyOf(ground);
    }

    public FenceLine withGates(List<Gate> newGates) {
        return new FenceLine(id, name, closed, corners, newGates, cutOuts, ground, survey);
    }

    public FenceLine withCutOuts(List<CutOut> newCutOuts) {
        return new FenceLine(id, name, closed, corners, gates, newCutOuts, ground, survey);
    }
}
