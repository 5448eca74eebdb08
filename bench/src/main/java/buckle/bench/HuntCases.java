package buckle.bench;

import buckle.diagnosis.Hunt;
import buckle.diagnosis.Hunt.MeterNoise;
import buckle.diagnosis.Hunt.Reading;
import buckle.exchange.cli.SpiceNetlist;
import buckle.pulse.Circuit;
import buckle.pulse.Fault;
import buckle.pulse.LineModel;
import buckle.pulse.LineType;
import buckle.pulse.LineWire;
import buckle.pulse.Meter;
import buckle.pulse.Place;
import buckle.pulse.PulseSolver;
import buckle.pulse.Run;
import buckle.pulse.Source;
import buckle.pulse.Supply;
import buckle.simulation.TrueFence;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.Set;
import java.util.function.BiFunction;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Faulty fences whose faults are known: eight plans, true fences off them, readings by ngspice or by our own solver. */
public final class HuntCases {
    private static final MeterNoise METER = MeterNoise.USUAL;

    private HuntCases() {}

    /**
     * What is wrong with a fence in truth.
     *
     * @param fromM {@code toM} of growth; both where a fault is
     * @param reading number of the reading that is wrong
     */
    public record Truth(String kind, String run, double fromM, double toM, double ohm, int reading) {
        static Truth of(String kind, double value) {
            return new Truth(kind, "", 0, 0, value, -1);
        }
    }

    /** A case with its truth. */
    public record Case(String name, String fence, boolean currents, Hunt hunt, List<Truth> truth) {}

    /** What meters show on a circuit. */
    public interface Bench extends BiFunction<Circuit, List<Meter>, double[]> {}

    static double[] solved(Circuit circuit, List<Meter> meters) {
        List<Place> places = new ArrayList<>();
        for (Meter m : meters) {
            switch (m) {
                case Meter.Volts v -> places.add(v.at());
                case Meter.Amperes a -> {
                    places.add(a.at());
                    double d = a.at().distanceM();
                    places.add(new Place(a.at().runId(), d == 0 ? 0.5 : d - 0.5));
                }
                case Meter.EarthVolts e -> {}
            }
        }
        return new PulseSolver(circuit, places)
                .readings(List.of(new Supply(circuit.source(), circuit.earthOhm())), meters)[0];
    }

    /** ngspice's transient in sections of a hundred and twentieth of the fence, 6 to 40 m long. */
    static double[] byNgspice(Circuit circuit, List<Meter> meters) {
        double total = circuit.runs().stream().mapToDouble(Run::lengthM).sum();
        double windowS = PulseSolver.span(circuit).windowS() * 0.6;
        double section = Math.clamp(total / 120, 6, 40);
        try {
            Path file = Files.createTempFile("buckle-hunt", ".cir");
            Files.writeString(
                    file, SpiceNetlist.write(circuit, meters, new SpiceNetlist.Steps(section, 0.15e-6, windowS)));
            Process process = new ProcessBuilder("ngspice", "-b", file.toString())
                    .redirectErrorStream(true)
                    .start();
            String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
            Files.delete(file);
            double[] shown = new double[meters.size()];
            for (int i = 0; i < shown.length; i++) {
                double most = said(said, "p" + i);
                if (meters.get(i) instanceof Meter.Volts) {
                    shown[i] = most;
                } else {
                    double least = said(said, "q" + i);
                    shown[i] = Math.abs(least) > Math.abs(most) ? least : most;
                }
                if (meters.get(i) instanceof Meter.EarthVolts) {
                    shown[i] = Math.abs(shown[i]);
                }
            }
            return shown;
        } catch (IOException e) {
            throw new UncheckedIOException("ngspice is wanted for this: apt-get install ngspice", e);
        }
    }

