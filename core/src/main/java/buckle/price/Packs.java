package buckle.price;

import buckle.task.Cancellation;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * The cheapest mix of packs that covers a quantity. Exact: a dynamic program over quantities in the greatest common part of the pack
 * sizes, with each price break as a way to begin on a pack.
 */
public final class Packs {
    /** Prices are told to a hundredth of a cent at most. */
    static final int PRICE_SCALE = 4;
    /** Sizes are told to the thousandth. */
    static final int SIZE_SCALE = 3;
    /** More than any takeoff needs; asked for more, the sizes are too fine for the quantity. */
    static final int MOST_STATES = 1_000_000;

    private static final long NEVER = Long.MAX_VALUE / 4;

    private Packs() {}

    /**
     * A pack at a price.
     *
     * @param breaks prices by the number of packs from which they hold, one of them from 1 on unless fewer are not sold
     */
    public record Pack(BigDecimal size, List<Break> breaks) {
        public Pack {
            breaks = List.copyOf(breaks);
        }

        /** A pack with one price. */
        public static Pack of(BigDecimal size, BigDecimal price) {
            return new Pack(size, List.of(new Break(1, price)));
        }
    }

    /** A price from a number of packs on, for all of them. */
    public record Break(int from, BigDecimal price) {}

    /** So many of a pack, by its place in the list that was asked. */
    public record Taken(int pack, int count, BigDecimal price) {
        /** What they cost together. */
        public BigDecimal cost() {
            return price.multiply(BigDecimal.valueOf(count));
        }
    }

    /** What is taken, what that costs, and what is left over. */
    public record Mix(List<Taken> taken, BigDecimal cost, BigDecimal left) {
        public Mix {
            taken = List.copyOf(taken);
        }
    }

    /** Covers at least a quantity; empty when there is no pack, or the sizes are too fine for so much. */
    public static Optional<Mix> cheapest(BigDecimal quantity, List<Pack> packs) {
        if (packs.isEmpty() || packs.stream().allMatch(p -> p.breaks().isEmpty())) {
            return Optional.empty();
        }
        if (quantity.signum() <= 0) {
            return Optional.of(new Mix(List.of(), BigDecimal.ZERO, BigDecimal.ZERO));
        }
        return new Program(quantity, packs).solved();
    }

    /** A pack at one price: at least {@code from} of them, or none. */
    private record Way(int pack, int from, long size, long price) {
        double perUnit() {
            return (double) price / size;
        }
    }

    private static final class Program {
        private final BigDecimal quantity;
        private final List<Pack> packs;
        private final List<Way> ways = new ArrayList<>();
        private final long grain;
        private final long wanted;

        Program(BigDecimal quantity, List<Pack> packs) {
            this.quantity = quantity;
            this.packs = packs;
            grain = packs.stream()
                    .map(p -> BigInteger.valueOf(scaled(p.size(), SIZE_SCALE)))
                    .reduce(BigInteger.ZERO, BigInteger::gcd)
                    .longValueExact();
            long thousandths = quantity.setScale(SIZE_SCALE, RoundingMode.CEILING)
                    .unscaledValue()
                    .longValueExact();
            wanted = (thousandths + grain - 1) / grain;
            for (int i = 0; i < packs.size(); i++) {
                for (Break b : packs.get(i).breaks()) {
                    ways.add(new Way(
                            i,
                            Math.max(1, b.from()),
                            scaled(packs.get(i).size(), SIZE_SCALE) / grain,
                            scaled(b.price(), PRICE_SCALE)));
                }
            }
        }

        private static long scaled(BigDecimal value, int scale) {
            return value.setScale(scale, RoundingMode.HALF_UP).unscaledValue().longValueExact();
        }

