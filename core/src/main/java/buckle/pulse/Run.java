package buckle.pulse;

import java.util.Optional;

/**
 * A stretch of wire from one node to the next.
 *
 * @param parent run at whose far end it begins; empty at the energizer
 * @param open whether a switch at its beginning is open
 * @param joins run whose far end its own far end is joined to as well: closes a loop
 */
public record Run(
        String id, Optional<String> parent, double lengthM, LineType type, boolean open, Optional<String> joins) {
    public Run {
        LineWire.require(
                lengthM >= 0 && lengthM <= 1e6, "length " + lengthM + " m of run " + id + " is not up to 1,000 km");
    }

    /** Without a joint in its way. */
    public static Run of(String id, Optional<String> parent, double lengthM, LineType type) {
        return new Run(id, parent, lengthM, type, false, Optional.empty());
    }
}
