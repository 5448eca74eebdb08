package buckle.layout;

/** A stretch without a known height; lengths run straight across it. */
public record ProfileGap(double fromM, double toM) {}
