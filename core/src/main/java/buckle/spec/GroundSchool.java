package buckle.spec;

import buckle.rulebook.Rule;

/** How many ground rods a fence takes. */
public enum GroundSchool {
    THREE_RODS(Rule.G1, "three 6 ft (1.8 m) rods"),
    BY_AREA(Rule.G2, "one more for each two acres, at most three"),
    ONE_LONG_ROD(Rule.G3, "one 8 ft (2.4 m) rod, for soft wet clay"),
    BY_JOULES(Rule.G4, "3 ft (0.9 m) of rod for each joule");

    private final Rule rule;
    private final String text;

    GroundSchool(Rule rule, String text) {
        this.rule = rule;
        this.text = text;
    }

    /** As it is said on screen. */
    public String text() {
        return text;
    }

    /** Rule of the school. */
    public Rule rule() {
        return rule;
    }
}