        Optional<Mix> solved() {
            Way best = ways.stream()
                    .min(Comparator.comparingDouble(Way::perUnit)
                            .thenComparingInt(Way::from)
                            .thenComparingLong(Way::size))
                    .orElseThrow();
            // Of any other pack, as many as the best one has units could be swapped for the best at no more cost; so
            // few of them are taken.
            double others = 0;
            for (Way w : ways) {
                others += ((double) w.from() + best.size()) * w.size();
            }
            long bulk = 0;
            if (others < wanted) {
                bulk = Math.max(0, (long) ((wanted - others) / best.size()));
                if (bulk < best.from()) {
                    bulk = 0;
                }
            }
            long rest = wanted - bulk * best.size();
            if (rest > MOST_STATES) {
                return Optional.empty();
            }
            int[] counts = counts(Math.toIntExact(rest), bulk > 0 ? best : null);
            int b = ways.indexOf(best);
            counts[b] = Math.toIntExact(counts[b] + bulk);
            return Optional.of(mix(counts));
        }

        /** How many of each way cover {@code rest}; a way that is taken in bulk anyway may be begun with one. */
        private int[] counts(int rest, @Nullable Way begun) {
            long[] cost = new long[rest + 1];
            Arrays.fill(cost, NEVER);
            cost[0] = 0;
            List<int[]> steps = new ArrayList<>();
            for (int i = 0; i < ways.size(); ) {
                int end = i;
                while (end < ways.size() && ways.get(end).pack() == ways.get(i).pack()) {
                    end++;
                }
                long[] next = cost.clone();
                int[] step = new int[rest + 1];
                for (int k = i; k < end; k++) {
                    take(ways.get(k), ways.get(k).equals(begun), k + 1, cost, next, step);
                }
                steps.add(step);
                cost = next;
                i = end;
            }
            return counted(rest, steps);
        }

        /** Where taking packs one way costs less than was known; {@code step} holds way and count, packed. */
        private void take(Way way, boolean begun, int mark, long[] before, long[] next, int[] step) {
            int rest = before.length - 1;
            int from = begun ? 1 : way.from();
            // Least cost with at least {@code from} packs, and how many they are.
            long[] with = new long[rest + 1];
            int[] count = new int[rest + 1];
            long first = from * way.size();
            for (int j = 1; j <= rest; j++) {
                if ((j & 0xFFFF) == 0) {
                    Cancellation.check();
                }
                int back = (int) Math.max(0, j - first);
                with[j] = before[back] >= NEVER ? NEVER : before[back] + from * way.price();
                count[j] = from;
                int one = (int) Math.max(0, j - way.size());
                if (one > 0 && with[one] < NEVER && with[one] + way.price() < with[j]) {
                    with[j] = with[one] + way.price();
                    count[j] = count[one] + 1;
                }
                if (with[j] < next[j]) {
                    next[j] = with[j];
                    step[j] = count[j] * (ways.size() + 1) + mark;
                }
            }
        }

        private int[] counted(int rest, List<int[]> steps) {
            int[] counts = new int[ways.size()];
            long at = rest;
            for (int s = steps.size() - 1; s >= 0 && at > 0; s--) {
                int step = steps.get(s)[(int) at];
                if (step != 0) {
                    int way = step % (ways.size() + 1) - 1;
                    int count = step / (ways.size() + 1);
                    counts[way] += count;
                    at = Math.max(0, at - count * ways.get(way).size());
                }
            }
            return counts;
        }

        private Mix mix(int[] counts) {
            List<Taken> taken = new ArrayList<>();
            BigDecimal cost = BigDecimal.ZERO;
            BigDecimal covered = BigDecimal.ZERO;
            for (int i = 0; i < counts.length; i++) {
                if (counts[i] > 0) {
                    Way way = ways.get(i);
                    Taken one = new Taken(
                            way.pack(),
                            counts[i],
                            BigDecimal.valueOf(way.price(), PRICE_SCALE).stripTrailingZeros());
                    taken.add(one);
                    cost = cost.add(one.cost());
                    covered = covered.add(packs.get(way.pack()).size().multiply(BigDecimal.valueOf(counts[i])));
                }
            }
            return new Mix(taken, cost, covered.subtract(quantity));
        }
    }
}
