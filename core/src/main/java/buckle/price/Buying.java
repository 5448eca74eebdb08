package buckle.price;

import buckle.material.Conductor;
import buckle.material.Product;
import buckle.material.Use;
import buckle.message.TakeoffMessage;
import buckle.price.Price.Bought;
import buckle.price.Price.Delivery;
import buckle.price.Price.Material;
import buckle.price.PriceBook.Item;
import buckle.price.PriceBook.Offer;
import buckle.price.PriceBook.Supplier;
import buckle.price.PriceBook.Unit;
import buckle.takeoff.TakeoffLine;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Collectors;

/** What is bought where: the cheapest packs for each product, and the suppliers whose freight is worth it. */
final class Buying {
    /** All sets of so many suppliers with freight are tried; of more, the freight is added to what is cheapest without it. */
    private static final int MOST_TRIED = 6;

    private static final BigDecimal M_PER_FT = new BigDecimal("0.3048");

    private final List<Wanted> wanted;
    private final PriceBook book;
    private final Map<Choice, Optional<Packs.Mix>> known = new HashMap<>();

    private Buying(List<Wanted> wanted, PriceBook book) {
        this.wanted = wanted;
        this.book = book;
    }

    /** The price that was asked for longest ago, of those that are used. */
    record Oldest(String code, String supplier, LocalDate date) {}

    /** All that is bought. */
    record Bill(
            List<Material> material,
            List<Delivery> deliveries,
            Map<String, Long> otherCurrencies,
            Optional<Oldest> oldest) {}

    /** A product, how much of it, and what is offered. */
    private record Wanted(
            String product,
            List<TakeoffLine> lines,
            double counted,
            double spare,
            double allowance,
            double onHand,
            boolean substitute,
            List<OnSale> offers) {
        /** What has to be bought. */
        double need() {
            return counted + spare + allowance - fromYard();
        }

        double fromYard() {
            return Math.min(onHand, counted + spare + allowance);
        }

        boolean byMetre() {
            return lines.getFirst().use().byMetre();
        }

        List<OnSale> from(Set<String> suppliers) {
            return offers.stream().filter(o -> suppliers.contains(o.supplier())).toList();
        }
    }

    /** A pack of an item at a supplier, with its prices by number, and the newest of them first. */
    private record OnSale(
            String code, String supplier, String pack, BigDecimal size, OptionalDouble unitKg, List<Offer> prices) {
        Packs.Pack asPack() {
            return new Packs.Pack(
                    size,
                    prices.stream()
                            .map(o -> new Packs.Break(Math.max(1, o.fromPacks()), o.price()))
                            .toList());
        }

        Offer at(int count) {
            return prices.stream()
                    .filter(o -> o.fromPacks() <= count)
                    .max(Comparator.comparingInt(Offer::fromPacks))
                    .orElse(prices.getFirst());
        }
    }

    private record Choice(String product, Set<String> suppliers) {}

    /** @param onHand what lies in the yard by product, which is used first */
    static Bill of(List<TakeoffLine> takeoff, PriceBook book, Rates rates, Map<String, Double> onHand) {
        Map<String, List<Item>> serving = new HashMap<>();
        Map<String, List<Item>> standIns = new HashMap<>();
        for (Item item : book.items()) {
            if (!item.product().isBlank() && !item.offers().isEmpty()) {
                serving.computeIfAbsent(item.product(), p -> new ArrayList<>()).add(item);
            }
            item.substituteFor()
                    .forEach(p ->
                            standIns.computeIfAbsent(p, k -> new ArrayList<>()).add(item));
        }
        Map<String, Long> others = new LinkedHashMap<>();
        Map<String, List<TakeoffLine>> products = new LinkedHashMap<>();
        takeoff.forEach(l -> products.computeIfAbsent(l.product().id(), p -> new ArrayList<>())
                .add(l));
        List<Wanted> wanted = new ArrayList<>();
        products.forEach((product, lines) -> {
            boolean made = lines.stream().allMatch(l -> l.use().made());
            List<OnSale> offers = made ? List.of() : onSale(serving.getOrDefault(product, List.of()), book, others);
            boolean substitute = false;
            if (offers.isEmpty() && !made) {
                offers = onSale(standIns.getOrDefault(product, List.of()), book, others);
                substitute = !offers.isEmpty();
            }
            wanted.add(
                    wanted(product, lines, substitute, offers, rates.allowances(), onHand.getOrDefault(product, 0.0)));
        });
        return new Buying(wanted, book).bill(others);
    }

