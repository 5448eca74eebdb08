package buckle.design;

import buckle.material.Conductor;
import buckle.material.Hazard;
import buckle.material.PostStock;
import buckle.pulse.EnergizerRating;
import buckle.spec.Animal;
import buckle.spec.BraceKind;
import buckle.spec.EarthRod;
import buckle.spec.GroundState;
import buckle.spec.Growth;
import buckle.spec.Insulators;
import buckle.spec.LineSpec;
import buckle.spec.PulseModel;
import buckle.spec.Stringing;
import buckle.spec.Wire;
import buckle.spec.WireSchedule;
import buckle.spec.Yardstick;
import buckle.units.Forces;
import buckle.units.Lengths;
import buckle.units.Temperatures;
import buckle.units.UnitSystem;
import java.math.BigDecimal;
import java.math.MathContext;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Values of fields of the spec as people read them: constants by their words, numbers with the unit that the field's name tells. */
final class SpecWords {
    private final UnitSystem units;

    SpecWords(UnitSystem units) {
        this.units = units;
    }

    String text(String field, Object value) {
        return switch (value) {
            case Optional<?> o -> o.map(v -> text(field, v)).orElse("none");
            case OptionalDouble o -> o.isPresent() ? number(field, o.getAsDouble()) : "none";
            case Collection<?> all ->
                all.isEmpty() ? "none" : all.stream().map(v -> text(field, v)).collect(Collectors.joining(", "));
            case Double d -> number(field, d);
            case Boolean b -> b ? "yes" : "no";
            case Yardstick y ->
                y.readings().size() + " readings of "
                        + y.readAt().atOffset(ZoneOffset.UTC).toLocalDate();
            case PulseModel.Spread s ->
                number(field, s.likely()) + " (" + number(field, s.low()) + " to " + number(field, s.high()) + ")";
            case LineSpec l ->
                l.lineId() + ": "
                        + Stream.of(l.schedule(), l.brace(), l.hot(), l.stringing())
                                .flatMap(Optional::stream)
                                .map(v -> text(field, v))
                                .collect(Collectors.joining(" and "));
            case Animal a -> a.text();
            case Conductor c -> c.text();
            case PostStock p -> p.text();
            case BraceKind b -> b.text();
            case Hazard h -> h.text();
            case Growth g -> g.text();
            case Insulators i -> i.text();
            case GroundState g -> g.text();
            case Stringing s -> s.way().text() + ", tightener " + s.tightener().text();
            case Stringing.Way w -> w.text();
            case Stringing.Tightener t -> t.text();
            case Stringing.WireEnd e -> e.text();
            case WireSchedule s ->
                Stream.concat(
                                Stream.of(s.preset() + ", " + s.wires().size() + " wires"),
                                IntStream.range(0, s.wires().size())
                                        .mapToObj(i -> own(i + 1, s.wires().get(i)))
                                        .flatMap(Optional::stream))
                        .collect(Collectors.joining(", "));
            case EarthRod r ->
                r.count() + " × " + r.kind().text() + " of " + number("M", r.lengthM())
                        + (r.watered() ? ", kept wet" : "") + (r.stands() ? ", there already" : "");
            case EnergizerRating p -> p.name();
            case Enum<?> e -> e.name().toLowerCase(Locale.ROOT).replace('_', ' ');
            default -> String.valueOf(value);
        };
    }

    /** What a wire has otherwise than its role. */
    private static Optional<String> own(int number, Wire wire) {
        String has = Stream.of(
                        wire.conductor().map(Conductor::text),
                        wire.fastening().map(f -> "held by " + f.text()),
                        wire.byHand().map(hand -> hand ? "pulled by hand" : "strained"),
                        Optional.of("there already").filter(x -> wire.stands()))
                .flatMap(Optional::stream)
                .collect(Collectors.joining(" and "));
        return has.isEmpty() ? Optional.empty() : Optional.of("wire " + number + " " + has);
    }

    private String number(String field, double value) {
        String plain = value == Math.rint(value)
                ? String.valueOf((long) value)
                : new BigDecimal(value)
                        .round(new MathContext(3))
                        .stripTrailingZeros()
                        .toPlainString();
        if (field.endsWith("Percent")) {
            return plain + " %";
        }
        if (field.endsWith("Share")) {
            return Math.round(100 * value) + " %";
        }
        if (field.endsWith("Deg")) {
            return plain + "°";
        }
        if (field.endsWith("Ohm")) {
            return plain + " Ω";
        }
        if (field.endsWith("Nf")) {
            return plain + " nF";
        }
        if (field.endsWith("Mm2")) {
            return plain + " mm²";
        }
        if (field.endsWith("Ah")) {
            return plain + " Ah";
        }
        return switch (field.charAt(field.length() - 1)) {
            case 'M' -> Math.abs(value) < Lengths.ft(4) ? Lengths.text(value, units) : Lengths.taped(value, units);
            case 'N' -> Forces.text(value, units);
            case 'C' -> Temperatures.text(value, units);
            case 'J' -> plain + " J";
            case 'W' -> plain + " W";
            default -> plain;
        };
    }
}
