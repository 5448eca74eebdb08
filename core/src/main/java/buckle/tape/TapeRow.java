package buckle.tape;

/**
 * One line of the tape book as it was called out.
 *
 * @param length a length ({@code 84 ft 6 in}, {@code 25.76}) or paces ({@code 24 p})
 * @param towards name of a third point when {@code to} lies along the line from {@code from} towards it; blank for a
 *     plain distance
 * @param offset how far off that line {@code to} lies, to the right; blank for none, a minus for left
 */
public record TapeRow(String from, String to, String length, String towards, String offset, String note) {
    /** A distance between two marks, as it was called out. */
    public static TapeRow distance(String from, String to, String length) {
        return new TapeRow(from, to, length, "", "", "");
    }

    /** What was measured, for a sentence: {@code B–D}. */
    public String title() {
        return from.strip() + "–" + to.strip();
    }
}
