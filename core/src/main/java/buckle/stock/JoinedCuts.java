package buckle.stock;

import buckle.cut.CutOrder;
import buckle.cut.CutOrder.Piece;
import buckle.cut.CutOrder.Stock;
import buckle.cut.CutPlan;
import buckle.cut.CutPlan.Bar;
import buckle.cut.CutPlan.Cut;
import buckle.price.Packs;
import buckle.price.Packs.Pack;
import buckle.site.BadInput;
import buckle.stock.CutList.Aim;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.function.Function;

/**
 * Cuts of what may be joined, wire and conduit: each length goes on from the rest of a coil where that is worth it (S14), or each comes
 * off a coil that is long enough, so that only what is longer than any coil is joined. Never within a brace.
 */
final class JoinedCuts {
    /** A joint stands so far off a brace. */
    private static final int OFF_BRACE_MM = 500;

    private static final int MOST_KINDS = 300;
    private static final int MOST_TRIES = 200;

    private final List<Stock> stock;
    private final int leastRestMm;

    private JoinedCuts(List<Stock> stock, int leastRestMm) {
        this.stock = stock;
        this.leastRestMm = leastRestMm;
    }

    /** A stretch of a length, from its beginning, in which it is never joined. */
    record Zone(int fromMm, int toMm) {}

    /** Alike lengths that are each in one piece or joined. */
    record Run(String label, int lengthMm, int count, List<Zone> unjoined) {
        Run {
            unjoined = List.copyOf(unjoined);
        }
    }

    /** A plan, and how many joints it takes. */
    record Joined(CutPlan plan, int joints) {}

    /**
     * @param leastRestMm a shorter rest is not joined on
     * @return empty where what is sold and lies in the yard is not enough
     */
    static Optional<Joined> of(
            List<Run> runs, List<Stock> stock, int leastRestMm, Aim aim, Function<CutOrder, CutPlan> planner) {
        JoinedCuts cuts = new JoinedCuts(stock, leastRestMm);
        Optional<Joined> found = aim == Aim.FEWEST_JOINTS ? cuts.unjoined(runs, planner) : Optional.empty();
        return found.isPresent() ? found : cuts.goingOn(runs, aim);
    }

    /** Every length off a coil that is long enough; longer ones are joined from whole coils. */
    private Optional<Joined> unjoined(List<Run> runs, Function<CutOrder, CutPlan> planner) {
        OptionalInt longest = stock.stream()
                .filter(s -> s.available().isEmpty())
                .mapToInt(Stock::lengthMm)
                .max();
        if (longest.isEmpty()) {
            return Optional.empty();
        }
        List<Piece> pieces = new ArrayList<>();
        int joints = 0;
        for (Run run : runs) {
            List<Integer> parts = parts(run, longest.getAsInt());
            if (parts.isEmpty()) {
                return Optional.empty();
            }
            joints += (parts.size() - 1) * run.count();
            String label = parts.size() > 1 ? run.label() + ", joined" : run.label();
            parts.forEach(mm -> pieces.add(new Piece(label, mm, run.count())));
        }
        if (pieces.size() > MOST_KINDS) {
            return Optional.empty();
        }
        try {
            return Optional.of(new Joined(planner.apply(new CutOrder(pieces, stock, 0)), joints));
        } catch (BadInput e) {
            return Optional.empty();
        }
    }

    private List<Integer> parts(Run run, int coilMm) {
        List<Integer> parts = new ArrayList<>();
        int done = 0;
        while (run.lengthMm() - done > coilMm) {
            int end = Math.min(done + coilMm, run.lengthMm() - leastRestMm);
            int at = outOfBrace(run, Math.max(done, end));
            if (at <= done) {
                return List.of();
            }
            parts.add(at - done);
            done = at;
        }
        parts.add(run.lengthMm() - done);
        return parts;
    }

    /** The nearest place at or before this one at which a length may be joined. */
    private static int outOfBrace(Run run, int atMm) {
        int at = atMm;
        for (int i = run.unjoined().size() - 1; i >= 0; i--) {
            Zone z = run.unjoined().get(i);
            if (at > z.fromMm() - OFF_BRACE_MM && at < z.toMm() + OFF_BRACE_MM) {
                at = z.fromMm() - OFF_BRACE_MM;
            }
        }
        return at;
    }

    /** From coil to coil in the order in which the fence is wired: the yard's first, then so many bought that they are enough. */
    private Optional<Joined> goingOn(List<Run> runs, Aim aim) {
        long need =
                runs.stream().mapToLong(r -> (long) r.lengthMm() * r.count()).sum();
        List<Stock> coils = new ArrayList<>();
        stock.stream()
                .filter(s -> s.available().isPresent())
                .sorted(Comparator.comparingInt(Stock::lengthMm).reversed())
                .forEach(s -> {
                    for (int i = 0; i < s.available().getAsInt(); i++) {
                        coils.add(s);
                    }
                });
        long yard = coils.stream().mapToLong(Stock::lengthMm).sum();
        List<Stock> sold = stock.stream().filter(s -> s.available().isEmpty()).toList();
        long least = cost(bought(need - yard, sold, aim), aim);
        long open = need - yard;
        for (int tries = 0; tries < MOST_TRIES; tries++) {
            List<Stock> all = new ArrayList<>(coils);
            all.addAll(bought(open, sold, aim));
            Laid laid = new Laid(all);
            long missing = laid.lay(runs);
            if (missing == 0) {
                long cost = cost(laid.opened(), aim);
                return Optional.of(new Joined(new CutPlan(laid.bars(), cost, least, cost <= least), laid.joints));
            }
            if (sold.isEmpty()) {
                return Optional.empty();
            }
            open = Math.max(open, 0) + missing;
        }
        return Optional.empty();
    }

