package buckle.simulation;

import buckle.diagnosis.FaultKind;
import buckle.diagnosis.Hunt;
import buckle.diagnosis.Hunt.MeterNoise;
import buckle.diagnosis.Hunt.Reading;
import buckle.pulse.Circuit;
import buckle.pulse.Fault;
import buckle.pulse.Meter;
import buckle.pulse.Place;
import buckle.pulse.PulseSolver;
import buckle.pulse.Run;
import buckle.pulse.Supply;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;

/** A hidden fault drawn for a plan, and readings of the real fence in order and with it. How often each kind is drawn is ours. */
public final class DrawnHunt {
    private static final MeterNoise METER = MeterNoise.USUAL;

    private DrawnHunt() {}

    /** Tells what meters show on a circuit. */
    public interface Instrument {
        /** By meter; currents with their sign. */
        double[] read(Circuit circuit, List<Meter> meters);
    }

    /** By the solver that plans fences. */
    public static double[] solved(Circuit circuit, List<Meter> meters) {
        Map<String, Double> lengthM = new HashMap<>();
        circuit.runs().forEach(r -> lengthM.put(r.id(), r.lengthM()));
        List<Place> places = new ArrayList<>();
        for (Meter m : meters) {
            switch (m) {
                case Meter.Volts v -> places.add(v.at());
                case Meter.Amperes a -> {
                    places.add(a.at());
                    places.add(a.beside(Objects.requireNonNull(lengthM.get(a.at().runId()))));
                }
                case Meter.EarthVolts e -> {}
            }
        }
        return new PulseSolver(circuit, places)
                .readings(List.of(new Supply(circuit.source(), circuit.earthOhm())), meters)[0];
    }

    /** A fault drawn for a plan, readings of the fence in order and with it. */
    public static KnownHunt of(String name, Circuit plan, long seed, Instrument instrument) {
        // Neighbouring seeds draw alike at first.
        Random random = new Random(seed * 0x9E3779B97F4A7C15L);
        boolean currents = random.nextBoolean();
        List<Meter> meters = meters(plan, currents, random);
        TrueFence fence = new TrueFence(plan, random);
        double total = plan.runs().stream().mapToDouble(Run::lengthM).sum();
        List<Truth> truth = new ArrayList<>();
        List<Fault> faults = new ArrayList<>();
        OptionalDouble earth = OptionalDouble.empty();
        double supply = 1;
        double kind = random.nextDouble();
        if (kind < 0.125) {
            // In order.
        } else if (kind < 0.6) {
            truth.add(leak(plan, random, faults));
        } else if (kind < 0.72) {
            truth.add(broken(plan, random, faults));
        } else if (kind < 0.8) {
            Place at = place(plan, random, total);
            double length = plan.runs().stream()
                    .filter(r -> r.id().equals(at.runId()))
                    .findFirst()
                    .orElseThrow()
                    .lengthM();
            double half = Math.min(length / 3, 40 * Math.pow(5, random.nextDouble()));
            double from = Math.clamp(at.distanceM() - half, 0, length - 2 * half);
            double perM = 0.002 * Math.pow(6, random.nextDouble()) / 300;
            faults.addAll(TrueFence.growth(at.runId(), from, from + 2 * half, perM * 300 / (2 * half)));
            truth.add(new Truth(FaultKind.GROWTH, at.runId(), from, from + 2 * half, 1 / (perM * 300), -1));
        } else if (kind < 0.86) {
            earth = OptionalDouble.of(plan.earthOhm() * (5 + 25 * random.nextDouble()));
            truth.add(Truth.of(FaultKind.EARTH, earth.getAsDouble()));
        } else if (kind < 0.91) {
            supply = 0.3 + 0.45 * random.nextDouble();
            truth.add(Truth.of(FaultKind.SUPPLY, supply));
        } else if (kind < 0.95) {
            int wrong = random.nextInt(
                    (int) meters.stream().filter(m -> m instanceof Meter.Volts).count());
            truth.add(new Truth(FaultKind.METER, "", 0, 0, 0.4 + 0.3 * random.nextDouble(), wrong));
        } else {
            truth.add(leak(plan, random, faults));
            truth.add(random.nextBoolean() ? leak(plan, random, faults) : broken(plan, random, faults));
        }
        double[] before = instrument.read(fence.healthy(), meters);
        double[] after = instrument.read(fence.now(faults, earth, supply), meters);
        List<Reading> healthy = read(meters, before, random, -1, 1);
        List<Reading> now = truth.size() == 1 && truth.getFirst().kind() == FaultKind.METER
                ? read(
                        meters,
                        after,
                        random,
                        truth.getFirst().reading(),
                        truth.getFirst().value())
                : read(meters, after, random, -1, 1);
        List<Hunt.Switch> switches = new ArrayList<>();
        for (Run r : plan.runs()) {
            if (r.parent().isPresent() && random.nextBoolean()) {
                switches.add(new Hunt.Switch("s" + (switches.size() + 1), new Place(r.id(), 0)));
            }
        }
        return new KnownHunt(name, new Hunt(plan, METER, healthy, now, switches), truth);
    }

