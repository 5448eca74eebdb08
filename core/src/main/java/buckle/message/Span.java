package buckle.message;

/** A stretch of a line by its stations. */
public record Span(double fromM, double toM) {}
