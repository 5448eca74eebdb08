package buckle.stock;

import buckle.material.Use;
import buckle.price.Price.Bought;
import buckle.price.Price.Material;
import buckle.stock.LoadSheet.Bay;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What is taken from where for a fence: the yard first, then what was bought. */
public final class Loading {
    private Loading() {}

    /**
     * A product from one place.
     *
     * @param bought packs of a supplier; empty of what lies in the yard and of what nobody prices
     * @param use order in which it is used, 1 first
     */
    public record Taken(
            Material material,
            int use,
            Bay bay,
            double lengthM,
            long pieces,
            double amount,
            String place,
            Optional<Bought> bought) {}

    /** Amounts by product in the yard. */
    public static Map<String, Double> onHand(List<StockLot> yard) {
        Map<String, Double> all = new HashMap<>();
        yard.forEach(l -> all.merge(l.product(), l.amount(), Double::sum));
        return all;
    }

    /** @param material with what is bought of each beside what the yard has */
    public static List<Taken> of(List<Material> material, List<StockLot> yard) {
        List<Taken> all = new ArrayList<>();
        for (Material m : material) {
            if (m.made()) {
                continue;
            }
            int use = m.uses().getFirst().group().ordinal() + 1;
            Bay bay = bay(m.uses().getFirst());
            double need = m.counted() + m.spare() + m.allowance();
            List<StockLot> lots =
                    yard.stream().filter(l -> l.product().equals(m.product())).toList();
            double open = need;
            for (StockLot lot : taken(lots, need)) {
                open -= lot.amount();
                all.add(new Taken(
                        m, use, bay, lot.lengthM(), lot.pieces(), lot.amount(), lot.place(), Optional.empty()));
            }
            if (m.bought().isEmpty() && open > StockBooking.FINE) {
                // Nobody prices it; it has to be on the truck all the same.
                double length = m.byMetre() ? Math.ceil(open * 10 - 1e-9) / 10 : 0;
                double some = m.byMetre() ? length : Math.ceil(open - 1e-9);
                all.add(new Taken(m, use, bay, length, m.byMetre() ? 1 : Math.round(some), some, "", Optional.empty()));
            }
            for (Bought b : m.bought()) {
                // A pack of pieces is loaded as so many pieces; a coil keeps its length.
                double lengthM = m.byMetre() ? b.packSize() : 0;
                double amount = b.packSize() * b.count();
                long pieces = m.byMetre() ? b.count() : Math.round(amount);
                all.add(new Taken(m, use, bay, lengthM, pieces, amount, "", Optional.of(b)));
            }
        }
        all.sort(Comparator.comparingInt(Taken::use));
        return all;
    }

    /**
     * Lots that cover what is needed: long ones first, so that little is joined; for what is still open at the end the shortest that is
     * enough; and none that the others make idle.
     */
    static List<StockLot> taken(List<StockLot> lots, double need) {
        List<StockLot> longest = lots.stream()
                .filter(l -> l.pieces() > 0)
                .sorted(Comparator.comparingDouble(StockLot::lengthM).reversed().thenComparing(StockLot::place))
                .toList();
        Map<StockLot, Long> pieces = new HashMap<>();
        double open = need;
        for (StockLot lot : longest) {
            long some = Math.min(lot.pieces(), (long) Math.floor(open / oneOf(lot) + 1e-9));
            pieces.put(lot, some);
            open -= some * oneOf(lot);
        }
        if (open > StockBooking.FINE) {
            for (StockLot lot : longest.reversed()) {
                if (lot.pieces() > pieces.getOrDefault(lot, 0L) && oneOf(lot) >= open) {
                    pieces.merge(lot, 1L, Long::sum);
                    open -= oneOf(lot);
                    break;
                }
            }
            for (StockLot lot : longest.reversed()) {
                long idle = Math.min(
                        pieces.getOrDefault(lot, 0L), (long) Math.floor(Math.max(0, -open) / oneOf(lot) + 1e-9));
                pieces.merge(lot, -idle, Long::sum);
                open += idle * oneOf(lot);
            }
        }
        List<StockLot> all = new ArrayList<>();
        for (StockLot lot : longest) {
            long some = pieces.getOrDefault(lot, 0L);
            if (some > 0) {
                all.add(new StockLot(lot.product(), lot.lengthM(), lot.place(), some * oneOf(lot)));
            }
        }
        return all;
    }

    private static double oneOf(StockLot lot) {
        return lot.lengthM() > 0 ? lot.lengthM() : 1;
    }

    private static Bay bay(Use use) {
        return switch (use) {
            case ENERGIZER, BATTERY, CHARGE_CONTROLLER -> Bay.CAB;
            case CONCRETE, BATTERY_BOX -> Bay.HEADBOARD;
            case RAIL, DIAGONAL, BACK_STAKE, GROUND_ROD, CONDUIT, RISER, PANEL -> Bay.BED;
            case SWING_GATE, SLIDING_GATE, RIGID_GATE, CREEK_PART, GATE_NETTING -> Bay.TAIL;
            default ->
                use.group() == Use.Group.POSTS && use.id().startsWith("post.") && use != Use.POST_CAP
                        ? Bay.BED
                        : use.isWire() ? Bay.HEADBOARD : Bay.BOXES;
        };
    }
}
