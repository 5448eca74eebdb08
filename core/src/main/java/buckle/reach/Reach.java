package buckle.reach;

import buckle.message.Message;
import buckle.takeoff.TakeoffLine;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * What lies in a heap against what a fence takes.
 *
 * @param lines products of the heap that the fence takes, the one that binds first
 * @param besides what the fence takes and the heap has none of, for it was never meant to
 * @param unused ids of what the heap has and the fence does not take
 */
public record Reach(List<Line> lines, List<Line> besides, List<String> unused) {
    static final int MOST_ITEMS = 500;
    static final double MOST_QUANTITY = 10_000_000;

    public Reach {
        lines = List.copyOf(lines);
        besides = List.copyOf(besides);
        unused = List.copyOf(unused);
    }

    /**
     * A product, and how far it reaches.
     *
     * @param need counted, with what rules add to that
     */
    public record Line(String product, Message name, boolean byMetre, double have, double need) {
        /** What is missing. */
        public double shortBy() {
            return Math.max(0, need - have);
        }

        /** What is left over. */
        public double left() {
            return Math.max(0, have - need);
        }

        /** How much of what is needed is there. */
        public double share() {
            return need <= 0 ? Double.POSITIVE_INFINITY : have / need;
        }
    }

    /** Something in a heap. */
    public record HeapItem(String product, double quantity) {}

    /** A heap against a takeoff. */
    public static Reach of(List<HeapItem> heap, List<TakeoffLine> takeoff) {
        Map<String, Double> have = new LinkedHashMap<>();
        heap.forEach(i -> have.merge(i.product(), i.quantity(), Double::sum));
        Map<String, Line> lines = new LinkedHashMap<>();
        for (TakeoffLine t : takeoff) {
            if (!t.use().made()) {
                String id = t.product().id();
                lines.merge(
                        id,
                        new Line(id, t.name(), t.use().byMetre(), have.getOrDefault(id, 0.0), t.quantity()),
                        (a, b) -> new Line(id, a.name(), a.byMetre(), a.have(), a.need() + b.need()));
            }
        }
        List<Line> held = new ArrayList<>();
        List<Line> besides = new ArrayList<>();
        lines.forEach((id, line) -> (have.containsKey(id) ? held : besides).add(line));
        held.sort(Comparator.comparingDouble(Line::share));
        return new Reach(
                held,
                besides,
                have.keySet().stream().filter(id -> !lines.containsKey(id)).toList());
    }

    /** Whether everything the heap is meant for is enough. */
    public boolean reaches() {
        return lines.stream().allMatch(l -> l.shortBy() <= 1e-6);
    }

    /** What runs out first. */
    public Optional<Line> binds() {
        return lines.stream().findFirst();
    }

    /**
     * How often a length goes round.
     *
     * @param leftM beyond the last whole round
     */
    public record Rounds(int rounds, double leftM) {}

    /** Round and round with what there is. */
    public static Rounds rounds(double haveM, double aroundM) {
        if (!(aroundM > 0) || haveM < 0) {
            throw new IllegalArgumentException("a ring has a length, and what is there is not less than nothing");
        }
        int rounds = (int) Math.floor(haveM / aroundM + 1e-9);
        return new Rounds(rounds, Math.max(0, haveM - rounds * aroundM));
    }

    /**
     * A row of posts set out by steps.
     *
     * @param posts from the first on, every so many steps
     * @param leftM from the last of them to the end
     */
    public record Paced(int posts, double leftM) {}

    /** @param everyM length of the steps from post to post together */
    public static Paced paced(double lengthM, double everyM) {
        if (!(everyM > 0) || !(lengthM >= 0)) {
            throw new IllegalArgumentException("a row has a length, and its posts stand apart");
        }
        int gaps = (int) Math.floor(lengthM / everyM + 1e-9);
        return new Paced(gaps + 1, Math.max(0, lengthM - gaps * everyM));
    }

    /** From post to post when so many stand on a line: all round they have as many gaps, else one fewer. */
    public static double spacingM(double lengthM, int posts, boolean closed) {
        int gaps = closed ? posts : posts - 1;
        if (gaps < 1) {
            throw new IllegalArgumentException("a line takes two posts, a ring one");
        }
        return lengthM / gaps;
    }
}
