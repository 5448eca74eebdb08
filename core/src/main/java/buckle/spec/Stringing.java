package buckle.spec;

import static buckle.spec.Ranges.between;

import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * How wire is run along a line: where it ends, how it is tightened and how its ends are fastened.
 *
 * @param rounds of a wire that runs round and round
 * @param tightener where each wire is tightened
 * @param end how ends are fastened; empty as is usual for the conductor
 * @param handN pull of a wire that is pulled by hand; empty for the usual one
 */
@RecordBuilder
public record Stringing(Way way, int rounds, Tightener tightener, Optional<WireEnd> end, OptionalDouble handN)
        implements StringingBuilder.With {
    /** Ends at each strong post, as most fences of high-tensile wire are built. */
    public static final Stringing USUAL =
            new Stringing(Way.PULL_BY_PULL, 4, Tightener.BY_LENGTH, Optional.empty(), OptionalDouble.empty());

    public Stringing {
        between("fence.stringing.rounds", rounds, 1, WireSchedule.MOST_WIRES);
        handN.ifPresent(n -> between("fence.stringing.handN", n, 5, 2000));
    }

    /** Where a wire ends. */
    public enum Way {
        PULL_BY_PULL("ends at each strong post"),
        RUNS_ON("runs on round corners"),
        OUT_AND_BACK("one wire out and back"),
        ROUND_AND_ROUND("one wire round and round");

        private final String text;

        Way(String text) {
            this.text = text;
        }

        /** In the words of the trade. */
        public String text() {
            return text;
        }

        /** Whether corners end no wire unless somebody says so. */
        public boolean passesCorners() {
            return this != PULL_BY_PULL;
        }

        /** Whether all hot heights are one wire. */
        public boolean oneWire() {
            return this == OUT_AND_BACK || this == ROUND_AND_ROUND;
        }
    }

    /** Where a wire is tightened. */
    public enum Tightener {
        BY_LENGTH("midway in a long pull, at the end of a short one"),
        AT_END("at the end"),
        MIDWAY("one midway on each wire"),
        EACH_SIDE("one on each side"),
        NONE("none, pulled by hand");

        private final String text;

        Tightener(String text) {
            this.text = text;
        }

        /** In the words of the trade. */
        public String text() {
            return text;
        }
    }

    /** How an end is fastened. */
    public enum WireEnd {
        KNOT("knot", 0),
        TWIST("twist", 0),
        ONE_SLEEVE("one sleeve", 1),
        TWO_SLEEVES("two sleeves", 2);

        private final String text;
        private final int sleeves;

        WireEnd(String text, int sleeves) {
            this.text = text;
            this.sleeves = sleeves;
        }

        /** In the words of the trade. */
        public String text() {
            return text;
        }

        /** Crimped on at each end. */
        public int sleeves() {
            return sleeves;
        }
    }

    /**
     * The wires that come of it: round and round, as many heights as rounds, evenly from the lowest wire to the highest. Where
     * all hot heights are one wire, they are as the lowest of them.
     *
     * @param asked heights and roles of the job
     */
    public WireSchedule of(WireSchedule asked) {
        Optional<Wire> one =
                asked.wires().stream().filter(w -> w.role() == WireRole.HOT).findFirst();
        if (way == Way.OUT_AND_BACK && one.isPresent()) {
            return new WireSchedule(
                    asked.preset(),
                    asked.wires().stream()
                            .map(w -> w.role() == WireRole.HOT ? one.get().withHeightM(w.heightM()) : w)
                            .toList());
        }
        if (way != Way.ROUND_AND_ROUND) {
            return asked;
        }
        Wire hot = one.orElse(new Wire(asked.wires().getFirst().heightM(), WireRole.HOT));
        double low = asked.wires().getFirst().heightM();
        double high = rounds == 1 ? low : Math.max(asked.topM(), low + 0.05);
        List<Wire> wires = new ArrayList<>();
        for (int k = 0; k < rounds; k++) {
            wires.add(hot.withHeightM(rounds == 1 ? low : low + (high - low) * k / (rounds - 1)));
        }
        return new WireSchedule(asked.preset(), wires);
    }
}
