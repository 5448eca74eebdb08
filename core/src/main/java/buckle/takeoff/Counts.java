package buckle.takeoff;

import buckle.layout.GatePlace;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.layout.PostKind;
import buckle.layout.Pull;
import buckle.material.Conductor;
import buckle.material.PostStock;
import buckle.site.GateKind;
import buckle.spec.Build;
import buckle.spec.Spec;
import buckle.spec.WireRole;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.function.ToLongFunction;

/** The numbers the takeoff multiplies, counted once from the layout, line by line since lines differ in wires. */
record Counts(List<Line> lines, double widestM, double leastM) {
    /** A cut-out this near a strong post is mounted on it, where the wires end anyway. */
    private static final double AT_POST_M = 1;

    /**
     * One line.
     *
     * @param straight posts that wires pass without turning, by what they are made of
     * @param braced pulls with a brace whose diagonal or rail the wires pass
     * @param turning posts that wires pass and turn at
     * @param inside posts that wires pass on the inside of the turn, so that they pull off the post
     * @param brackets posts of an old fence that carry brackets
     * @param cutThrough cut-outs that stand within a pull, so that the hot wires are cut there
     */
    record Line(
            LineLayout layout,
            Build.WirePlan conductors,
            Map<PostStock.Family, Long> straight,
            long braced,
            long turning,
            long inside,
            long brackets,
            long cutThrough,
            int hot,
            int earth,
            int plain) {
        /** Wires that hang on insulators: nets hang on their own posts. */
        int insulated() {
            return conductors.hot().family() == Conductor.Family.NET ? 0 : hot;
        }

        long straight(PostStock.Family family) {
            return straight.getOrDefault(family, 0L);
        }

        int pulls() {
            return layout.pulls().size();
        }

        int wires() {
            return hot + earth + plain;
        }

        int held() {
            return earth + plain;
        }

        /** Posts on which earth and plain wires are fastened, by whether they are stapled there. */
        long fastened(boolean stapled) {
            long all = 0;
            for (var family : straight.entrySet()) {
                boolean takes = !family.getKey().holdsWires() && family.getKey().stapled() == stapled;
                all += takes ? family.getValue() : 0;
            }
            return all + (stapled ? turning + inside + brackets : 0);
        }

        double slopeM() {
            return layout.pulls().stream().mapToDouble(Pull::slopeLengthM).sum();
        }

        int count(WireRole role) {
            return switch (role) {
                case HOT -> hot;
                case EARTH -> earth;
                case PLAIN -> plain;
            };
        }
    }

    static Counts of(Layout layout, Spec spec) {
        double widest = 0;
        double least = Double.POSITIVE_INFINITY;
        List<Line> lines = new ArrayList<>();
        for (LineLayout line : layout.lines()) {
            Map<PostStock.Family, Long> straight = new EnumMap<>(PostStock.Family.class);
            long turning = 0;
            long inside = 0;
            long brackets = 0;
            List<Post> posts = line.posts();
            for (int i = 0; i < posts.size(); i++) {
                Post b = posts.get(i);
                if (!b.ends()) {
                    boolean old = b.shared() && (b.kind().spaced() || b.kind() == PostKind.LIGHT);
                    boolean turns = Math.abs(b.deflectionDeg()) >= spec.braces().strongerFromDeg();
                    brackets += old ? 1 : 0;
                    turning += !old && turns && !b.wiresInside() ? 1 : 0;
                    inside += !old && turns && b.wiresInside() ? 1 : 0;
                    if (!old && !turns) {
                        straight.merge(b.stock().family(), 1L, Long::sum);
                    }
                }
                if (i > 0 && (posts.get(i - 1).kind().spaced() || b.kind().spaced())) {
                    double gap = b.stationM() - posts.get(i - 1).stationM();
                    widest = Math.max(widest, gap);
                    least = Math.min(least, gap);
                }
            }
            lines.add(new Line(
                    line,
                    spec.forLine(line.lineId()).build().wires(),
                    straight,
                    braced(line),
                    turning,
                    inside,
                    brackets,
                    line.cutOuts().stream()
                            .filter(c -> posts.stream()
                                    .noneMatch(b -> b.ends() && Math.abs(b.stationM() - c.stationM()) <= AT_POST_M))
                            .count(),
                    line.schedule().count(WireRole.HOT),
                    line.schedule().count(WireRole.EARTH),
                    line.schedule().count(WireRole.PLAIN)));
        }
        return new Counts(lines, widest, widest == 0 ? 0 : least);
    }

    /** Two braces for each pull, in order. */
    private static long braced(LineLayout line) {
        long braced = 0;
        for (int k = 0; k < line.pulls().size(); k++) {
            boolean one = line.braces().get(2 * k).load().railM() > 0;
            boolean other = line.braces().get(2 * k + 1).load().railM() > 0;
            braced += one || other ? 1 : 0;
        }
        return braced;
    }

    /** A product summed over the lines, and how it reads. */
    record Sum(long total, String text) {
        /** As a factor: a sum stands in brackets. */
        String factor() {
            return text.contains(" + ") ? "(" + text + ")" : text;
        }
    }

    /** {@code 3 hot wires × 21 posts passed}, with one term for each number of wires. */
    Sum sum(ToLongFunction<Line> wires, String wireNoun, ToLongFunction<Line> things, String thingNoun) {
        java.util.TreeMap<Long, Long> terms = new java.util.TreeMap<>();
        for (Line line : lines) {
            if (wires.applyAsLong(line) > 0 && things.applyAsLong(line) > 0) {
                terms.merge(wires.applyAsLong(line), things.applyAsLong(line), Long::sum);
            }
        }
        long total = 0;
        List<String> parts = new ArrayList<>();
        for (var term : terms.entrySet()) {
            total += term.getKey() * term.getValue();
            parts.add(Tally.plural(term.getKey(), wireNoun) + " × "
                    + (thingNoun.contains(" ")
                            ? term.getValue() + " " + thingNoun
                            : Tally.plural(term.getValue(), thingNoun)));
        }
        return new Sum(total, String.join(" + ", parts));
    }

    Sum perPull(ToLongFunction<Line> wires, String wireNoun) {
        return sum(wires, wireNoun, Line::pulls, "pull");
    }

    long pulls() {
        return lines.stream().mapToInt(Line::pulls).sum();
    }

    List<Gated> gates(GateKind kind) {
        List<Gated> gates = new ArrayList<>();
        for (Line line : lines) {
            for (GatePlace gate : line.layout().gates()) {
                if (gate.kind() == kind) {
                    gates.add(new Gated(gate, line));
                }
            }
        }
        return gates;
    }

    /** A gate with the line it is in. */
    record Gated(GatePlace gate, Line line) {}
}
