package buckle.circuit;

import static buckle.circuit.Assumption.atTerminals;
import static buckle.circuit.Assumption.inFence;

import buckle.circuit.Assumption.Move;
import buckle.message.CircuitMessage.As;
import buckle.message.CircuitMessage.Assumed;
import buckle.message.CircuitMessage.Dampings;
import buckle.message.CircuitMessage.GroundIs;
import buckle.message.CircuitMessage.GrowthIs;
import buckle.message.CircuitMessage.NumberIs;
import buckle.message.CircuitMessage.Percent;
import buckle.message.CircuitMessage.Setting;
import buckle.message.CircuitMessage.Times;
import buckle.message.CircuitMessage.WireAndWoven;
import buckle.pulse.Source;
import buckle.pulse.Supply;
import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.spec.Circumstances;
import buckle.spec.Deviation;
import buckle.spec.PulseModel;
import buckle.spec.Yardstick;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** The catalogue of what is assumed (V13): the range comes of it, the screen shows it, and readings of a sound fence narrow it. */
final class Assumptions {
    private Assumptions() {}

    /** A range is so many standard deviations wide to either side. */
    private static final double DEVIATIONS = 2;

    static List<Assumption> of(Conditions likely, Circumstances circumstances, Source source) {
        return circumstances
                .yardstick()
                .map(y -> read(y, likely, circumstances.model(), source))
                .orElseGet(() -> planned(likely, circumstances.model(), source));
    }

    /** What readings in order left open; another energizer than theirs is as uncertain as its plate. */
    private static List<Assumption> read(Yardstick yardstick, Conditions likely, PulseModel model, Source source) {
        Stream<Assumption> left = yardstick.spread().stream().map(d -> {
            Deviation by = Conditions.of(yardstick, d, likely.plate());
            return new Assumption(
                    Assumed.READINGS,
                    Rule.V13,
                    As.READ,
                    As.LEFT_OPEN,
                    As.LEFT_OPEN,
                    List.of(inFence(c -> c.moved(by, -DEVIATIONS))),
                    List.of(inFence(c -> c.moved(by, DEVIATIONS))));
        });
        return yardstick.plate().equals(likely.plate())
                ? left.toList()
                : Stream.concat(left, Stream.of(plateVoltages(), damping(likely, model, source)))
                        .toList();
    }

    private static Assumption plateVoltages() {
        return new Assumption(
                Assumed.PLATE_VOLTAGES,
                Rule.V13,
                As.PLATE,
                new Percent(-percent(Values.V13_PLATE_SHARE)),
                new Percent(percent(Values.V13_PLATE_SHARE)),
                List.of(new Move.Scale(1 - Values.V13_PLATE_SHARE)),
                List.of(new Move.Scale(1 + Values.V13_PLATE_SHARE)));
    }

    private static List<Assumption> planned(Conditions likely, PulseModel model, Source source) {
        PulseModel.Spread steel = model.steelMuR();
        return List.of(
                factor(
                        Assumed.LEAKAGE,
                        Rule.V12,
                        new GrowthIs(likely.growth()),
                        Values.V13_LEAK_FACTOR,
                        inFence(c -> c.withLeakFactor(1 / Values.V13_LEAK_FACTOR)),
                        inFence(c -> c.withLeakFactor(Values.V13_LEAK_FACTOR))),
                factor(
                        Assumed.GROUND_RESISTIVITY,
                        Rule.G12,
                        new GroundIs(likely.ground()),
                        Values.V13_SOIL_FACTOR,
                        inFence(c -> c.withSoilFactor(1 / Values.V13_SOIL_FACTOR)),
                        inFence(c -> c.withSoilFactor(Values.V13_SOIL_FACTOR))),
                new Assumption(
                        Assumed.STEEL_PERMEABILITY,
                        Rule.V13,
                        new NumberIs(likely.steelMuR()),
                        new NumberIs(steel.low()),
                        new NumberIs(steel.high()),
                        List.of(inFence(c -> c.withSteelMuR(steel.low()))),
                        List.of(inFence(c -> c.withSteelMuR(steel.high())))),
                new Assumption(
                        Assumed.CONDUCTORS,
                        Rule.V13,
                        As.MADE,
                        new WireAndWoven(-percent(Values.V13_WIRE_FACTOR - 1), 1 / Values.V13_WOVEN_FACTOR),
                        new WireAndWoven(percent(Values.V13_WIRE_FACTOR - 1), Values.V13_WOVEN_FACTOR),
                        List.of(inFence(c -> c.withWire(-1))),
                        List.of(inFence(c -> c.withWire(1)))),
                plateVoltages(),
                new Assumption(
                        Assumed.ALONG,
                        Rule.V13,
                        As.COMPUTED,
                        new Percent(-percent(Values.V13_DRIFT_SHARE)),
                        As.COMPUTED,
                        List.of(new Move.Along(-Values.V13_DRIFT_SHARE)),
                        List.of()),
                factor(
                        Assumed.ROD_RESISTANCE,
                        Rule.V13,
                        As.COMPUTED,
                        Values.V13_EARTH_FACTOR,
                        atTerminals(s -> new Supply(s.source(), s.earthOhm() / Values.V13_EARTH_FACTOR)),
                        atTerminals(s -> new Supply(s.source(), s.earthOhm() * Values.V13_EARTH_FACTOR))),
                damping(likely, model, source));
    }

    private static double percent(double share) {
        return Math.round(100 * share);
    }

    private static Assumption factor(Assumed id, Rule rule, Setting likely, double factor, Move low, Move high) {
        return new Assumption(id, rule, likely, new Times(1 / factor), new Times(factor), List.of(low), List.of(high));
    }

    /** Other pairs across the terminals that give the same plate: those somebody said, else those around the likely one (E9). */
    private static Assumption damping(Conditions likely, PulseModel model, Source source) {
        List<Source> others = model.likelyDamping().isEmpty()
                ? likely.plate().others()
                : Stream.of(model.leastDamping(), model.mostDamping())
                        .flatMap(Optional::stream)
                        .map(likely.plate()::source)
                        .flatMap(Optional::stream)
                        .toList();
        List<Source> low = others.subList(0, (others.size() + 1) / 2);
        List<Source> high = others.subList((others.size() + 1) / 2, others.size());
        return new Assumption(
                Assumed.DAMPING,
                Rule.E9,
                new Dampings(List.of(source)),
                new Dampings(low),
                new Dampings(others.isEmpty() ? others : high),
                low.stream().map(Assumptions::fedBy).toList(),
                high.stream().map(Assumptions::fedBy).toList());
    }

    private static Move fedBy(Source source) {
        return atTerminals(s -> new Supply(source, s.earthOhm()));
    }
}
