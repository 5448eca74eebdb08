package buckle.layout;

/** An H brace: a rail from the strong post to the brace post, a diagonal from the strong post's foot to the brace post's top. */
public record Brace(double strongStationM, double braceStationM, double railM) {}
