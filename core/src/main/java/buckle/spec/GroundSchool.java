package buckle.spec;

/** How many ground rods a fence takes. */
public enum GroundSchool {
    THREE_RODS("G1", "three 6 ft rods"),
    BY_AREA("G2", "one more for each two acres, at most three"),
    ONE_LONG_ROD("G3", "one 8 ft rod, for soft wet clay"),
    BY_JOULES("G4", "3 ft of rod for each joule");

    private final String rule;
    private final String text;

    GroundSchool(String rule, String text) {
        this.rule = rule;
        this.text = text;
    }

    public String text() {
        return text;
    }

    public String rule() {
        return rule;
    }
}
