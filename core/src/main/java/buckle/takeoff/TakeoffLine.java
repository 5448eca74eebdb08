package buckle.takeoff;

import buckle.units.Lengths;
import java.util.List;
import java.util.Optional;

/**
 * One line of the takeoff.
 *
 * @param group heading it stands under
 * @param item stable key, {@code strainer}
 * @param quantity what the fence takes, in {@code unit}: {@code pcs} or {@code m}
 * @param pack how it is bought, when not one by one
 * @param derivation the arithmetic in one sentence
 * @param rules ids of the rules behind it
 */
public record TakeoffLine(
        String group,
        String item,
        String name,
        double quantity,
        String unit,
        Optional<Pack> pack,
        String derivation,
        List<String> rules) {
    public TakeoffLine {
        rules = List.copyOf(rules);
    }

    /** Packs to load: so many of a size, named coil, roll or pack. */
    public record Pack(String name, double size, int count) {
        static Pack covering(String name, double size, double quantity) {
            return new Pack(name, size, quantity <= 0 ? 0 : Lengths.parts(quantity, size));
        }
    }
}
