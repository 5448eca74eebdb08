package buckle.rulebook;

/**
 * One rule of the job.
 *
 * @param fromMemory true when the value was written down from memory and must be checked against the current edition,
 *     the maker's sheet or the local code
 */
public record Rule(String id, String says, Basis basis, boolean fromMemory) {}
