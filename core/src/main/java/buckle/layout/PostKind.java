package buckle.layout;

import buckle.site.LineBook;

/** What a post does. */
public enum PostKind {
    END("end post"),
    CORNER("corner post"),
    GATE("gate post"),
    /** Where another line branches off. */
    TEE("tee post"),
    /** Parts a long straight pull; braced both ways. */
    INLINE("in-line strain post"),
    BRACE("brace post"),
    LINE("line post"),
    /** A line post that the wires would lift out, held down by an anchor. */
    TIE_DOWN("tie-down post"),
    /** A light post between line posts that only keeps the wires apart. */
    LIGHT("light post");

    private final String text;

    PostKind(String text) {
        this.text = text;
    }

    /** As it is called on screen. */
    public String text() {
        return text;
    }

    static PostKind of(LineBook.Use use) {
        return switch (use) {
            case LINE -> LINE;
            case TIE_DOWN -> TIE_DOWN;
            case LIGHT -> LIGHT;
        };
    }

    /** Whether a pull may end on it or gear hang on it. */
    public boolean strong() {
        return this == END || this == CORNER || this == GATE || this == TEE || this == INLINE;
    }

    /** Set at spacing between strong posts. */
    public boolean spaced() {
        return this == LINE || this == TIE_DOWN;
    }
}
