package buckle.exchange.out;

/** Cells of a CSV as a spreadsheet shows them. */
public final class Cells {
    private Cells() {}

    /** A text that a spreadsheet would take for a formula gets an apostrophe in front, which makes it a text again. */
    public static String text(String text) {
        boolean formula = !text.isEmpty() && "=+-@\t\r".indexOf(text.charAt(0)) >= 0;
        return formula ? "'" + text : text;
    }
}
