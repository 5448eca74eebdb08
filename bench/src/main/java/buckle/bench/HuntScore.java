package buckle.bench;

import buckle.bench.HuntCases.Case;
import buckle.bench.HuntCases.Truth;
import buckle.diagnosis.Diagnosis;
import buckle.diagnosis.Diagnosis.Suspect;
import buckle.diagnosis.Diagnostician;
import buckle.diagnosis.FaultKind;
import buckle.pulse.Run;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** How well diagnoses agree with what was wrong. */
public final class HuntScore {
    private static final double HEALTHY = 0.2;

    private final List<Double> regionShare = new ArrayList<>();
    private final List<Double> placeOff = new ArrayList<>();
    private int cases;
    private int placed;
    private int inside;
    private int runFirst;
    private int kinds;
    private int kindRight;
    private int pairs;
    private int pairHeld;
    private int strong;
    private int missed;
    private int sound;
    private int calledFaulty;
    private final int[][] reliability = new int[11][2];
    private final StringBuilder wrong = new StringBuilder();

    void add(Case c, Diagnosis d) {
        cases++;
        double total = c.hunt().plan().runs().stream().mapToDouble(Run::lengthM).sum();
        double none = d.kinds().getOrDefault(FaultKind.NONE, 0.0);
        if (c.truth().isEmpty()) {
            sound++;
            if (none < HEALTHY) {
                calledFaulty++;
                wrong.append("  faulty though sound: ")
                        .append(c.name())
                        .append(' ')
                        .append(d.kinds())
                        .append('\n');
            }
            return;
        }
        Truth t = c.truth().getFirst();
        if (c.truth().size() == 2) {
            pairs++;
            pairHeld += c.truth().stream().anyMatch(one -> held(one, d)) ? 1 : 0;
            return;
        }
        kinds++;
        boolean right = kindRight(t, d, none);
        kindRight += right ? 1 : 0;
        if (!right) {
            wrong.append("  kind: ")
                    .append(c.name())
                    .append(c.currents() ? " A " : " V ")
                    .append(t)
                    .append(' ')
                    .append(d.kinds())
                    .append('\n');
        }
        boolean isStrong = t.kind().equals("leak") && t.ohm() <= 500
                || t.kind().equals("break") && Double.isInfinite(t.ohm())
                || t.kind().equals("earth")
                || t.kind().equals("supply");
        if (isStrong) {
            strong++;
            if (none >= HEALTHY) {
                missed++;
                wrong.append("  missed: ")
                        .append(c.name())
                        .append(' ')
                        .append(t)
                        .append(' ')
                        .append(d.kinds())
                        .append('\n');
            }
        }
        if (t.run().isEmpty()) {
            return;
        }
        placed++;
        boolean in = held(t, d);
        inside += in ? 1 : 0;
        double size =
                d.region90().stream().mapToDouble(s -> s.toM() - s.fromM()).sum() / total;
        regionShare.add(size);
        reliability(t, d);
        if (!in) {
            wrong.append("  outside: ")
                    .append(c.name())
                    .append(c.currents() ? " A " : " V ")
                    .append(t)
                    .append(' ')
                    .append(d.suspects().isEmpty() ? "" : d.suspects().getFirst())
                    .append('\n');
        }
        String first = d.suspects().stream()
                .filter(s -> s.run().isPresent())
                .findFirst()
                .flatMap(Suspect::run)
                .orElse("");
        runFirst += byRun(d).equals(t.run()) ? 1 : 0;
        if (t.kind().equals("leak") && t.ohm() < 2000) {
            placeOff.add(
                    first.equals(t.run())
                            ? d.suspects().stream()
                                            .filter(s -> s.run().isPresent())
                                            .findFirst()
                                            .map(s -> Math.abs((s.fromM() + s.toM()) / 2 - t.fromM()))
                                            .orElse(total)
                                    / total
                            : distance(c, t, d) / total);
        }
    }

    private static String byRun(Diagnosis d) {
        java.util.Map<String, Double> sum = new java.util.HashMap<>();
        d.density().forEach(x -> sum.merge(x.run(), x.probability(), Double::sum));
        return sum.entrySet().stream()
                .max(java.util.Map.Entry.comparingByValue())
                .map(java.util.Map.Entry::getKey)
                .orElse("");
    }

    /** Along the wire from the best suspect to the truth. */
    private static double distance(Case c, Truth t, Diagnosis d) {
        Suspect s = d.suspects().stream()
                .filter(x -> x.run().isPresent())
                .findFirst()
                .orElse(null);
        if (s == null) {
            return c.hunt().plan().runs().stream().mapToDouble(Run::lengthM).sum();
        }
        List<String> a = up(c, s.run().orElseThrow());
        List<String> b = up(c, t.run());
        double sum = 0;
        for (String r : a) {
            sum += b.contains(r) ? 0 : r.equals(a.getFirst()) ? s.fromM() : length(c, r);
        }
        for (String r : b) {
            sum += a.contains(r) ? 0 : r.equals(b.getFirst()) ? t.fromM() : length(c, r);
        }
        if (a.contains(b.getFirst())) {
            sum += length(c, b.getFirst()) - t.fromM();
        } else if (b.contains(a.getFirst())) {
            sum += length(c, a.getFirst()) - s.fromM();
        }
        return sum;
    }

