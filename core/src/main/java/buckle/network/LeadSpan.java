package buckle.network;

import buckle.layout.Lead;

/**
 * A lead from line to line.
 *
 * @param from number of the place on the line it was said for, {@code to} of the place on the other
 */
public record LeadSpan(Lead lead, int from, int to) {}
