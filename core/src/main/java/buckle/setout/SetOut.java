package buckle.setout;

import java.util.List;
import java.util.OptionalDouble;

/**
 * The set-out sheet: from it the strong posts are staked.
 *
 * @param calls who to call before digging, and other cautions
 * @param declinationDeg what was taken from true bearings to get compass bearings; empty when nobody said
 */
public record SetOut(List<SetOutLine> lines, List<String> calls, String offsetNote, OptionalDouble declinationDeg) {
    public SetOut {
        lines = List.copyOf(lines);
        calls = List.copyOf(calls);
    }

    /** One fence line to stake, in walking order. */
    public record SetOutLine(
            String lineId, String name, boolean closed, double lengthM, List<Mark> marks, List<Diagonal> diagonals) {
        public SetOutLine {
            marks = List.copyOf(marks);
            diagonals = List.copyOf(diagonals);
        }
    }

    /**
     * A strong post to mark.
     *
     * @param standing whether it was marked before as a post of another line
     * @param fromLastM level distance from the mark before; 0 at the first. {@code slopeFromLastM} is what the tape on
     *     the ground reads
     * @param turnDeg how much the line turns here, positive to the right
     * @param bearingDeg to the next mark, from true north; empty at the last one
     * @param compassDeg the same as a compass shows it, when the declination is known
     * @param ties distances to two marks that stand already
     * @param then what stands between this mark and the next
     */
    public record Mark(
            String name,
            String kind,
            boolean standing,
            double stationM,
            double fromLastM,
            double slopeFromLastM,
            double turnDeg,
            OptionalDouble bearingDeg,
            OptionalDouble compassDeg,
            List<Tie> ties,
            String then,
            double lonDeg,
            double latDeg) {
        public Mark {
            ties = List.copyOf(ties);
        }
    }

    /** A distance to tape to something that stands. */
    public record Tie(String to, double distanceM) {}

    /** The two diagonals of four corners that follow each other; taped, they check all four. */
    public record Diagonal(String corners, String first, double firstM, String second, double secondM) {}
}
