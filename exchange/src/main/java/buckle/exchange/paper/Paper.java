package buckle.exchange.paper;

/** Paper sizes, portrait. */
public enum Paper {
    A4("A4", 210, 297),
    LETTER("letter", 215.9, 279.4);

    private final String css;
    private final double widthMm;
    private final double heightMm;

    Paper(String css, double widthMm, double heightMm) {
        this.css = css;
        this.widthMm = widthMm;
        this.heightMm = heightMm;
    }

    /** As style sheets name it. */
    public String css() {
        return css;
    }

    double widthMm() {
        return widthMm;
    }

    double heightMm() {
        return heightMm;
    }
}
