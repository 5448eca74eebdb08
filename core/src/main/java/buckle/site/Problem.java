package buckle.site;

/**
 * Something in the input that cannot be used, with its place.
 *
 * @param code stable name of the kind of problem, {@code gate.wider-than-side}
 * @param path where it stands, {@code lines[0].gates[1]} or {@code line 12}
 * @param message one sentence a fencer understands
 */
public record Problem(String code, String path, String message) {}
