package buckle.layout;

/**
 * A rounded outline: corners that each turn too little for a brace and together turn far; its posts share the radial load.
 *
 * @param sideN what each post is pushed by
 */
public record Bend(double fromM, double toM, double turnDeg, int posts, double sideN) {}