    private static Wanted wanted(
            String product,
            List<TakeoffLine> lines,
            boolean substitute,
            List<OnSale> offers,
            Rates.Allowances allowances,
            double onHand) {
        double counted = lines.stream().mapToDouble(TakeoffLine::counted).sum();
        double spare = lines.stream().mapToDouble(TakeoffLine::spare).sum();
        // Coils in the yard are cut too: with them the lengths alone are covered.
        spare = onHand > 0 ? spare : Math.max(spare, opened(lines, offers) - counted);
        double percent = lines.getFirst().use().made() ? 0 : percent(product, lines.getFirst(), allowances);
        double extra = counted * percent / 100;
        boolean metres = lines.getFirst().use().byMetre();
        // Small parts are rounded up; of a few posts none more is loaded.
        boolean post = lines.getFirst().product() instanceof Product.PostOf;
        double allowance =
                metres ? Math.ceil(extra * 10 - 1e-9) / 10 : post ? Math.rint(extra) : Math.ceil(extra - 1e-9);
        return new Wanted(product, lines, counted, spare, allowance, onHand, substitute, offers);
    }

    /** Coils are cut pull by pull: a little more than all but one of them, where they are sold in that size; 0 otherwise. */
    private static double opened(List<TakeoffLine> lines, List<OnSale> offers) {
        double coils = 0;
        double sizeM = 0;
        for (TakeoffLine line : lines) {
            if (line.use().isWire() && line.pack().isPresent()) {
                coils += line.pack().get().count();
                sizeM = line.pack().get().size();
            }
        }
        double coilM = sizeM;
        boolean sold = offers.stream().anyMatch(o -> Math.abs(o.size().doubleValue() - coilM) < 1);
        return sold && coils > 1 ? (coils - 1) * coilM + 1 : 0;
    }

    /** Nothing more is loaded of things that are bought one by one. */
    private static double percent(String product, TakeoffLine line, Rates.Allowances allowances) {
        return allowances.own().stream()
                .filter(o -> o.product().equals(product))
                .findFirst()
                .map(o -> o.percent().doubleValue())
                .orElseGet(() -> switch (Kind.of(line.use(), line.product())) {
                    case POSTS -> allowances.postsPercent().doubleValue();
                    case WIRE -> allowances.wirePercent().doubleValue();
                    case SMALL -> allowances.smallPartsPercent().doubleValue();
                    case CABLE -> allowances.cablePercent().doubleValue();
                    case SINGLE -> 0.0;
                });
    }

    private enum Kind {
        POSTS,
        WIRE,
        SMALL,
        CABLE,
        SINGLE;

        static Kind of(Use use, Product product) {
            if (product instanceof Product.PostOf || product instanceof Product.Rail) {
                return POSTS;
            }
            if (use.isWire() || use == Use.BRACE_WIRE || use == Use.TIE_WIRE || use == Use.GATE_WIRE) {
                return product instanceof Product.WireOf(var conductor) && conductor.family() == Conductor.Family.NET
                        ? SINGLE
                        : WIRE;
            }
            if (use.byMetre()) {
                return CABLE;
            }
            return switch (use.group()) {
                case POSTS, WIRE -> SMALL;
                case GATES -> use == Use.ELBOW || use == Use.CABLE_MARK ? SMALL : SINGLE;
                case FEED -> SINGLE;
                case SIGNS -> SMALL;
            };
        }
    }

    private static List<OnSale> onSale(List<Item> items, PriceBook book, Map<String, Long> others) {
        record Key(String supplier, String pack, BigDecimal size) {}
        List<OnSale> all = new ArrayList<>();
        for (Item item : items) {
            Map<Key, List<Offer>> packs = new LinkedHashMap<>();
            for (Offer offer : item.offers()) {
                if (!offer.currency().isBlank() && !offer.currency().equals(book.currency())) {
                    others.merge(offer.currency(), 1L, Long::sum);
                    continue;
                }
                BigDecimal size = item.unit() == Unit.FT ? offer.packSize().multiply(M_PER_FT) : offer.packSize();
                packs.computeIfAbsent(
                                new Key(offer.supplier(), offer.pack(), size.stripTrailingZeros()),
                                k -> new ArrayList<>())
                        .add(offer);
            }
            packs.forEach((k, offers) ->
                    all.add(new OnSale(item.code(), k.supplier(), k.pack(), k.size(), unitKg(item), newest(offers))));
        }
        return all;
    }

    /** Of a piece or a metre. */
    private static OptionalDouble unitKg(Item item) {
        return item.unit() == Unit.FT && item.unitKg().isPresent()
                ? OptionalDouble.of(item.unitKg().getAsDouble() / M_PER_FT.doubleValue())
                : item.unitKg();
    }

    /** Of several prices from the same number on, the one of the latest date. */
    private static List<Offer> newest(List<Offer> offers) {
        return List.copyOf(offers.stream()
                .collect(Collectors.toMap(
                        Offer::fromPacks, o -> o, (a, b) -> b.date().isBefore(a.date()) ? a : b, TreeMap::new))
                .values());
    }

