package buckle.stock;

import buckle.cut.CutOrder;
import buckle.cut.CutOrder.Piece;
import buckle.cut.CutOrder.Stock;
import buckle.cut.CutPlan;
import buckle.cut.CutPlanner;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.layout.PostKind;
import buckle.material.Fitting;
import buckle.material.PostStock;
import buckle.material.Product;
import buckle.material.Use;
import buckle.price.PriceBook;
import buckle.price.PriceBook.Item;
import buckle.price.PriceBook.Offer;
import buckle.price.PriceBook.Unit;
import buckle.rulebook.Values;
import buckle.spec.Spec;
import buckle.stock.JoinedCuts.Run;
import buckle.takeoff.Part;
import buckle.takeoff.Parts;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.OptionalLong;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.BiFunction;
import java.util.function.DoubleConsumer;
import java.util.function.Function;

/**
 * What of a fence is cut to length, and from what: timber and pipe posts, rails, cable, conduit and wire; first from what lies in the
 * yard, then from what is sold at least cost. Conduit and wire may be joined, wire never within a brace (S14).
 */
public final class CutList {
    /** What the saw takes is less than the tape's error on a post. */
    private static final int SAW_MM = 0;

    /** Shorter ends of conduit are not worth a coupling. Ours. */
    private static final int LEAST_CONDUIT_MM = 300;

    private static final double MM = 1000;
    private static final BigDecimal MM_PER_FT = new BigDecimal("304.8");
    private static final Set<Fitting> BY_LENGTH = EnumSet.of(
            Fitting.GATE_CABLE, Fitting.LEAD_OUT_CABLE, Fitting.GROUND_LEAD, Fitting.SUPPLY_CABLE, Fitting.LEAD);

    private static final String YARD = "yard: ";
    private static final String SOLD = "sold: ";

    private CutList() {}

    /** Whether a bar lies in the yard. */
    public static boolean inYard(CutPlan.Bar bar) {
        return bar.stock().startsWith(YARD);
    }

    /** Its place in the yard, or the code by which it is sold. */
    public static String from(CutPlan.Bar bar) {
        return bar.stock().substring(YARD.length(), bar.stock().lastIndexOf(' '));
    }

    /** What is kept small. */
    public enum Aim {
        /** Money; what lies in the yard costs nothing. */
        LEAST_COST,
        /** Length that is bought, so that little is left over. */
        LEAST_LENGTH,
        /** Joints of wire and conduit; then money. */
        FEWEST_JOINTS
    }

    /**
     * One material with its plan.
     *
     * @param plan its cost and bound are cents, or millimetres bought, as was aimed for
     * @param cents what is bought costs
     * @param eachCents cost when each piece is bought in the length that fits it; empty where one of them is not sold, and of what
     *     may be joined
     * @param joints of wire or conduit; empty of what is never joined
     */
    public record Sheet(
            String material, String name, CutPlan plan, long cents, OptionalLong eachCents, OptionalInt joints) {}

    /** What cannot be planned: nothing as long as a piece is sold or lies in the yard. */
    public record Missing(String name, int lengthMm) {}

    /** All materials of a fence. */
    public record Plans(List<Sheet> sheets, List<Missing> missing) {
        public Plans {
            sheets = List.copyOf(sheets);
            missing = List.copyOf(missing);
        }
    }

    /**
     * A material and the pieces of it.
     *
     * @param leastRestMm of what may be joined, the shortest rest that is joined on; 0 of what may not
     */
    private record Material(
            String id, String name, Map<String, Map<Integer, Integer>> pieces, List<Run> runs, int leastRestMm) {
        static Material of(String id, String name) {
            return new Material(id, name, new LinkedHashMap<>(), List.of(), 0);
        }

        void add(String label, double lengthM, int count) {
            pieces.computeIfAbsent(label, l -> new TreeMap<>()).merge(mm(lengthM), count, Integer::sum);
        }
    }

    /** @param progress is told shares from 0 to 1 */
    public static Plans of(
            Layout layout, Spec spec, PriceBook book, List<StockLot> yard, Aim aim, DoubleConsumer progress) {
        return of(layout, spec, book, yard, aim, CutPlanner::plan, progress);
    }