    private static Place place(Circuit plan, Random random, double total) {
        double at = total * random.nextDouble();
        for (Run r : plan.runs()) {
            if (at < r.lengthM()) {
                return new Place(r.id(), Math.clamp(Math.rint(at), 2, r.lengthM() - 2));
            }
            at -= r.lengthM();
        }
        throw new IllegalStateException("beyond the fence");
    }

    private static Truth leak(Circuit plan, Random random, List<Fault> into) {
        double total = plan.runs().stream().mapToDouble(Run::lengthM).sum();
        Place at = place(plan, random, total);
        double ohm = Math.rint(100 * Math.pow(100, random.nextDouble()));
        into.add(new Fault(Fault.Kind.SHUNT, at, ohm));
        return Truth.placed(FaultKind.LEAK, at.runId(), at.distanceM(), ohm);
    }

    private static Truth broken(Circuit plan, Random random, List<Fault> into) {
        double total = plan.runs().stream().mapToDouble(Run::lengthM).sum();
        Place at = place(plan, random, total);
        double ohm = random.nextDouble() < 0.75 ? Double.POSITIVE_INFINITY : 2000 * Math.pow(5, random.nextDouble());
        into.add(new Fault(Fault.Kind.BREAK, at, ohm));
        return Truth.placed(FaultKind.BREAK, at.runId(), at.distanceM(), ohm);
    }

    /** At the energizer and at the end of every run; in the middle of long ones; currents where runs begin. */
    private static List<Meter> meters(Circuit plan, boolean currents, Random random) {
        List<Meter> all = new ArrayList<>();
        all.add(new Meter.Volts(new Place(plan.runs().getFirst().id(), 0)));
        double total = plan.runs().stream().mapToDouble(Run::lengthM).sum();
        for (Run r : plan.runs()) {
            if (r.lengthM() > total / 4 && r.lengthM() > 200) {
                all.add(new Meter.Volts(new Place(r.id(), Math.rint(r.lengthM() / 2))));
            }
            all.add(new Meter.Volts(new Place(r.id(), r.lengthM())));
        }
        if (currents) {
            for (Run r : plan.runs()) {
                all.add(new Meter.Amperes(new Place(r.id(), 0)));
            }
        }
        if (random.nextInt(4) == 0) {
            all.add(new Meter.EarthVolts());
        }
        return all;
    }

    private static List<Reading> read(List<Meter> meters, double[] exact, Random random, int wrong, double factor) {
        List<Reading> all = new ArrayList<>();
        for (int i = 0; i < exact.length; i++) {
            boolean amperes = meters.get(i) instanceof Meter.Amperes;
            double share = amperes ? METER.shareA() : METER.share();
            double step = amperes ? METER.resolutionA() : METER.resolutionV();
            double value = exact[i] * (1 + share * random.nextGaussian()) * (i == wrong ? factor : 1);
            double shown = Math.rint(value / step) * step;
            Optional<Place> at = switch (meters.get(i)) {
                case Meter.Volts v -> Optional.of(v.at());
                case Meter.Amperes a -> Optional.of(a.at());
                case Meter.EarthVolts e -> Optional.empty();
            };
            all.add(new Reading(
                    at,
                    amperes ? OptionalDouble.empty() : OptionalDouble.of(Math.max(0, shown)),
                    amperes ? OptionalDouble.of(shown) : OptionalDouble.empty(),
                    amperes,
                    Set.of(),
                    false));
        }
        return all;
    }
}
