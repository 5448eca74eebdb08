package buckle.takeoff;

import buckle.spec.Spec;
import buckle.takeoff.TakeoffLine.Pack;
import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Where takeoff lines are written down; lines of nothing are left out. */
final class Tally {
    private final Spec spec;
    private final List<TakeoffLine> lines = new ArrayList<>();

    Tally(Spec spec) {
        this.spec = spec;
    }

    List<TakeoffLine> lines() {
        return List.copyOf(lines);
    }

    void pieces(String item, String name, long count, String derivation, String... rules) {
        add(item, name, count, "pcs", Optional.empty(), derivation, rules);
    }

    void packed(String item, String name, long count, int pack, String derivation, String... rules) {
        add(
                item,
                name,
                count,
                "pcs",
                Optional.of(Pack.covering("pack", pack, count)),
                derivation + " = " + count,
                rules);
    }

    void add(
            String item,
            String name,
            double quantity,
            String unit,
            Optional<Pack> pack,
            String derivation,
            String... rules) {
        if (quantity > 0) {
            double rounded = "m".equals(unit) ? Math.ceil(quantity * 10 - 1e-6) / 10 : quantity;
            lines.add(new TakeoffLine(item, name, rounded, unit, pack, derivation, List.of(rules)));
        }
    }

    String length(double lengthM) {
        return Lengths.text(lengthM, spec.units());
    }

    /** To the inch or 10 mm, as it is cut. */
    String sawn(double lengthM) {
        return Lengths.taped(Lengths.sawnM(lengthM, spec.units()), spec.units());
    }

    String whole(double lengthM) {
        return Lengths.whole(lengthM, spec.units());
    }

    static String plural(long count, String noun) {
        return count + " " + noun + (count == 1 ? "" : "s");
    }

    static String number(double value) {
        return value == Math.rint(value)
                ? String.format(Locale.ROOT, "%.0f", value)
                : String.format(Locale.ROOT, "%.1f", value);
    }
}
