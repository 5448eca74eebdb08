package buckle.site;

/** Something that was done to a walk and has to be said, with its place along the clean line in metres. */
public record WalkNote(Kind kind, double stationM, double lengthM, String text) {
    /** What was done to a walk. */
    public enum Kind {
        GAP_BRIDGED,
        PAUSES,
        CLOSED,
        LEFT_OPEN,
        SPIKES,
        DRAWN
    }
}
