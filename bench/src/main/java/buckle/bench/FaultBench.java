package buckle.bench;

import buckle.diagnosis.Diagnosis;
import buckle.diagnosis.Diagnostician;
import buckle.diagnosis.Hunt;
import buckle.exchange.Json;
import buckle.exchange.cli.KnownHunts;
import buckle.power.Energizers;
import buckle.pulse.Circuit;
import buckle.pulse.Fault;
import buckle.pulse.LineModel;
import buckle.pulse.LineType;
import buckle.pulse.LineWire;
import buckle.pulse.Meter;
import buckle.pulse.Place;
import buckle.pulse.Run;
import buckle.simulation.DrawnHunt;
import buckle.simulation.HuntScore;
import buckle.simulation.KnownHunt;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;

/** How far faults are found right: on the kept hunts by ngspice, and on a thousand of our own. */
public final class FaultBench {
    private static final int SIMULATED = 1000;

    private FaultBench() {}

    /** @param args {@code faults}, then how many of our own; by default a thousand */
    static void run(String[] args) throws IOException {
        List<KnownHunt> kept = new ArrayList<>();
        for (String file : List.of("hunts.json", "other-hunts.json")) {
            kept.addAll(KnownHunts.read(Json.parse(Files.readAllBytes(Path.of("bench", file)))));
        }
        score("by ngspice", kept);
        int count = args.length > 1 ? Integer.parseInt(args[1]) : SIMULATED;
        if (count > 0) {
            Scores own = score("our own", HuntCases.all(HuntCases.plans(), count, 1000, DrawnHunt::solved));
            if (count >= SIMULATED) {
                Path drawing = Path.of("docs", "faults-reliability.svg");
                Files.writeString(drawing, drawn(own));
                System.out.println("Reliability drawn to " + drawing);
            }
        }
        large();
    }

    private record Scores(HuntScore volts, HuntScore currents) {}

    /** Twenty kilometres with kilovolts at every end of a run and a leak: how long an answer takes. */
    private static void large() {
        double[] anew = new double[15];
        double[] more = new double[anew.length];
        for (int i = 0; i < anew.length; i++) {
            // Each a fence of its own, of which nothing is remembered.
            Circuit own = twentyKilometres(5e-7 + 1e-9 * i);
            List<Meter> meters = own.runs().stream()
                    .<Meter>map(r -> new Meter.Volts(new Place(r.id(), r.lengthM())))
                    .toList();
            Circuit faulty = own.withFaults(List.of(new Fault(Fault.Kind.SHUNT, new Place("r6", 700), 400)));
            List<Hunt.Reading> now = read(faulty, meters);
            Hunt hunt =
                    new Hunt(own, Hunt.MeterNoise.USUAL, read(own, meters), now.subList(0, now.size() - 1), List.of());
            anew[i] = seconds(hunt);
            more[i] = seconds(hunt.withNow(now));
        }
        Arrays.sort(anew);
        Arrays.sort(more);
        System.out.printf(
                Locale.ROOT,
                "Faults on 20 km: %.0f ms with 9 readings, all computed anew (median of %d, goal 5 s), %.0f ms more with the tenth (goal 120 ms)%n",
                1000 * anew[anew.length / 2],
                anew.length,
                1000 * more[more.length / 2]);
    }

    private static Circuit twentyKilometres(double leakSPerM) {
        LineType type = LineType.overGround(
                List.of(new LineWire(0.5, 0.0025, 0.034, 100, true), new LineWire(0.9, 0.0025, 0.034, 100, true)),
                leakSPerM,
                100);
        List<Run> runs = new ArrayList<>();
        for (int i = 0; i < 10; i++) {
            runs.add(Run.of("r" + i, i == 0 ? Optional.empty() : Optional.of("r" + (i - 1) / 2), 2000, type));
        }
        return new Circuit(
                "20 km",
                LineModel.FREQUENCY_DEPENDENT,
                Energizers.GENERIC.get(8).source(),
                6,
                false,
                runs,
                List.of());
    }

    private static double seconds(Hunt hunt) {
        long begun = System.nanoTime();
        Diagnostician.of(hunt);
        return (System.nanoTime() - begun) / 1e9;
    }

    private static List<Hunt.Reading> read(Circuit circuit, List<Meter> meters) {
        double[] volts = DrawnHunt.solved(circuit, meters);
        List<Hunt.Reading> all = new ArrayList<>();
        for (int i = 0; i < volts.length; i++) {
            all.add(new Hunt.Reading(
                    Optional.of(((Meter.Volts) meters.get(i)).at()),
                    OptionalDouble.of(100 * Math.rint(volts[i] / 100)),
                    OptionalDouble.empty(),
                    true,
                    Set.of(),
                    false));
        }
        return all;
    }