    /** @param planner plans one material, telling its progress */
    public static Plans of(
            Layout layout,
            Spec spec,
            PriceBook book,
            List<StockLot> yard,
            Aim aim,
            BiFunction<CutOrder, DoubleConsumer, CutPlan> planner,
            DoubleConsumer progress) {
        Map<String, Material> materials = materials(layout, spec);
        List<Sheet> sheets = new ArrayList<>();
        List<Missing> missing = new ArrayList<>();
        int done = 0;
        for (Material m : materials.values()) {
            double from = (double) done++ / materials.size();
            double share = 1.0 / materials.size();
            List<Stock> stock = stock(m.id(), book, yard);
            Function<CutOrder, CutPlan> told = o -> planner.apply(o, s -> progress.accept(from + share * s));
            if (m.leastRestMm() > 0) {
                JoinedCuts.of(m.runs(), stock, m.leastRestMm(), aim, told)
                        .ifPresentOrElse(
                                j -> sheets.add(new Sheet(
                                        m.id(),
                                        m.name(),
                                        j.plan(),
                                        cents(j.plan(), stock),
                                        OptionalLong.empty(),
                                        OptionalInt.of(j.joints()))),
                                () -> missing.add(new Missing(m.name(), longestMm(m.runs()))));
                continue;
            }
            List<Piece> pieces = possible(m, stock, missing);
            if (!pieces.isEmpty()) {
                CutPlan plan = told.apply(new CutOrder(pieces, aimed(stock, aim), SAW_MM));
                sheets.add(new Sheet(
                        m.id(), m.name(), plan, cents(plan, stock), each(pieces, stock), OptionalInt.empty()));
            }
        }
        return new Plans(sheets, missing);
    }

    /** Of pieces that are longer than anything sold, one for each bar of the yard that is long enough; longest first. */
    private static List<Piece> possible(Material m, List<Stock> stock, List<Missing> missing) {
        List<Piece> all = new ArrayList<>();
        m.pieces().forEach((label, lengths) -> lengths.forEach((mm, count) -> all.add(new Piece(label, mm, count))));
        all.sort(Comparator.comparingInt(Piece::lengthMm).reversed());
        List<Piece> pieces = new ArrayList<>();
        int taken = 0;
        for (Piece p : all) {
            List<Stock> enough =
                    stock.stream().filter(s -> s.lengthMm() >= p.lengthMm()).toList();
            int count = p.count();
            if (enough.stream().noneMatch(s -> s.available().isEmpty())) {
                int bars =
                        enough.stream().mapToInt(s -> s.available().orElse(0)).sum();
                count = Math.clamp(bars - taken, 0, p.count());
                taken += count;
            }
            if (count < p.count()) {
                missing.add(new Missing(m.name(), p.lengthMm()));
            }
            if (count > 0) {
                pieces.add(new Piece(p.label(), p.lengthMm(), count));
            }
        }
        return pieces;
    }

    private static List<Stock> aimed(List<Stock> stock, Aim aim) {
        return aim != Aim.LEAST_LENGTH
                ? stock
                : stock.stream()
                        .map(s -> new Stock(
                                s.id(), s.lengthMm(), s.available().isPresent() ? 0 : s.lengthMm(), s.available()))
                        .toList();
    }

    private static long cents(CutPlan plan, List<Stock> stock) {
        Map<String, Long> cents = new LinkedHashMap<>();
        stock.forEach(s -> cents.put(s.id(), s.cost()));
        return plan.bars().stream()
                .mapToLong(b -> cents.getOrDefault(b.stock(), 0L) * b.times())
                .sum();
    }

    private static Map<String, Material> materials(Layout layout, Spec spec) {
        Map<String, Material> all = new LinkedHashMap<>();
        for (LineLayout line : layout.lines()) {
            for (Post p : line.posts()) {
                boolean sawn = p.stock().family() == PostStock.Family.TIMBER
                        || p.stock().family() == PostStock.Family.PIPE;
                if (sawn && !p.shared() && !p.reused()) {
                    String product = new Product.PostOf(p.stock(), 1).id();
                    String id = product.substring(0, product.lastIndexOf('.'));
                    all.computeIfAbsent(id, i -> Material.of(i, p.stock().text()))
                            .add(p.kind().text(), lengthM(p), 1);
                }
            }
        }
        List<Part> parts = Parts.of(layout, spec);
        for (Part part : parts) {
            if (part.product() instanceof Product.Rail(double lengthM)) {
                all.computeIfAbsent("rail", i -> Material.of(i, "rail"))
                        .add("rail", lengthM, (int) Math.round(part.quantity()));
            }
            if (part.product() instanceof Product.Piece(Fitting fitting)
                    && BY_LENGTH.contains(fitting)
                    && part.terms() instanceof Part.Terms.Metres m
                    && m.wires() > 0) {
                all.computeIfAbsent(part.product().id(), i -> Material.of(i, fitting.text()))
                        .add(fitting.text(), part.quantity() / m.wires(), (int) m.wires());
            }
        }
        WireRunCuts.of(layout, parts)
                .forEach((product, runs) -> all.put(
                        product.id(),
                        new Material(
                                product.id(),
                                product.conductor().text(),
                                Map.of(),
                                runs,
                                mm(Values.S14_LEAST_REST_M))));
        conduit(parts).ifPresent(runs -> {
            Product product = Product.of(Fitting.CONDUIT);
            all.put(product.id(), new Material(product.id(), Fitting.CONDUIT.text(), Map.of(), runs, LEAST_CONDUIT_MM));
        });
        return all;
    }