    private static long cost(List<Stock> coils, Aim aim) {
        return coils.stream()
                .filter(s -> s.available().isEmpty())
                .mapToLong(s -> aim == Aim.LEAST_LENGTH ? s.lengthMm() : s.cost())
                .sum();
    }

    /** Coils that cover a length, at least cost or of least length; long ones first. */
    private static List<Stock> bought(long mm, List<Stock> sold, Aim aim) {
        if (mm <= 0 || sold.isEmpty()) {
            return List.of();
        }
        List<Pack> packs = sold.stream()
                .map(s -> Pack.of(
                        BigDecimal.valueOf(s.lengthMm(), 3),
                        aim == Aim.LEAST_LENGTH
                                ? BigDecimal.valueOf(s.lengthMm(), 3)
                                : BigDecimal.valueOf(s.cost(), 2)))
                .toList();
        List<Stock> all = new ArrayList<>();
        Optional<Packs.Mix> mix = Packs.cheapest(BigDecimal.valueOf(mm, 3), packs);
        if (mix.isPresent()) {
            mix.get().taken().forEach(t -> {
                for (int i = 0; i < t.count(); i++) {
                    all.add(sold.get(t.pack()));
                }
            });
        } else {
            Stock best = sold.stream()
                    .min(Comparator.comparingDouble(s -> (double) s.cost() / s.lengthMm()))
                    .orElseThrow();
            for (long done = 0; done < mm; done += best.lengthMm()) {
                all.add(best);
            }
        }
        all.sort(Comparator.comparingInt(Stock::lengthMm).reversed());
        return all;
    }

    /** Coils as they are used up. */
    private final class Laid {
        private final List<Stock> coils;
        private final List<List<Cut>> cuts = new ArrayList<>();
        private int joints;
        private int coil = -1;
        private int restMm;

        Laid(List<Stock> coils) {
            this.coils = coils;
        }

        /** @return what could not be laid, in millimetres; 0 when all is */
        long lay(List<Run> runs) {
            long missing = 0;
            for (Run run : runs) {
                for (int i = 0; i < run.count(); i++) {
                    missing += one(run);
                }
            }
            return missing;
        }

        private int one(Run run) {
            int done = 0;
            while (true) {
                int need = run.lengthMm() - done;
                if (need <= restMm) {
                    cut(done > 0 ? run.label() + ", joined" : run.label(), need);
                    return 0;
                }
                int at = outOfBrace(run, done + restMm);
                if (at - done >= leastRestMm) {
                    cut(run.label() + ", joined", at - done);
                    done = at;
                    joints++;
                }
                if (coil + 1 >= coils.size()) {
                    return run.lengthMm() - done;
                }
                coil++;
                restMm = coils.get(coil).lengthMm();
                cuts.add(new ArrayList<>());
            }
        }

        private void cut(String label, int mm) {
            List<Cut> those = cuts.get(coil);
            restMm -= mm;
            if (!those.isEmpty()
                    && those.getLast().label().equals(label)
                    && those.getLast().lengthMm() == mm) {
                Cut last = those.removeLast();
                those.add(new Cut(label, mm, last.count() + 1));
            } else {
                those.add(new Cut(label, mm, 1));
            }
        }

        /** Coils of which something is cut. */
        List<Stock> opened() {
            List<Stock> all = new ArrayList<>();
            for (int i = 0; i < cuts.size(); i++) {
                if (!cuts.get(i).isEmpty()) {
                    all.add(coils.get(i));
                }
            }
            return all;
        }

        List<Bar> bars() {
            List<Bar> bars = new ArrayList<>();
            for (int i = 0; i < cuts.size(); i++) {
                if (!cuts.get(i).isEmpty()) {
                    Stock s = coils.get(i);
                    int used = cuts.get(i).stream()
                            .mapToInt(c -> c.lengthMm() * c.count())
                            .sum();
                    Bar bar = new Bar(s.id(), s.lengthMm(), cuts.get(i), s.lengthMm() - used, 1);
                    if (!bars.isEmpty() && alike(bars.getLast(), bar)) {
                        Bar last = bars.removeLast();
                        bar = new Bar(bar.stock(), bar.lengthMm(), bar.cuts(), bar.leftMm(), last.times() + 1);
                    }
                    bars.add(bar);
                }
            }
            return bars;
        }

        private static boolean alike(Bar a, Bar b) {
            return a.stock().equals(b.stock()) && a.cuts().equals(b.cuts());
        }
    }
}