    private Bill bill(Map<String, Long> others) {
        Set<String> all = wanted.stream()
                .flatMap(w -> w.offers().stream())
                .map(OnSale::supplier)
                .collect(Collectors.toCollection(TreeSet::new));
        Map<String, BigDecimal> freight = new HashMap<>();
        for (Supplier s : book.suppliers()) {
            if (s.freight().signum() > 0 && all.contains(s.name())) {
                freight.put(s.name(), s.freight());
            }
        }
        Set<String> best = all;
        if (!freight.isEmpty() && freight.size() <= MOST_TRIED) {
            best = cheapestOf(all, List.copyOf(new TreeSet<>(freight.keySet())), freight);
        }
        return billed(best, freight, others);
    }

    /** Suppliers without freight are always asked; of the others, the set with the least sum that has all that anybody has. */
    private Set<String> cheapestOf(Set<String> all, List<String> paid, Map<String, BigDecimal> freight) {
        Set<String> best = all;
        Optional<BigDecimal> least = Optional.empty();
        for (int mask = 0; mask < 1 << paid.size(); mask++) {
            Set<String> some = new TreeSet<>(all);
            BigDecimal sum = BigDecimal.ZERO;
            for (int i = 0; i < paid.size(); i++) {
                if ((mask & 1 << i) == 0) {
                    some.remove(paid.get(i));
                } else {
                    sum = sum.add(freight.get(paid.get(i)));
                }
            }
            boolean whole = true;
            for (Wanted w : wanted) {
                Optional<Packs.Mix> mix = mix(w, some);
                if (mix.isEmpty() && mix(w, all).isPresent()) {
                    whole = false;
                    break;
                }
                sum = sum.add(mix.map(Packs.Mix::cost).orElse(BigDecimal.ZERO));
            }
            if (whole && (least.isEmpty() || sum.compareTo(least.get()) < 0)) {
                least = Optional.of(sum);
                best = some;
            }
        }
        return best;
    }

    private Optional<Packs.Mix> mix(Wanted w, Set<String> suppliers) {
        List<OnSale> offers = w.from(suppliers);
        Set<String> those = offers.stream().map(OnSale::supplier).collect(Collectors.toSet());
        return known.computeIfAbsent(
                new Choice(w.product(), those),
                c -> Packs.cheapest(
                        BigDecimal.valueOf(w.need()),
                        offers.stream().map(OnSale::asPack).toList()));
    }

    private Bill billed(Set<String> suppliers, Map<String, BigDecimal> freight, Map<String, Long> others) {
        List<Material> material = new ArrayList<>();
        Set<String> used = new TreeSet<>();
        List<Oldest> dates = new ArrayList<>();
        for (Wanted w : wanted) {
            List<OnSale> offers = w.from(suppliers);
            Optional<Packs.Mix> mix = mix(w, suppliers);
            List<Bought> bought = new ArrayList<>();
            for (Packs.Taken t : mix.map(Packs.Mix::taken).orElse(List.of())) {
                OnSale sale = offers.get(t.pack());
                Offer offer = sale.at(t.count());
                bought.add(new Bought(
                        sale.code(),
                        sale.supplier(),
                        sale.pack(),
                        sale.size().doubleValue(),
                        t.count(),
                        t.price(),
                        t.cost(),
                        offer.taxClass()));
                used.add(sale.supplier());
                dates.add(new Oldest(sale.code(), sale.supplier(), offer.date()));
            }
            double taken = w.fromYard()
                    + bought.stream().mapToDouble(b -> b.packSize() * b.count()).sum();
            material.add(new Material(
                    w.product(),
                    w.lines().size() == 1
                            ? w.lines().getFirst().name()
                            : new TakeoffMessage.Bought(w.lines().getFirst().product()),
                    w.lines().getFirst().item(),
                    w.lines().stream().map(TakeoffLine::use).toList(),
                    w.byMetre(),
                    w.counted(),
                    w.spare(),
                    w.allowance(),
                    w.substitute() && !bought.isEmpty(),
                    bought,
                    mix.map(Packs.Mix::cost).orElse(BigDecimal.ZERO).setScale(2, RoundingMode.HALF_UP),
                    bought.isEmpty() ? 0 : Math.max(0, Math.round((taken - w.counted()) * 1000) / 1000.0),
                    offers.stream()
                            .map(OnSale::unitKg)
                            .filter(OptionalDouble::isPresent)
                            .findFirst()
                            .orElse(w.lines().getFirst().product().unitKg())));
        }
        List<Delivery> deliveries = used.stream()
                .filter(freight::containsKey)
                .map(s -> new Delivery(s, Objects.requireNonNull(freight.get(s))))
                .toList();
        return new Bill(material, deliveries, others, dates.stream().min(Comparator.comparing(Oldest::date)));
    }
}
