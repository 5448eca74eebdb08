package buckle.layout;

/** Letters for corners: A to Z, then AA, AB and on. */
public final class Labels {
    private Labels() {}

    /** A to Z, then AA, AB and so on. */
    public static String letter(int index) {
        String last = String.valueOf((char) ('A' + index % 26));
        return index < 26 ? last : letter(index / 26 - 1) + last;
    }
}
