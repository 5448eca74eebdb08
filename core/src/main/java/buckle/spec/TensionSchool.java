package buckle.spec;

import buckle.units.Forces;

/** S1: how tight a steel wire is pulled. */
public enum TensionSchool {
    LIGHT(125, "125 lbf (560 N), light wire"),
    MEDIUM(250, "250 lbf (1,110 N), usual for 12.5 gauge (2.5 mm)"),
    HEAVY(500, "500 lbf (2,220 N), one builder's habit");

    private final double tensionN;
    private final String text;

    TensionSchool(double lbf, String text) {
        this.tensionN = Forces.lbf(lbf);
        this.text = text;
    }

    /** Pull on one wire. */
    public double tensionN() {
        return tensionN;
    }

    /** As it is said on screen. */
    public String text() {
        return text;
    }
}
