package buckle.practice;

import buckle.diagnosis.FaultKind;
import java.util.Optional;

/**
 * What is wrong with a simulated fence.
 *
 * @param lineId empty of rods and supply
 * @param toM of growth where it ends; of others as {@code fromM}
 * @param value ohms of a leak, in series of a break; mS of growth as a whole; times the rods' resistance of a poor earth; share of
 *     the energizer's voltage of a weak supply
 * @param onlyWet whether it lets nothing off while it is dry
 */
public record HiddenFault(
        FaultKind kind, Optional<String> lineId, double fromM, double toM, double value, boolean onlyWet) {
    /** At one place of a line. */
    public static HiddenFault at(FaultKind kind, String lineId, double stationM, double ohm) {
        return new HiddenFault(kind, Optional.of(lineId), stationM, stationM, ohm, false);
    }

    /** At the energizer or its rods. */
    public static HiddenFault atEnergizer(FaultKind kind, double value) {
        return new HiddenFault(kind, Optional.empty(), 0, 0, value, false);
    }

    /** The same, but for the wet alone. */
    public HiddenFault whenWet() {
        return new HiddenFault(kind, lineId, fromM, toM, value, true);
    }
}
