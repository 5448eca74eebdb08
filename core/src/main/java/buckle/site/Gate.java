package buckle.site;

/**
 * A gate in a fence line.
 *
 * @param at the middle of the opening on the ground; the layout takes the nearest place of the line
 * @param openingM clear width between the gate posts
 */
public record Gate(String id, String name, GateKind kind, GeoPoint at, double openingM) {
    public Gate {
        if (!(openingM >= 0.3 && openingM <= 100)) {
            throw new IllegalArgumentException("gate opening " + openingM + " m is not between 0.3 m and 100 m");
        }
    }
}
