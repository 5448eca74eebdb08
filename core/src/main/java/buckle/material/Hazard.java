package buckle.material;

/** What hits the fence, and so what its insulators have to stand (I5). */
public enum Hazard {
    USUAL("nail-on or screw-on"),
    /** Claw type holds the wire when animals hit it. */
    WILDLIFE("claw type"),
    /** Pin-lock sheds the wire when the flood takes it. */
    FLOOD("pin-lock");

    private final String text;

    Hazard(String text) {
        this.text = text;
    }

    /** How its insulators are made. */
    public String text() {
        return text;
    }
}
