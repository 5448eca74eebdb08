package buckle.spec;

import buckle.rulebook.Rule;
import buckle.rulebook.Values;

/** How long the rail of an H brace is. */
public enum RailSchool {
    /** B1: 8 ft whatever the fence. */
    EIGHT_FOOT(Rule.B1),
    /** B2: 2.5 times the fence height, so that the diagonal is flat and lifts the end post less. */
    BY_HEIGHT(Rule.B2);

    private final Rule rule;

    RailSchool(Rule rule) {
        this.rule = rule;
    }

    /** Rule of the school. */
    public Rule rule() {
        return rule;
    }

    /** Length of a rail for a height of fence. */
    public double railM(double fenceHeightM) {
        return this == EIGHT_FOOT ? Values.B1_RAIL_M : Values.B2_RAIL_PER_HEIGHT * fenceHeightM;
    }
}
