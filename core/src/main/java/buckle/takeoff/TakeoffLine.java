package buckle.takeoff;

import buckle.material.Product;
import buckle.material.Use;
import buckle.message.Message;
import buckle.rulebook.Rule;
import buckle.units.Lengths;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * One line of the takeoff: all parts of one product for one use.
 *
 * @param item stable key, {@code strainer}
 * @param quantity what is loaded for the fence, in metres or pieces as {@link Use#byMetre} says
 * @param spare how much of it a rule adds to the count: spares at braces, slack of wire
 * @param pack how it is bought, when not one by one
 * @param derivation the arithmetic
 * @param rules behind it
 */
public record TakeoffLine(
        Use use,
        Product product,
        String item,
        Message name,
        double quantity,
        double spare,
        Optional<Pack> pack,
        Message derivation,
        List<Rule> rules) {
    public TakeoffLine {
        rules = List.copyOf(rules);
    }

    /** What the fence itself takes, without what a rule adds. */
    public double counted() {
        return quantity - spare;
    }

    /** {@code m} or {@code pcs}. */
    public String unit() {
        return use.byMetre() ? "m" : "pcs";
    }

    /** Mass of what the fence takes, where it follows from what the product is made of. */
    public OptionalDouble massKg() {
        OptionalDouble unit = product.unitKg();
        return unit.isPresent() ? OptionalDouble.of(unit.getAsDouble() * quantity) : unit;
    }

    /** Packs to load: so many of a size, named coil, roll or pack. */
    public record Pack(String name, double size, int count) {
        static Pack covering(String name, double size, double quantity) {
            return new Pack(name, size, quantity <= 0 ? 0 : Lengths.parts(quantity, size));
        }
    }
}
