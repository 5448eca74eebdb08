package buckle.bench;

import buckle.diagnosis.Diagnosis;
import buckle.diagnosis.Diagnostician;
import buckle.exchange.Json;
import buckle.exchange.cli.KnownHunts;
import buckle.simulation.DrawnHunt;
import buckle.simulation.HuntScore;
import buckle.simulation.KnownHunt;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Locale;

/** How far faults are found right: on the kept hunts by ngspice, and on a thousand of our own. */
public final class FaultBench {
    private static final int SIMULATED = 1000;

    private FaultBench() {}

    /** @param args {@code faults}, then how many of our own; by default a thousand */
    static void run(String[] args) throws IOException {
        List<KnownHunt> kept = KnownHunts.read(Json.parse(Files.readAllBytes(Path.of("bench", "hunts.json"))));
        score("by ngspice", kept);
        int count = args.length > 1 ? Integer.parseInt(args[1]) : SIMULATED;
        if (count > 0) score("our own", HuntCases.all(count, 1000, DrawnHunt::solved));
    }

    private static void score(String title, List<KnownHunt> hunts) {
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
