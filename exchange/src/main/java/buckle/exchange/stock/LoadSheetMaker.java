package buckle.exchange.stock;

import buckle.message.Dialect;
import buckle.message.English;
import buckle.price.Price.Bought;
import buckle.price.Price.Material;
import buckle.price.Purchase;
import buckle.site.BadInput;
import buckle.stock.LoadSheet;
import buckle.stock.LoadSheet.Line;
import buckle.stock.LoadSheet.Order;
import buckle.stock.LoadSheet.Planned;
import buckle.stock.LoadSheet.Source;
import buckle.stock.Loading;
import buckle.stock.StockLot;
import buckle.units.UnitSystem;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** Makes out a load sheet from what has to be bought and what lies in the yard, with every word that stands on it. */
public final class LoadSheetMaker {
    private LoadSheetMaker() {}

    /** Whose it is. */
    public record Heading(String job, String client, String property, int planRevision, String currency) {}

    /** @throws BadInput where there is nothing to load */
    public static LoadSheet of(Heading heading, Purchase purchase, List<StockLot> yard, UnitSystem units) {
        List<Line> lines = new ArrayList<>();
        for (Loading.Taken t : Loading.of(purchase.material(), yard)) {
            lines.add(line(lines.size() + 1, t, units));
        }
        if (lines.isEmpty()) {
            throw new BadInput("sheet.empty", "plan", "There is nothing to load yet: lay out a line first.");
        }
        List<Planned> planned = purchase.material().stream()
                .filter(m -> !m.made())
                .map(m -> new Planned(
                        m.product(), English.text(m.name(), units), m.byMetre(), m.counted(), m.spare(), m.allowance()))
                .toList();
        return new LoadSheet(
                heading.job(),
                heading.client(),
                heading.property(),
                heading.planRevision(),
                units,
                heading.currency(),
                planned,
                lines,
                purchase.deliveries());
    }

    private static Line line(int number, Loading.Taken t, UnitSystem units) {
        Material m = t.material();
        Optional<Order> order = t.bought()
                .map((Bought b) -> new Order(b.supplier(), b.code(), b.pack(), b.count(), b.price(), b.cost()));
        return new Line(
                number,
                t.use(),
                t.bay(),
                m.product(),
                English.text(m.name(), units),
                Dialect.text(m.uses().getFirst().group().text(), units),
                m.byMetre(),
                t.lengthM(),
                t.pieces(),
                t.amount(),
                m.unitKg().isPresent()
                        ? OptionalDouble.of(m.unitKg().getAsDouble() * t.amount())
                        : OptionalDouble.empty(),
                new Source(t.place(), order));
    }
}