    private static double said(String text, String name) {
        Matcher m = Pattern.compile("(?m)^" + name + "\\s*=\\s*([-+.\\deE]+)").matcher(text);
        if (!m.find()) {
            throw new IllegalStateException("ngspice gave no " + name + ": " + text);
        }
        return Double.parseDouble(m.group(1));
    }

    // ---------------------------------------------------------------- plans

    private static Run run(String id, String parent, double lengthM, LineType type) {
        return Run.of(id, parent.isEmpty() ? Optional.empty() : Optional.of(parent), lengthM, type);
    }

    private static LineType wires(
            double diameterMm,
            double ohmPerKm,
            double muR,
            double leakMilliSPerKm,
            double soil,
            double[] hot,
            double... earth) {
        List<LineWire> strands = new ArrayList<>();
        for (double h : hot) {
            strands.add(new LineWire(h, diameterMm / 1000, ohmPerKm / 1000, muR, true));
        }
        for (double h : earth) {
            strands.add(new LineWire(h, diameterMm / 1000, ohmPerKm / 1000, muR, false));
        }
        return LineType.overGround(strands, leakMilliSPerKm / 1e6, soil);
    }

    private static Circuit plan(String name, Source source, double earthOhm, List<Run> runs) {
        return new Circuit(name, LineModel.FREQUENCY_DEPENDENT, source, earthOhm, false, runs, List.of());
    }

    private static Source source(double volts, double joules, double henry, double ohm) {
        return new Source(
                volts, 2 * joules / volts / volts, henry, ohm, OptionalDouble.of(6000), OptionalDouble.of(0.5e-9));
    }

    /** Eight of them, 0.5 to 11 km. */
    static List<Circuit> plans() {
        LineType steel2 = wires(2.5, 35, 100, 0.4, 100, new double[] {0.5, 0.9});
        LineType steel5 = wires(2.5, 35, 100, 0.9, 100, new double[] {0.2, 0.45, 0.7, 0.9, 1.1});
        LineType pair = wires(2.5, 35, 100, 0.5, 150, new double[] {0.35, 0.95}, 0.65);
        LineType alu1 = wires(2.5, 5.7, 1, 0.1, 300, new double[] {0.9});
        LineType alu3 = wires(2.5, 5.7, 1, 0.25, 80, new double[] {0.4, 0.7, 1.0});
        Source small = source(7000, 0.9, 0.9e-3, 210);
        Source middle = source(8000, 3, 2.3e-3, 180);
        Source large = source(8500, 9, 2.6e-3, 75);
        return List.of(
                plan("yard", small, 22, List.of(run("A", "", 210, alu3), run("B", "A", 320, alu3))),
                plan(
                        "loop",
                        small,
                        16,
                        List.of(run("A", "", 60, pair), run("B", "A", 620, pair), run("C", "A", 540, pair))),
                plan(
                        "fork",
                        middle,
                        11,
                        List.of(
                                run("A", "", 620, steel5),
                                run("B", "A", 560, steel5),
                                run("C", "A", 380, steel2),
                                run("D", "C", 430, steel2),
                                run("E", "C", 340, steel5))),
                plan(
                        "farm",
                        middle,
                        9,
                        List.of(
                                run("A", "", 480, pair),
                                run("B", "A", 420, pair),
                                run("C", "A", 610, pair),
                                run("D", "B", 440, steel2),
                                run("E", "B", 360, pair),
                                run("F", "A", 520, steel2),
                                run("G", "F", 390, pair),
                                run("H", "F", 430, pair),
                                run("I", "H", 330, steel2))),
                plan(
                        "downs",
                        large,
                        7,
                        List.of(
                                run("A", "", 700, alu3),
                                run("B", "A", 640, alu3),
                                run("C", "B", 580, alu3),
                                run("D", "C", 520, alu1),
                                run("E", "A", 450, alu3),
                                run("F", "B", 480, alu1),
                                run("G", "C", 610, alu3),
                                run("H", "E", 530, alu3),
                                run("I", "E", 470, alu1),
                                run("J", "H", 420, alu3),
                                run("K", "G", 390, alu3))),
                plan(
                        "range",
                        large,
                        6,
                        List.of(
                                run("A", "", 2600, steel2),
                                run("B", "A", 2300, steel2),
                                run("C", "A", 2100, steel2),
                                run("D", "B", 2400, steel2),
                                run("E", "B", 1900, steel2))),
                plan("track", middle, 14, List.of(run("A", "", 4600, alu1))),
                plan(
                        "rings",
                        middle,
                        12,
                        List.of(
                                run("A", "", 80, pair),
                                run("B", "A", 780, pair),
                                run("C", "A", 720, pair),
                                run("D", "B", 260, steel2),
                                run("E", "D", 560, steel2),
                                run("F", "D", 480, steel2))));
    }

