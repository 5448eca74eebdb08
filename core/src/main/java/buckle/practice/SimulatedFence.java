package buckle.practice;

import buckle.circuit.ElectricsPlanner;
import buckle.circuit.FenceCircuit;
import buckle.diagnosis.FaultKind;
import buckle.diagnosis.Hunt;
import buckle.diagnosis.Hunt.MeterNoise;
import buckle.land.Surroundings;
import buckle.pulse.Circuit;
import buckle.pulse.Fault;
import buckle.pulse.LineType;
import buckle.pulse.Meter;
import buckle.pulse.Place;
import buckle.pulse.Run;
import buckle.readings.Observed.Direction;
import buckle.readings.OnFence;
import buckle.readings.Weather;
import buckle.review.Laid;
import buckle.simulation.DrawnHunt;
import buckle.simulation.TrueFence;
import buckle.spec.Growth;
import buckle.spec.Plan;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;

/**
 * The fence of a plan as it might really stand: leakage, ground, steel, rods and energizer differ from the plan by a seed
 * ({@link TrueFence}), and what is read drifts along it from what its circuit says, so that nothing is read that a plan could know. What
 * a meter shows on it has the meter's errors. Invented.
 */
public final class SimulatedFence {
    /** How much more leaks off while it is wet; ours. */
    private static final double WET = 1.6;

    private static final MeterNoise METER = MeterNoise.USUAL;
    private static final double LEAK_LOW_OHM = 80;
    private static final double LEAK_HIGH_OHM = 6000;
    private static final double LEAKS = 0.7;
    private static final double BREAKS = 0.9;
    private static final double OPEN_BREAK = 0.75;
    private static final double GROWTH_M = 40;
    private static final double END_M = 2;
    /** A kilometre from the energizer what is read lies so much lower than the circuit says, and strays by so much; ours. */
    private static final double FALLS = 0.04;

    private static final double STRAYS = 0.06;

    private final FenceCircuit fence;
    private final OnFence on;
    private final TrueFence dry;
    private final TrueFence wet;
    private final long seed;
    private final double drift;
    private final Map<State, Circuit> circuits = new HashMap<>();

    /**
     * How it stands.
     *
     * @param handedOver as on the day it was handed over; otherwise a season has gone by
     * @param open ids of the switches that are open
     */
    public record State(boolean handedOver, Weather weather, Set<String> open, List<HiddenFault> faults) {
        public State {
            open = Set.copyOf(open);
            faults = List.copyOf(faults);
        }
    }

    /** What a meter shows: the peak against earth, and the current with its direction. */
    public record Shown(double peakV, double peakA, Direction direction) {}

    private SimulatedFence(FenceCircuit fence, OnFence on, long seed) {
        this.fence = fence;
        this.on = on;
        this.seed = seed;
        this.drift = STRAYS * random(seed + 29, 0).nextGaussian() - FALLS;
        Circuit plan = fence.circuit();
        this.dry = new TrueFence(plan, random(seed, 0));
        this.wet = new TrueFence(
                plan.withRuns(plan.runs().stream().map(SimulatedFence::wetter).toList()), random(seed, 0));
    }

    /** Empty while nothing is fed. */
    public static Optional<SimulatedFence> of(Plan plan, Laid laid, Surroundings around, long seed, Growth growth) {
        Plan grown = plan.withCircumstances(plan.circumstances().withGrowth(growth));
        return ElectricsPlanner.circuit(ElectricsPlanner.asPlanned(grown), laid, around)
                .map(f -> new SimulatedFence(f, new OnFence(f, laid.layout()), seed));
    }

    private static Random random(long seed, long nth) {
        // Neighbouring seeds draw alike at first.
        return new Random((seed * 1_000_003 + nth) * 0x9E3779B97F4A7C15L);
    }

    private static Run wetter(Run run) {
        LineType t = run.type();
        return t.cable().isPresent()
                ? run
                : new Run(
                        run.id(),
                        run.parent(),
                        run.lengthM(),
                        LineType.overGround(t.strands(), t.leakSPerM() * WET, t.soilOhmM()),
                        run.open(),
                        run.joins());
    }

    /** A fault by a seed, anywhere on what is live. */
    public HiddenFault draw(long nth) {
        Random random = random(seed ^ 0x5DEECE66DL, nth);
        double all =
                fence.stretches().stream().mapToDouble(s -> s.toM() - s.fromM()).sum();
        double at = all * random.nextDouble();
        String line = fence.stretches().getLast().lineId();
        double station = fence.stretches().getLast().toM();
        for (FenceCircuit.LiveStretch s : fence.stretches()) {
            double length = s.toM() - s.fromM();
            if (at < length) {
                line = s.lineId();
                double edge = Math.min(END_M, length / 2);
                station = Math.clamp(s.fromM() + Math.rint(at), s.fromM() + edge, s.toM() - edge);
                break;
            }
            at -= length;
        }
        double kind = random.nextDouble();
        double value = random.nextDouble();
        if (kind < LEAKS) {
            double ohm = LEAK_LOW_OHM * Math.pow(LEAK_HIGH_OHM / LEAK_LOW_OHM, value);
            return HiddenFault.at(FaultKind.LEAK, line, station, Math.rint(ohm / 10) * 10);
        }
        if (kind < BREAKS) {
            double ohm = value < OPEN_BREAK ? Double.POSITIVE_INFINITY : 2000 * Math.pow(5, random.nextDouble());
            return HiddenFault.at(FaultKind.BREAK, line, station, ohm);
        }
        return new HiddenFault(
                FaultKind.GROWTH,
                Optional.of(line),
                Math.max(0, station - GROWTH_M / 2),
                station + GROWTH_M / 2,
                2 + 6 * value,
                false);
    }

