package buckle.exchange.paper;

import buckle.layout.CutOutPlace;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.message.Dialect;
import buckle.readings.FaultSearch.Action;
import buckle.readings.FaultSearch.Branch;
import buckle.readings.FaultSearch.NextStep;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalDouble;

/** The first steps of a search, with what to do after each outcome: a sheet to take along where no screen works. */
public final class DecisionTreePdf {
    private final Layout layout;
    private final UnitSystem units;

    private DecisionTreePdf(Layout layout, UnitSystem units) {
        this.layout = layout;
        this.units = units;
    }

    /**
     * A box of the tree.
     *
     * @param rows how many ends lie behind it
     */
    public record TreeCell(String outcome, String step, String minutes, int rows) {}

    /** From left to right; what stands there from the row above is left out. */
    public record TreeRow(List<TreeCell> cells) {}

    /** The sheet. */
    public static byte[] write(String job, LocalDate since, Layout layout, Branch tree, UnitSystem units, Paper paper) {
        DecisionTreePdf pdf = new DecisionTreePdf(layout, units);
        List<TreeRow> rows = new ArrayList<>();
        List<TreeCell> first = new ArrayList<>();
        rows.add(new TreeRow(first));
        pdf.add(tree, "Begin at the energizer", rows, first);
        Map<String, Object> values = Map.of(
                "paper",
                paper,
                "job",
                job,
                "since",
                since.toString(),
                "rows",
                rows,
                "all",
                pdf.all(tree),
                "earth",
                Dialect.text("earth", units));
        return Pdf.render(Template.filled("decision-tree.peb", values), Map.of());
    }

    private void add(Branch b, String outcome, List<TreeRow> rows, List<TreeCell> row) {
        row.add(new TreeCell(
                outcome, Dialect.text(step(b.step()), units), minutes(b.step().minutes()), b.ends()));
        for (int i = 0; i < b.then().size(); i++) {
            Branch next = b.then().get(i);
            List<TreeCell> into = row;
            if (i > 0) {
                into = new ArrayList<>();
                rows.add(new TreeRow(into));
            }
            add(next, outcome(b.step(), next), rows, into);
        }
    }

    private static String outcome(NextStep before, Branch b) {
        String chance = String.format(Locale.ROOT, " (%d %%)", Math.round(100 * b.chance()));
        if (before.action() == Action.LOOK_OVER || before.action() == Action.ENERGIZER) {
            return "nothing found" + chance;
        }
        OptionalDouble to = b.toV();
        if (to.isEmpty()) {
            return "over " + kilo(b.fromV()) + " kV" + chance;
        }
        return b.fromV() == 0
                ? "up to " + kilo(to.getAsDouble()) + " kV" + chance
                : kilo(b.fromV()) + " to " + kilo(to.getAsDouble()) + " kV" + chance;
    }

    private static String kilo(double volts) {
        return String.format(Locale.ROOT, "%.1f", volts / 1000);
    }

    private static String minutes(double minutes) {
        return "then " + Math.round(minutes) + " min in the mean";
    }

    private String step(NextStep s) {
        String line = s.lineId().map(this::name).orElse("");
        return switch (s.action()) {
            case READ -> "Read on " + line + " at " + at(s.fromM()) + ".";
            case OPEN ->
                "Open " + cutOut(s.cutOut().orElse("")) + ", read on its live side on " + line + " at " + at(s.fromM())
                        + ", close it again.";
            case LOOK_OVER -> "Look over " + line + " from " + at(s.fromM()) + " to " + at(s.toM()) + ".";
            case ENERGIZER -> "Go over energizer, supply, ground rods and their leads.";
        };
    }

    private String at(double stationM) {
        return Lengths.whole(stationM, units);
    }

    private String name(String lineId) {
        return layout.lines().stream()
                .filter(l -> l.lineId().equals(lineId))
                .map(LineLayout::name)
                .findFirst()
                .orElse(lineId);
    }

    private String cutOut(String id) {
        return layout.lines().stream()
                .flatMap(l -> l.cutOuts().stream())
                .filter(c -> c.id().equals(id))
                .map(CutOutPlace::name)
                .findFirst()
                .orElse(id);
    }

    private String all(Branch tree) {
        double metres = layout.lines().stream().mapToDouble(LineLayout::lengthM).sum();
        return Lengths.whole(metres, units) + " of fence; "
                + minutes(tree.step().minutes()) + " until the fault is found";
    }
}
