package buckle.layout;

/** What a post does. */
public enum PostKind {
    END,
    CORNER,
    GATE,
    /** Where another line branches off. */
    TEE,
    BRACE,
    LINE;

    public boolean strong() {
        return this == END || this == CORNER || this == GATE || this == TEE;
    }
}