    /** Whether a meter can be put to a place of a line at all. */
    public boolean reaches(String lineId, double stationM) {
        return fence.place(lineId, stationM).isPresent();
    }

    /**
     * What a meter shows at a place of a line; empty where no hot wire runs.
     *
     * @param nth number of the reading: read again, the meter errs otherwise
     */
    public Optional<Shown> read(State state, String lineId, double stationM, long nth) {
        return fence.place(lineId, stationM).map(on::liveSide).map(at -> {
            double[] exact = DrawnHunt.solved(circuit(state), List.of(new Meter.Volts(at), new Meter.Amperes(at)));
            Random random = random(seed + 17, nth);
            boolean towards = fence.stretches().stream().anyMatch(s -> s.runId().equals(at.runId()) && s.towards());
            double by = readPer(at);
            double amperes = shown(exact[1] * by, METER.shareA(), METER.resolutionA(), random);
            return new Shown(
                    Math.max(0, shown(exact[0] * by, METER.share(), METER.resolutionV(), random)),
                    Math.abs(amperes),
                    amperes == 0
                            ? Direction.UNKNOWN
                            : amperes > 0 == towards ? Direction.TOWARDS_FINISH : Direction.TOWARDS_START);
        });
    }

    /** Of each volt and ampere of the circuit's; by the way itself over the first kilometre, which is not what a diagnosis believes. */
    private double readPer(Place at) {
        double km = fence.wayM(at) / 1000;
        return Math.exp(drift * Math.min(km, Math.sqrt(km)));
    }

    /** Volts at the earth terminal against a probe away from the rods. */
    public double earthTerminalV(State state, long nth) {
        double exact = DrawnHunt.solved(circuit(state), List.of(new Meter.EarthVolts()))[0];
        return Math.max(0, shown(exact, METER.share(), METER.resolutionV(), random(seed + 23, nth)));
    }

    private static double shown(double exact, double share, double step, Random random) {
        return Math.rint(exact * (1 + share * random.nextGaussian()) / step) * step;
    }

    private synchronized Circuit circuit(State state) {
        if (circuits.size() > 64) {
            circuits.clear();
        }
        return circuits.computeIfAbsent(state, this::made);
    }

    private Circuit made(State state) {
        TrueFence real = state.weather().wet() ? wet : dry;
        List<Fault> faults = new ArrayList<>();
        OptionalDouble earth = OptionalDouble.empty();
        double supply = 1;
        for (HiddenFault f : state.faults()) {
            if (f.onlyWet() && !state.weather().wet()) {
                continue;
            }
            switch (f.kind()) {
                case LEAK -> place(f).ifPresent(p -> faults.add(new Fault(Fault.Kind.SHUNT, p, f.value())));
                case BREAK -> place(f).ifPresent(p -> faults.add(new Fault(Fault.Kind.BREAK, p, f.value())));
                case GROWTH -> faults.addAll(growth(f));
                case EARTH -> earth = OptionalDouble.of(fence.circuit().earthOhm() * f.value());
                case SUPPLY -> supply = f.value();
                case METER, NONE, TWO -> throw new IllegalArgumentException(f.kind() + " is nothing to hide");
            }
        }
        Circuit stands = state.handedOver() ? real.healthy() : real.now(faults, earth, supply);
        Set<String> open = new HashSet<>();
        for (Hunt.Switch s : on.switches()) {
            if (state.open().contains(s.id())) {
                open.add(s.at().runId());
            }
        }
        return open.isEmpty()
                ? stands
                : stands.withRuns(stands.runs().stream()
                        .map(r -> open.contains(r.id())
                                ? new Run(r.id(), r.parent(), r.lengthM(), r.type(), true, r.joins())
                                : r)
                        .toList());
    }

    private Optional<Place> place(HiddenFault f) {
        return fence.place(f.lineId().orElseThrow(), f.fromM());
    }

    private List<Fault> growth(HiddenFault f) {
        int n = Math.max(2, (int) Math.ceil((f.toM() - f.fromM()) / 10));
        List<Fault> all = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            double at = f.fromM() + (f.toM() - f.fromM()) * (i + 0.5) / n;
            fence.place(f.lineId().orElseThrow(), at)
                    .ifPresent(p -> all.add(new Fault(Fault.Kind.SHUNT, p, n * 1000 / f.value())));
        }
        return all;
    }

    /** The switches that are in its circuit. */
    public Set<String> switches() {
        Set<String> ids = new HashSet<>();
        on.switches().forEach(s -> ids.add(s.id()));
        return ids;
    }

    FenceCircuit fence() {
        return fence;
    }
}
