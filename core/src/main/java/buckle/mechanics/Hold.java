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

    /** As it is said on screen. */
    public String text() {
        return text;
    }

    /** @param safety what holds over what is asked */
    public static Hold of(double safety) {
        return safety >= USUAL_FROM ? USUAL : safety >= 1 ? LIMIT : MOVES;
    }

    /** From what the ground holds and what is asked of it. */
    public static Hold of(double heldN, double askedN) {
        return askedN <= 0 ? USUAL : of(heldN / askedN);
    }

    /** The worse of two. */
    public Hold worse(Hold other) {
        return compareTo(other) >= 0 ? this : other;
    }
}
