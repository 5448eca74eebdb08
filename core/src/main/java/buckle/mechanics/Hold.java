package buckle.mechanics;

/** How what holds stands against what is asked, in the words of the trade instead of one factor. */
public enum Hold {
    USUAL("usual practice"),
    LIMIT("at the limit"),
    MOVES("will move");

    /** P18: what is built so is usual from here. */
    public static final double USUAL_FROM = 1.5;

    private final String text;

    Hold(String text) {
        this.text = text;
    }

    public String text() {
        return text;
    }

    /** @param safety what holds over what is asked */
    public static Hold of(double safety) {
        return safety >= USUAL_FROM ? USUAL : safety >= 1 ? LIMIT : MOVES;
    }

    public static Hold of(double heldN, double askedN) {
        return askedN <= 0 ? USUAL : of(heldN / askedN);
    }

    public Hold worse(Hold other) {
        return compareTo(other) >= 0 ? this : other;
    }
}