    /** Under gates and up the posts beside them; straight lengths are put together with couplings. */
    private static Optional<List<Run>> conduit(List<Part> parts) {
        List<Run> runs = parts.stream()
                .filter(p -> p.product() instanceof Product.Piece(Fitting f) && f == Fitting.CONDUIT)
                .map(p -> {
                    long count = p.terms() instanceof Part.Terms.Metres m ? Math.max(1, m.wires()) : 1;
                    return new Run(
                            p.use() == Use.RISER ? "up the post" : "under the gate",
                            mm(p.quantity() / count),
                            (int) count,
                            List.of());
                })
                .filter(r -> r.lengthMm() > 0)
                .toList();
        return runs.isEmpty() ? Optional.empty() : Optional.of(runs);
    }

    private static int longestMm(List<Run> runs) {
        return runs.stream().mapToInt(Run::lengthMm).max().orElse(0);
    }

    /** Gate posts are not cut: they stay as long as P13 and the job's units have them sold. */
    private static double lengthM(Post post) {
        return post.kind() == PostKind.GATE ? post.stockM() : post.lengthM();
    }

    /** To the nearest, as the ids of products have it: 8 ft are 2,438. */
    private static int mm(double lengthM) {
        return (int) Math.round(lengthM * MM);
    }

    /** Lengths that are sold of a material at the least price of one, and what lies in the yard. */
    private static List<Stock> stock(String material, PriceBook book, List<StockLot> yard) {
        Map<Integer, Stock> sold = new TreeMap<>();
        for (Item item : book.items()) {
            lengthOf(material, item.product()).ifPresent(fixed -> {
                for (Offer o : item.offers()) {
                    if (!o.currency().isBlank() && !o.currency().equals(book.currency())) {
                        continue;
                    }
                    int mm = fixed > 0 ? fixed : rollMm(item, o);
                    if (mm < 1 || mm > CutOrder.LONGEST_MM) {
                        continue;
                    }
                    BigDecimal one = fixed > 0 ? o.price().divide(o.packSize(), 4, RoundingMode.HALF_UP) : o.price();
                    long cents = one.movePointRight(2)
                            .setScale(0, RoundingMode.HALF_UP)
                            .longValueExact();
                    sold.merge(
                            mm,
                            new Stock(SOLD + item.code() + " " + mm, mm, cents, OptionalInt.empty()),
                            (a, b) -> a.cost() <= b.cost() ? a : b);
                }
            });
        }
        List<Stock> all = new ArrayList<>();
        for (StockLot lot : yard) {
            lengthOf(material, lot.product()).ifPresent(fixed -> {
                int mm = fixed > 0 ? fixed : mm(lot.lengthM());
                if (mm > 0 && mm <= CutOrder.LONGEST_MM && lot.pieces() > 0) {
                    all.add(new Stock(YARD + lot.place() + " " + mm, mm, 0, OptionalInt.of((int) lot.pieces())));
                }
            });
        }
        all.addAll(sold.values());
        return all;
    }

    /** Length in the product's id; 0 where each pack has its own; empty for another material. */
    private static Optional<Integer> lengthOf(String material, String product) {
        if (product.equals(material)) {
            return Optional.of(0);
        }
        if (!product.startsWith(material + ".")) {
            return Optional.empty();
        }
        String rest = product.substring(material.length() + 1);
        return rest.matches("\\d{1,8}") ? Optional.of(Integer.valueOf(rest)) : Optional.empty();
    }

    private static int rollMm(Item item, Offer o) {
        BigDecimal unit = item.unit() == Unit.FT ? MM_PER_FT : BigDecimal.valueOf(MM);
        return o.packSize().multiply(unit).setScale(0, RoundingMode.HALF_UP).intValue();
    }

    /** Every piece out of a length of its own, the cheapest that is long enough. */
    private static OptionalLong each(List<Piece> pieces, List<Stock> stock) {
        long sum = 0;
        for (Piece p : pieces) {
            OptionalLong one = stock.stream()
                    .filter(s -> s.available().isEmpty() && s.lengthMm() >= p.lengthMm())
                    .mapToLong(Stock::cost)
                    .min();
            if (one.isEmpty()) {
                return OptionalLong.empty();
            }
            sum += one.getAsLong() * p.count();
        }
        return OptionalLong.of(sum);
    }
}