    private static List<String> up(Case c, String run) {
        List<String> all = new ArrayList<>(List.of(run));
        String at = run;
        while (true) {
            String now = at;
            var parent = c.hunt().plan().runs().stream()
                    .filter(r -> r.id().equals(now))
                    .findFirst()
                    .orElseThrow()
                    .parent();
            if (parent.isEmpty()) {
                return all;
            }
            at = parent.get();
            all.add(at);
        }
    }

    private static double length(Case c, String run) {
        return c.hunt().plan().runs().stream()
                .filter(r -> r.id().equals(run))
                .findFirst()
                .orElseThrow()
                .lengthM();
    }

    private static boolean kindRight(Truth t, Diagnosis d, double none) {
        double leak = d.kinds().getOrDefault(FaultKind.LEAK, 0.0) + d.kinds().getOrDefault(FaultKind.GROWTH, 0.0);
        String best = "leak";
        double most = leak;
        for (FaultKind k : FaultKind.values()) {
            if (k != FaultKind.LEAK && k != FaultKind.GROWTH && d.kinds().getOrDefault(k, 0.0) > most) {
                most = d.kinds().getOrDefault(k, 0.0);
                best = k.name().toLowerCase(Locale.ROOT);
            }
        }
        String is = t.kind().equals("growth") ? "leak" : t.kind();
        return best.equals(is);
    }

    private static boolean held(Truth t, Diagnosis d) {
        return d.region90().stream()
                .anyMatch(s -> s.run().equals(t.run()) && s.toM() >= t.fromM() && s.fromM() <= t.toM());
    }

    /** For each tenth: how often the truth lies within the region that is said to hold so much. */
    private void reliability(Truth t, Diagnosis d) {
        List<Diagnosis.Density> sorted = new ArrayList<>(d.density());
        sorted.sort((a, b) ->
                Double.compare(b.probability() / (b.toM() - b.fromM()), a.probability() / (a.toM() - a.fromM())));
        double before = 0;
        double at = 1;
        for (Diagnosis.Density x : sorted) {
            if (x.run().equals(t.run()) && x.toM() >= t.fromM() && x.fromM() <= t.toM()) {
                at = before + x.probability() / 2;
                break;
            }
            before += x.probability();
        }
        for (int i = 1; i <= 10; i++) {
            reliability[i][0]++;
            reliability[i][1] += at <= i / 10.0 ? 1 : 0;
        }
    }

    private static double median(List<Double> of) {
        List<Double> sorted = new ArrayList<>(of);
        sorted.sort(null);
        return sorted.isEmpty() ? Double.NaN : sorted.get(sorted.size() / 2);
    }

    String told(String title) {
        StringBuilder r = new StringBuilder();
        for (int i = 1; i <= 9; i++) {
            r.append(String.format(
                    Locale.ROOT, " %d", Math.round(100.0 * reliability[i][1] / Math.max(1, reliability[i][0]))));
        }
        return String.format(
                Locale.ROOT,
                "%-14s %d cases: inside %.0f %% of %d, region %.1f %%, run first %.0f %%, kinds %.0f %% of %d, leaks < 2 kΩ %.1f %% off (%d),"
                        + " of two one %d of %d, strong missed %d of %d, sound called faulty %d of %d; of 10 … 90 %% hold%s",
                title,
                cases,
                100.0 * inside / Math.max(1, placed),
                placed,
                100 * median(regionShare),
                100.0 * runFirst / Math.max(1, placed),
                100.0 * kindRight / Math.max(1, kinds),
                kinds,
                100 * median(placeOff),
                placeOff.size(),
                pairHeld,
                pairs,
                missed,
                strong,
                calledFaulty,
                sound,
                r);
    }

    /** @param args how many, seed, {@code ngspice} for its readings, {@code wrong} to list what was wrong */
    public static void main(String[] args) {
        int count = Integer.parseInt(args[0]);
        boolean spice = List.of(args).contains("ngspice");
        long begun = System.nanoTime();
        List<Case> cases =
                HuntCases.all(count, Long.parseLong(args[1]), spice ? HuntCases::byNgspice : HuntCases::solved);
        System.out.printf(Locale.ROOT, "made in %.1f s%n", (System.nanoTime() - begun) / 1e9);
        HuntScore volts = new HuntScore();
        HuntScore currents = new HuntScore();
        double worst = 0;
        begun = System.nanoTime();
        for (Case c : cases) {
            long one = System.nanoTime();
            (c.currents() ? currents : volts).add(c, Diagnostician.of(c.hunt()));
            worst = Math.max(worst, (System.nanoTime() - one) / 1e9);
        }
        System.out.printf(
                Locale.ROOT,
                "diagnosed in %.2f s each, %.1f s at worst%n",
                (System.nanoTime() - begun) / 1e9 / count,
                worst);
        System.out.println(volts.told("kV"));
        System.out.println(currents.told("with currents"));
        if (List.of(args).contains("wrong")) {
            System.out.println("kV\n" + volts.wrong + "A\n" + currents.wrong);
        }
    }
}
