package buckle.pulse;

/** A place on a run, so far from its beginning. */
public record Place(String runId, double distanceM) {}