    // ---------------------------------------------------------------- cases

    /** A fault drawn for a plan, readings of the fence in order and with it. */
    static Case drawn(String name, Circuit plan, long seed, Bench bench) {
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
            truth.add(new Truth("growth", at.runId(), from, from + 2 * half, 1 / (perM * 300), -1));
        } else if (kind < 0.86) {
            earth = OptionalDouble.of(plan.earthOhm() * (5 + 25 * random.nextDouble()));
            truth.add(Truth.of("earth", earth.getAsDouble()));
        } else if (kind < 0.91) {
            supply = 0.3 + 0.45 * random.nextDouble();
            truth.add(Truth.of("supply", supply));
        } else if (kind < 0.95) {
            int wrong = random.nextInt(
                    (int) meters.stream().filter(m -> m instanceof Meter.Volts).count());
            truth.add(new Truth("meter", "", 0, 0, 0.4 + 0.3 * random.nextDouble(), wrong));
        } else {
            truth.add(leak(plan, random, faults));
            truth.add(random.nextBoolean() ? leak(plan, random, faults) : broken(plan, random, faults));
        }
        double[] before = bench.apply(fence.healthy(), meters);
        double[] after = bench.apply(fence.now(faults, earth, supply), meters);
        List<Reading> healthy = read(meters, before, random, -1, 1);
        List<Reading> now = truth.size() == 1 && truth.getFirst().kind().equals("meter")
                ? read(
                        meters,
                        after,
                        random,
                        truth.getFirst().reading(),
                        truth.getFirst().ohm())
                : read(meters, after, random, -1, 1);
        List<Hunt.Switch> switches = new ArrayList<>();
        for (Run r : plan.runs()) {
            if (r.parent().isPresent() && random.nextBoolean()) {
                switches.add(new Hunt.Switch("s" + (switches.size() + 1), new Place(r.id(), 0)));
            }
        }
        return new Case(name, plan.name(), currents, new Hunt(plan, METER, healthy, now, switches), truth);
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
        return new Truth("leak", at.runId(), at.distanceM(), at.distanceM(), ohm, -1);
    }

    private static Truth broken(Circuit plan, Random random, List<Fault> into) {
        double total = plan.runs().stream().mapToDouble(Run::lengthM).sum();
        Place at = place(plan, random, total);
        double ohm = random.nextDouble() < 0.75 ? Double.POSITIVE_INFINITY : 2000 * Math.pow(5, random.nextDouble());
        into.add(new Fault(Fault.Kind.BREAK, at, ohm));
        return new Truth("break", at.runId(), at.distanceM(), at.distanceM(), ohm, -1);
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

    /** So many cases over all plans. */
    static List<Case> all(int count, long seed, Bench bench) {
        List<Circuit> plans = plans();
        return java.util.stream.IntStream.range(0, count)
                .parallel()
                .mapToObj(i -> drawn(
                        String.format(
                                Locale.ROOT,
                                "%s-%03d",
                                plans.get(i % plans.size()).name(),
                                i),
                        plans.get(i % plans.size()),
                        seed + i,
                        bench))
                .toList();
    }
}
