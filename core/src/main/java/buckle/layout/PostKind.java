package buckle.layout;

/** What a post does. */
public enum PostKind {
    END,
    CORNER,
    GATE,
    BRACE,
    LINE;

    public boolean strong() {
        return this == END || this == CORNER || this == GATE;
    }
}
