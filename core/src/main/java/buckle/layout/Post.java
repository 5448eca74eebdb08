package buckle.layout;

/**
 * A post in the ground.
 *
 * @param number from 1 along the line
 * @param label letter of the corner, name of the gate, or empty
 * @param deflectionDeg how much the line turns here, positive to the right
 * @param ends whether wires end here on strain insulators; otherwise they pass
 * @param shared whether it stands already as a post of the line this one branches from, and is counted there
 */
public record Post(
        int number,
        PostKind kind,
        double stationM,
        double lonDeg,
        double latDeg,
        String label,
        double deflectionDeg,
        boolean ends,
        boolean shared) {}
