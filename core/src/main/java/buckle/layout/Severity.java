package buckle.layout;

/** How much a finding matters. */
public enum Severity {
    /** Something that was decided and is worth knowing. */
    NOTE,
    /** Work that can hurt; the local code and licensed people have the last word. */
    CAUTION,
    /** Something to mend in the plan. */
    WARN
}
