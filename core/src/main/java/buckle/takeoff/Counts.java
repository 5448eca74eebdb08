package buckle.takeoff;

import buckle.layout.GatePlace;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.layout.PostKind;
import buckle.layout.Pull;
import buckle.site.GateKind;
import buckle.spec.Build;
import buckle.spec.Spec;
import buckle.spec.WireRole;
import java.util.ArrayList;
import java.util.List;
import java.util.function.ToLongFunction;

/** The numbers the takeoff multiplies, counted once from the layout, line by line since lines differ in wires. */
record Counts(List<Line> lines, double widestM, double leastM) {
    /**
     * One line.
     *
     * @param straight posts that wires pass without turning
     * @param turning posts that wires pass and turn at
     * @param inside posts that wires pass on the inside of the turn, so that they pull off the post
     * @param brackets posts of an old fence that carry brackets
     */
    record Line(
            LineLayout layout,
            Build.WirePlan conductors,
            long straight,
            long turning,
            long inside,
            long brackets,
            int hot,
            int earth,
            int plain) {
        int pulls() {
            return layout.pulls().size();
        }

        int wires() {
            return hot + earth + plain;
        }

        int held() {
            return earth + plain;
        }

        long passed() {
            return straight + turning + inside + brackets;
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
            long straight = 0;
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
                    straight += !old && !turns ? 1 : 0;
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
                    turning,
                    inside,
                    brackets,
                    line.schedule().count(WireRole.HOT),
                    line.schedule().count(WireRole.EARTH),
                    line.schedule().count(WireRole.PLAIN)));
        }
        return new Counts(lines, widest, widest == 0 ? 0 : least);
    }

    /** A product summed over the lines, and how it reads. */
    record Sum(long total, String text) {}

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