    /** What stretches are said to hold, across, and how often the fault lay within them, up. */
    private static String drawn(Scores scores) {
        StringBuilder svg = new StringBuilder("<svg xmlns=\"http://www.w3.org/2000/svg\" viewBox=\"0 0 320 300\""
                + " font-family=\"sans-serif\" font-size=\"11\"><rect width=\"320\" height=\"300\" fill=\"#fff\"/>"
                + "<path d=\"M40 260H260V40\" fill=\"none\" stroke=\"#bbb\"/><path d=\"M40 260V40M40 260L260 40\""
                + " fill=\"none\" stroke=\"#bbb\"/>");
        for (int i = 0; i <= 10; i += 2) {
            svg.append(String.format(
                    Locale.ROOT,
                    "<text x=\"%d\" y=\"275\" text-anchor=\"middle\">%d</text><text x=\"34\" y=\"%d\" text-anchor=\"end\">%d</text>",
                    40 + 22 * i,
                    10 * i,
                    264 - 22 * i,
                    10 * i));
        }
        svg.append("<text x=\"150\" y=\"292\" text-anchor=\"middle\">% that stretches are said to hold</text>"
                + "<text x=\"40\" y=\"28\">% that held the fault</text>");
        svg.append(line(scores.volts().reliability(), "#a33a0b", "", 120, "kV alone"));
        svg.append(line(scores.currents().reliability(), "#1b232c", "5 3", 138, "currents too"));
        return svg.append("</svg>\n").toString();
    }

    private static String line(List<Double> held, String ink, String dash, int at, String name) {
        StringBuilder d = new StringBuilder("M40 260");
        for (int i = 0; i < held.size(); i++) {
            d.append(String.format(Locale.ROOT, "L%d %.1f", 62 + 22 * i, 260 - 220 * held.get(i)));
        }
        return String.format(
                Locale.ROOT,
                "<path d=\"%s\" fill=\"none\" stroke=\"%s\" stroke-width=\"2\" stroke-dasharray=\"%s\"/>"
                        + "<path d=\"M50 %dh22\" stroke=\"%s\" stroke-width=\"2\" stroke-dasharray=\"%s\"/><text x=\"78\" y=\"%d\">%s</text>",
                d,
                ink,
                dash,
                at - 70,
                ink,
                dash,
                at - 66,
                name);
    }

    private static Scores score(String title, List<KnownHunt> hunts) {
        HuntScore volts = new HuntScore();
        HuntScore currents = new HuntScore();
        long begun = System.nanoTime();
        double worst = 0;
        for (KnownHunt h : hunts) {
            long one = System.nanoTime();
            Diagnosis d = Diagnostician.of(h.hunt());
            worst = Math.max(worst, (System.nanoTime() - one) / 1e9);
            (h.currents() ? currents : volts).add(h, d);
        }
        System.out.printf(
                Locale.ROOT,
                "Faults, %s: %d hunts, %.2f s each, %.1f s at worst%n",
                title,
                hunts.size(),
                (System.nanoTime() - begun) / 1e9 / hunts.size(),
                worst);
        told("kV alone", volts, 0.22, 0.76, 0.04);
        told("currents too", currents, 0.12, 0.85, 0.02);
        return new Scores(volts, currents);
    }

    private static void told(String title, HuntScore s, double region, double run, double off) {
        System.out.printf(
                Locale.ROOT,
                "  %-13s inside %s (88 %%), region %.1f %% (%.0f %%), run first %s (%.0f %%), kind %s (90 %%), leaks under 2 kΩ"
                        + " %.1f %% off (%.0f %%), one of two %s (80 %%), strong missed %d of %d (0), sound called faulty %s (10 %%)%n",
                title,
                part(s.inside()),
                100 * s.region(),
                100 * region,
                part(s.runFirst()),
                100 * run,
                part(s.kinds()),
                100 * s.lowLeakOff(),
                100 * off,
                part(s.pairs()),
                s.strongMissed().yes(),
                s.strongMissed().of(),
                part(s.soundCalledFaulty()));
        StringBuilder tenths = new StringBuilder("                of 10 to 90 % hold");
        s.reliability().forEach(r -> tenths.append(String.format(Locale.ROOT, " %.0f", 100 * r)));
        System.out.println(tenths);
    }

    private static String part(HuntScore.Share s) {
        return String.format(Locale.ROOT, "%.0f %% of %d", 100 * s.part(), s.of());
    }

    /** By itself. */
    public static void main(String[] args) throws IOException {
        run(args);
    }
}
