package buckle.layout;

import java.util.List;

/**
 * Wires that are each in one piece: through one pull, or through several where they run on round the posts between.
 *
 * @param pulls numbers of its pulls in order; over the start of a closed line where the wires run on there
 * @param fromM station where the wires begin, {@code toM} where they end
 * @param ring whether the wires end where they began and are joined there
 * @param oneWire whether all hot heights are one wire
 * @param slopeLengthM along the slope, once
 * @param turnDeg all turns on the way
 * @param tightenersM stations of the tighteners of each wire; none where it is pulled by hand
 * @param leftLow share of the pull that is left where least is, at most friction; {@code leftHigh} at least friction
 */
public record WireRun(
        List<Integer> pulls,
        double fromM,
        double toM,
        boolean ring,
        boolean oneWire,
        double slopeLengthM,
        double turnDeg,
        List<Double> tightenersM,
        double leftLow,
        double leftHigh) {
    public WireRun {
        pulls = List.copyOf(pulls);
        tightenersM = List.copyOf(tightenersM);
    }
}
