package buckle.takeoff;

import buckle.spec.Spec;
import buckle.takeoff.TakeoffLine.Pack;
import buckle.units.Lengths;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** Where takeoff lines are written down; lines of nothing are left out. */
final class Tally {
    private final Spec spec;
    private final List<TakeoffLine> lines = new ArrayList<>();

    private String group = "";

    Tally(Spec spec) {
        this.spec = spec;
    }

    List<TakeoffLine> lines() {
        return List.copyOf(lines);
    }

    /** What is written down from now on stands under this heading. */
    void under(String heading) {
        group = heading;
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
            double rounded = "m".equals(unit) ? Math.ceil((quantity - Lengths.TAPE_M) * 10) / 10 : quantity;
            lines.add(new TakeoffLine(group, item, name, rounded, unit, pack, derivation, List.of(rules)));
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
        return count + " " + noun + (count == 1 ? "" : noun.endsWith("ch") ? "es" : "s");
    }

    /** At most three digits that tell something: {@code 0.25}, {@code 6.7}, {@code 12}. */
    static String number(double value) {
        return value == Math.rint(value)
                ? String.format(Locale.ROOT, "%.0f", value)
                : new BigDecimal(value)
                        .round(new MathContext(3))
                        .stripTrailingZeros()
                        .toPlainString();
    }
}
