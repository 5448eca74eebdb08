package buckle.practice;

import buckle.rulebook.Values;
import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;

/**
 * A question that has one answer.
 *
 * @param given numbers it is asked about
 * @param choices to choose from; of {@link Kind#LIVE} pairs of first and last live section, one after the other
 * @param right number of the right choice, from 0
 */
public record Drill(Kind kind, List<Double> given, List<Double> choices, int right) {
    public Drill {
        given = List.copyOf(given);
        choices = List.copyOf(choices);
    }

    /** What is asked. */
    public enum Kind {
        /** Sections in a row, the one that is fed, the switches that are open: which are live. */
        LIVE,
        /** Four strain insulators: at which the loops do not cross inside (I2). */
        STRAIN_INSULATOR,
        /** Metres of fence and the switches there are: where the next parts the longest stretch in half. */
        NEXT_CUT_OUT,
        /** Sides of a rectangle: its diagonal. */
        SQUARE,
        /** Joules: how many rods of 6 ft (G4). */
        RODS
    }

    private static final double ROD_M = Lengths.ft(6);
    private static final int CHOICES = 4;

    /** The same seed asks the same. */
    public static Drill of(Kind kind, long seed) {
        Random random = new Random((seed * 31 + kind.ordinal()) * 0x9E3779B97F4A7C15L);
        return switch (kind) {
            case LIVE -> live(random);
            case STRAIN_INSULATOR -> {
                int wrong = random.nextInt(CHOICES);
                yield new Drill(kind, List.of((double) wrong), List.of(0.0, 1.0, 2.0, 3.0), wrong);
            }
            case NEXT_CUT_OUT -> nextCutOut(random);
            case SQUARE -> square(random);
            case RODS -> rods(random);
        };
    }

    private static Drill live(Random random) {
        int sections = 4 + random.nextInt(3);
        int fed = random.nextInt(sections);
        List<Double> given = new ArrayList<>(List.of((double) sections, (double) fed));
        int first = 0;
        int last = sections - 1;
        // A switch stands between section i and i + 1.
        for (int i = 0; i < sections - 1; i++) {
            if (random.nextInt(3) == 0) {
                given.add((double) i);
                if (i < fed) {
                    first = i + 1;
                } else {
                    last = Math.min(last, i);
                }
            }
        }
        List<double[]> pairs = new ArrayList<>(List.of(new double[] {first, last}));
        for (double[] p : List.of(
                new double[] {0, sections - 1.0},
                new double[] {0, last},
                new double[] {first, sections - 1.0},
                new double[] {fed, fed},
                new double[] {0, fed},
                new double[] {fed, sections - 1.0})) {
            if (pairs.size() < CHOICES && pairs.stream().noneMatch(q -> q[0] == p[0] && q[1] == p[1])) {
                pairs.add(p);
            }
        }
        double[] answer = pairs.getFirst();
        Collections.shuffle(pairs, random);
        List<Double> choices = new ArrayList<>();
        pairs.forEach(p -> choices.addAll(List.of(p[0], p[1])));
        return new Drill(Kind.LIVE, given, choices, pairs.indexOf(answer));
    }

    private static Drill nextCutOut(Random random) {
        double length = 100 * (6 + random.nextInt(10));
        List<Double> cuts = new ArrayList<>();
        int n = 1 + random.nextInt(2);
        for (int i = 0; i < n; i++) {
            cuts.add(50.0 * (1 + random.nextInt((int) (length / 50) - 1)));
        }
        cuts.sort(Double::compare);
        double from = 0;
        double best = 0;
        double most = -1;
        List<Double> ends = new ArrayList<>(cuts);
        ends.add(length);
        boolean tie = false;
        for (double end : ends) {
            double stretch = end - from;
            tie = tie && stretch <= most || stretch == most;
            if (stretch > most) {
                most = stretch;
                best = (from + end) / 2;
                tie = false;
            }
            from = end;
        }
        if (tie) {
            return nextCutOut(random);
        }
        List<Double> given = new ArrayList<>(List.of(length));
        given.addAll(cuts);
        return chosen(
                Kind.NEXT_CUT_OUT, given, best, random, List.of(length / 2, length - 50, 50.0, best / 2, best + 100));
    }

    private static Drill square(Random random) {
        double a = 3 + random.nextInt(12);
        double b = 3 + random.nextInt(12);
        double diagonal = Math.hypot(a, b);
        return chosen(
                Kind.SQUARE,
                List.of(a, b),
                diagonal,
                random,
                List.of(a + b, (a + b) / 2 + 0.5, diagonal * 1.06, Math.max(a, b)));
    }

    private static Drill rods(Random random) {
        double joules = 1 + random.nextInt(12);
        double rods = Math.ceil(Values.G4_ROD_M_PER_J * joules / ROD_M - 1e-9);
        return chosen(
                Kind.RODS,
                List.of(joules),
                rods,
                random,
                List.of(rods + 1, rods + 3, Math.max(1, rods - 2), joules * 2));
    }

    private static Drill chosen(Kind kind, List<Double> given, double right, Random random, List<Double> wrong) {
        List<Double> choices = new ArrayList<>(List.of(right));
        for (double w : wrong) {
            if (choices.size() < CHOICES && choices.stream().noneMatch(c -> Math.abs(c - w) < 0.05)) {
                choices.add(w);
            }
        }
        Collections.shuffle(choices, random);
        return new Drill(kind, given, choices, choices.indexOf(right));
    }
}
