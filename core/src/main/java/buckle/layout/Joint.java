package buckle.layout;

import java.util.List;

/**
 * A place where wires are joined, for the crew to follow. Wires are numbered from the ground up, from 1.
 *
 * @param hot numbers of the hot wires joined here
 * @param earth numbers of the earth wires joined here
 * @param says how, in one sentence
 */
public record Joint(
        String lineId, double stationM, Kind kind, String name, List<Integer> hot, List<Integer> earth, String says) {
    public Joint {
        hot = List.copyOf(hot);
        earth = List.copyOf(earth);
    }

    Joint at(double otherM) {
        return new Joint(lineId, otherM, kind, name, hot, earth, says);
    }

    /** What joins them. */
    public enum Kind {
        /** Lead-out from the energizer, hot and earth. */
        FEED,
        /** Jumper set of a pull: hot with hot, earth with earth. */
        JUMPER,
        /** Link round a strong post from one pull to the next. */
        LINK,
        /** Cable under a gate or over a creek. */
        CABLE,
        /** Spring handles or one strand across an opening. */
        HANDLE,
        /** A branch joined to the line it branches from. */
        TEE,
        /** Switch in the hot wires. */
        CUT_OUT,
        /** The hot wires end here on purpose. */
        OPEN
    }
}
