package buckle.spec;

/** How many ground rods a fence takes. */
public enum GroundSchool {
    THREE_RODS("G1"),
    BY_AREA("G2"),
    ONE_LONG_ROD("G3"),
    BY_JOULES("G4");

    private final String rule;

    GroundSchool(String rule) {
        this.rule = rule;
    }

    public String rule() {
        return rule;
    }
}
