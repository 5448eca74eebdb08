package buckle.exchange.paper;

import buckle.circuit.Electrics;
import buckle.circuit.Electrics.Candidate;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.message.Dialect;
import buckle.message.English;
import buckle.message.Message;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;

/** “Why this energizer” on paper, for the client: what was compared, the weakest point, the earth, the supply. */
public final class EnergizerPdf {
    private final UnitSystem units;
    private final List<LineLayout> lines;
    private final Electrics electrics;

    private EnergizerPdf(UnitSystem units, List<LineLayout> lines, Electrics electrics) {
        this.units = units;
        this.lines = lines;
        this.electrics = electrics;
    }

    /** An energizer as the table has it. */
    public record Row(
            boolean picked,
            boolean recommended,
            boolean over5J,
            String name,
            String outJ,
            String cleanKv,
            String likelyKv,
            String heavyKv,
            String drawW,
            String price,
            String rods) {}

    /** An assumption as the table has it. */
    public record AssumedRow(String name, String likely, String low, String high, String weakestKv) {}

    /** @param e with every part */
    public static byte[] write(String job, UnitSystem units, Layout layout, Electrics e, Paper paper) {
        EnergizerPdf pdf = new EnergizerPdf(units, layout.lines(), e);
        return Pdf.render(Template.filled("energizer.peb", pdf.values(job, paper)), Map.of());
    }

    private Map<String, Object> values(String job, Paper paper) {
        Electrics.Energizers compared = electrics.energizers().orElseThrow();
        return Map.of(
                "paper", paper,
                "job", job,
                "why", why(compared),
                "candidates", compared.candidates().stream().map(this::row).toList(),
                "earth", Dialect.text(earth(electrics.earth().orElseThrow()), units),
                "earthHeading", Dialect.text("Earth", units),
                "power", text(electrics.supply().orElseThrow().says()),
                "assumed", electrics.assumed().stream().map(this::row).toList(),
                "findings",
                        electrics.allFindings().stream()
                                .map(f -> f.text(units) + " (" + f.rule() + ")")
                                .toList());
    }

    private List<String> why(Electrics.Energizers compared) {
        List<String> says = new ArrayList<>();
        Optional<Candidate> chosen = compared.candidates().stream()
                .filter(c -> electrics.chosen() && c.plate().equals(electrics.energizer()))
                .findFirst();
        chosen.ifPresent(c -> says.add("Chosen for this job: " + c.plate().name() + ", " + kv(c.cleanV())
                + " kV clean and " + kv(c.heavyV()) + " kV in heavy growth at the weakest point."));
        if (chosen.filter(Candidate::recommended).isEmpty()) {
            says.add((electrics.chosen() ? "Recommended otherwise. " : "") + text(compared.why()));
        }
        electrics.weakest().map(this::weakest).ifPresent(says::add);
        return says;
    }

    private String weakest(Electrics.PulsePoint w) {
        OptionalDouble need = electrics.needV();
        return "Weakest point: " + Lengths.text(w.stationM(), units) + " along " + lineName(w.lineId()) + ", likely "
                + kv(w.likelyV()) + " kV, between " + kv(w.lowV()) + " and " + kv(w.highV()) + " kV"
                + (need.isPresent() ? "; the animals need " + kv(need.getAsDouble()) + " kV" : "") + ". "
                + electrics.reserve().map(r -> text(r.says())).orElse("");
    }

    private Row row(Candidate c) {
        return new Row(
                electrics.chosen() ? c.plate().equals(electrics.energizer()) : c.recommended(),
                c.recommended(),
                c.over5J(),
                c.plate().name(),
                new DecimalFormat("0.##", DecimalFormatSymbols.getInstance(Locale.ROOT)).format(c.outJ()),
                kv(c.cleanV()),
                kv(c.likelyV()),
                kv(c.heavyV()),
                String.format(Locale.ROOT, "%.1f", c.drawW()),
                c.plate().price().isPresent()
                        ? String.format(Locale.ROOT, "%.0f", c.plate().price().getAsDouble())
                        : "–",
                rods(c.earth()));
    }

    private AssumedRow row(Electrics.Assumed a) {
        return new AssumedRow(
                text(a.name()),
                text(a.likely()),
                text(a.low()),
                text(a.high()),
                kv(a.lowestV()) + " to " + kv(a.highestV()));
    }

    private String earth(Electrics.EarthAnswer earth) {
        return String.format(
                Locale.ROOT,
                "In %s ground of %.0f Ω·m the rods come to %.0f Ω and the last rod to about %.0f V in the earth test. %s %s (G14, W18)",
                earth.ground().text(),
                earth.soilOhmM(),
                earth.rodsOhm(),
                earth.testV(),
                text(earth.moist()),
                text(earth.wires()));
    }

    private String rods(Electrics.EarthNeed need) {
        return need.rods().isPresent()
                ? need.rods().getAsInt() + " × " + Lengths.text(need.rodM(), units)
                : String.format(Locale.ROOT, "under %.0f Ω", need.mostOhm());
    }

    private String lineName(String id) {
        return lines.stream()
                .filter(l -> l.lineId().equals(id))
                .map(LineLayout::name)
                .findFirst()
                .orElse(id);
    }

    private String text(Message message) {
        return English.text(message, units);
    }

    private static String kv(double volts) {
        return String.format(Locale.ROOT, "%.1f", volts / 1000);
    }
}
