package buckle.layout;

import buckle.material.PostStock;

/**
 * A post in the ground.
 *
 * @param number from 1 along the line, or the number that was given to it
 * @param label letter of the corner, name of the gate, or empty
 * @param deflectionDeg how much the line turns here, positive to the right
 * @param ends whether wires end here on strain insulators; otherwise they pass
 * @param shared whether it stands already, as a post of the line this one branches from or of an old fence
 * @param depthM in the ground, as planned or as it was set
 * @param lengthM height, depth and what the driver takes
 * @param stockM length it is cut from
 * @param reused whether it was found or is used again, and so not bought
 * @param load what it carries and what its ground holds
 * @param wiresInside whether passing wires hang on the inside of its turn and pull off it
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
        boolean shared,
        PostStock stock,
        double depthM,
        double lengthM,
        double stockM,
        PostLoad load,
        boolean wiresInside,
        boolean reused) {
    /** Two posts, or things on posts, nearer than this stand at one place. */
    public static final double SAME_PLACE_M = 0.05;

    Post numbered(int newNumber) {
        return new Post(
                newNumber,
                kind,
                stationM,
                lonDeg,
                latDeg,
                label,
                deflectionDeg,
                ends,
                shared,
                stock,
                depthM,
                lengthM,
                stockM,
                load,
                wiresInside,
                reused);
    }
}
