package buckle.takeoff;

import buckle.layout.FeedPlace;
import buckle.layout.GatePlace;
import buckle.layout.Layout;
import buckle.layout.PostKind;
import buckle.rulebook.Values;
import buckle.spec.Spec;
import buckle.takeoff.TakeoffLine.Pack;
import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What to load for a layout. */
public final class Takeoff {
    /** Post above the top wire, so that the staple holds. */
    private static final double ABOVE_TOP_WIRE_M = 0.05;

    private final Layout layout;
    private final Spec spec;
    private final Counts counts;
    private final List<TakeoffLine> lines = new ArrayList<>();

    private Takeoff(Layout layout, Spec spec) {
        this.layout = layout;
        this.spec = spec;
        this.counts = Counts.of(layout, spec);
    }

    public static List<TakeoffLine> of(Layout layout, Spec spec) {
        if (layout.lines().isEmpty()) {
            return List.of();
        }
        Takeoff takeoff = new Takeoff(layout, spec);
        takeoff.posts();
        takeoff.braces();
        takeoff.wire();
        takeoff.fittings();
        takeoff.gates();
        takeoff.feed();
        takeoff.signs();
        return List.copyOf(takeoff.lines);
    }

    private void posts() {
        double strong = spec.schedule().topM() + ABOVE_TOP_WIRE_M + Values.P10_STRONG_DEPTH_M;
        double line = spec.schedule().topM() + ABOVE_TOP_WIRE_M + Values.P11_LINE_DEPTH_M;
        String strongLength = "at least " + length(strong) + " long: top wire at "
                + length(spec.schedule().topM()) + ", " + length(ABOVE_TOP_WIRE_M) + " above it, "
                + length(Values.P10_STRONG_DEPTH_M) + " deep";
        pieces(
                "post.end",
                "End post",
                layout.count(PostKind.END),
                "one at each end of an open line; " + strongLength,
                "P10");
        pieces(
                "post.corner",
                "Corner post",
                layout.count(PostKind.CORNER),
                "where the line turns by " + degrees(spec.braces().strongerFromDeg())
                        + " or more, and the closing post of a closed line; " + strongLength,
                "B10",
                "P10");
        pieces(
                "post.gate",
                "Gate post",
                layout.count(PostKind.GATE),
                "two at each gate that does not hang on a corner post; " + strongLength,
                "J5",
                "P10",
                "P13");
        pieces(
                "post.tee",
                "Tee post",
                layout.count(PostKind.TEE),
                "one where another line branches off and no strong post stands; " + strongLength,
                "P10");
        pieces(
                "post.brace",
                "Brace post",
                layout.count(PostKind.BRACE),
                "one for each H brace; " + strongLength,
                "B3",
                "P10");
        pieces(
                "post.line",
                "Line post",
                layout.count(PostKind.LINE),
                "evened between strong posts, none wider than "
                        + length(spec.posts().spacingM())
                        + (counts.widestM() > 0
                                ? "; they stand " + length(counts.leastM()) + " to " + length(counts.widestM())
                                        + " apart"
                                : "")
                        + "; at least " + length(line) + " long",
                "P1",
                "P11",
                "P15");
    }

    private void braces() {
        double rail = spec.braces().railSchool().railM(spec.schedule().topM());
        String school = spec.braces().railSchool().rule();
        int n = counts.braces();
        pieces("brace.rail", "Brace rail, " + length(rail), n, n + " H braces × 1 rail", school, "B3");
        pieces(
                "brace.pin",
                "Brace pin, 10 in",
                (long) n * Values.B4_PINS_PER_RAIL,
                n + " rails × " + Values.B4_PINS_PER_RAIL + " pins",
                "B4");
        pieces(
                "brace.loop",
                "Brace diagonal loop",
                n,
                n + " H braces × 1 diagonal, strong post foot to brace post top",
                "B3",
                "B7");
    }

    private void wire() {
        wire("wire.hot", "Hot wire", counts.hot());
        wire("wire.earth", "Earth wire", counts.earth());
        wire("wire.plain", "Plain wire", counts.plain());
    }

    private void wire(String item, String name, int wires) {
        double slack = spec.takeoff().wireSlackPercent();
        double quantity = wires * counts.slopeM() * (1 + slack / 100);
        Pack pack = Pack.covering("coil", spec.takeoff().coilM(), quantity);
        add(
                item,
                name,
                quantity,
                "m",
                Optional.of(pack),
                wires + (wires == 1 ? " wire × " : " wires × ") + whole(counts.slopeM()) + " along the slope in "
                        + plural(counts.pulls(), "pull") + " + " + number(slack) + " % slack and tails = "
                        + whole(quantity),
                "L1",
                "S11");
    }

    private void fittings() {
        int hot = counts.hot();
        int pulls = counts.pulls();
        long line = hot * counts.passPosts();
        long spare = (long) hot * pulls * Values.I1_SPARES_PER_WIRE_AND_PULL;
        packed(
                "insulator.line",
                "Line insulator",
                line + spare,
                spec.takeoff().insulatorPack(),
                hot + " hot wires × " + counts.passPosts() + " posts passed = " + line + ", and " + hot + " × "
                        + plural(pulls, "pull") + " × " + Values.I1_SPARES_PER_WIRE_AND_PULL + " spare = " + spare,
                "I1");
        packed(
                "insulator.strain",
                "Strain insulator",
                2L * hot * pulls,
                spec.takeoff().insulatorPack(),
                hot + " hot wires × " + plural(pulls, "pull") + " × 2 ends",
                "I2");
        int held = counts.earth() + counts.plain();
        packed(
                "fastener",
                "Staple or clip for earth and plain wire",
                held * counts.passPosts(),
                spec.takeoff().fastenerPack(),
                held + " earth and plain wires × " + counts.passPosts() + " posts passed",
                "I1");
        int wires = counts.wires();
        pieces(
                "strainer",
                "Strainer",
                (long) wires * pulls,
                wires + " wires × " + plural(pulls, "pull") + " = " + wires * pulls,
                "S2");
        packed(
                "crimp",
                "Crimp",
                (long) wires * pulls * 2 * Values.S5_CRIMPS_PER_END,
                spec.takeoff().crimpPack(),
                wires + " wires × " + plural(pulls, "pull") + " × 2 ends × " + Values.S5_CRIMPS_PER_END,
                "S5");
        pieces(
                "jumper",
                "Jumper set",
                pulls,
                "one for each of " + plural(pulls, "pull") + ": " + hot + " hot wires joined"
                        + (counts.earth() > 0 ? ", " + counts.earth() + " earth wires joined" : "")
                        + ", and on to the next pull",
                "J1");
        pieces("cut-out", "Cut-out switch", counts.cutOuts(), "as placed on the line", "J4");
    }

    private void gates() {
        pieces("gate.swing", "Swing gate with hinges and latch", counts.swing().size(), openings(counts.swing()), "J5");
        pieces(
                "gate.handle",
                "Gate handle with spring and anchor",
                (long) counts.hot() * counts.handle().size(),
                counts.hot() + " hot wires × " + counts.handle().size() + " handle gates; " + openings(counts.handle()),
                "J2");
        double each = counts.swing().stream().mapToDouble(this::underGateM).sum();
        Spec.UnderGate under = spec.underGate();
        String parts = "opening + 2 × " + length(under.burialM()) + " deep + 2 risers of " + length(riserM())
                + " + 2 × " + length(under.spareLoopM()) + " spare";
        Pack roll = Pack.covering("roll", spec.takeoff().cableRollM(), 2 * each);
        add(
                "cable.gate",
                "Cable under gates, hot and earth",
                2 * each,
                "m",
                Optional.of(roll),
                counts.swing().size() + " swing gates × 2 cables of " + parts + " = " + length(2 * each),
                "J3",
                "J6",
                "C9");
        double conduit = counts.swing().stream()
                .mapToDouble(g -> g.openingM() + 2 * under.burialM())
                .sum();
        add(
                "conduit",
                "Conduit under gates",
                conduit,
                "m",
                Optional.empty(),
                counts.swing().size() + " swing gates × (opening + 2 × " + length(under.burialM()) + " deep) = "
                        + length(conduit),
                "J3");
    }

    private double riserM() {
        return spec.schedule().wires().getFirst().heightM();
    }

    private double underGateM(GatePlace gate) {
        return gate.openingM()
                + 2 * spec.underGate().burialM()
                + 2 * riserM()
                + 2 * spec.underGate().spareLoopM();
    }

    private void feed() {
        FeedPlace feed = layout.feed().orElseThrow();
        pieces(
                "energizer",
                "Energizer, certified",
                1,
                "one for each fence; output " + number(spec.feed().outputJ()) + " J assumed",
                "C1",
                "C3");
        double leadOut = feed.leadOutM() + spec.feed().leadOutSpareM();
        add(
                "cable.lead-out",
                "Lead-out cable, hot and earth",
                2 * leadOut,
                "m",
                Optional.of(Pack.covering("roll", spec.takeoff().cableRollM(), 2 * leadOut)),
                "2 cables × (" + length(feed.leadOutM()) + " straight to the fence + "
                        + length(spec.feed().leadOutSpareM()) + " spare)",
                "C9");
        pieces(
                "ground.rod",
                "Ground rod, " + length(feed.rodM()),
                feed.rods(),
                rodSentence(feed),
                feed.school().rule(),
                "G5",
                "G8");
        pieces("ground.clamp", "Ground rod clamp", feed.rods(), feed.rods() + " rods × 1 clamp", "G5");
        double lead = Math.max(0, feed.rods() - 1) * Values.G1_APART_M;
        add(
                "ground.lead",
                "Ground lead between rods",
                lead,
                "m",
                Optional.empty(),
                Math.max(0, feed.rods() - 1) + " gaps of " + length(Values.G1_APART_M) + " between rods",
                "G1");
    }

    private String rodSentence(FeedPlace feed) {
        return switch (feed.school()) {
            case THREE_RODS -> "three rods " + length(Values.G1_APART_M) + " apart";
            case ONE_LONG_ROD -> "one long rod, soft wet clay only";
            case BY_AREA ->
                "one rod for each " + String.format(Locale.ROOT, "%.0f", Values.G2_AREA_PER_ROD_M2)
                        + " m² (2 acres) inside the fence, at most " + Values.G2_MOST_RODS;
            case BY_JOULES ->
                length(Values.G4_ROD_M_PER_J) + " for each of "
                        + number(spec.feed().outputJ()) + " J ÷ " + length(feed.rodM()) + " a rod, rounded up";
        };
    }

    private void signs() {
        double length = layout.lines().stream().mapToDouble(l -> l.lengthM()).sum();
        double every = spec.takeoff().signEveryM();
        long along = (long) Math.ceil(length / every - 1e-9);
        long gates = layout.gates().size();
        pieces(
                "sign",
                "Warning sign",
                along + gates,
                whole(length) + " ÷ " + length(every) + " = " + along + ", and one at each of " + gates
                        + " gates; the local code may ask for more",
                "C4");
    }

    private static String openings(List<GatePlace> gates) {
        return gates.size() + (gates.size() == 1 ? " gate" : " gates") + " on the plan";
    }

    private void pieces(String item, String name, long count, String derivation, String... rules) {
        add(item, name, count, "pcs", Optional.empty(), derivation, rules);
    }

    private void packed(String item, String name, long count, int pack, String derivation, String... rules) {
        add(
                item,
                name,
                count,
                "pcs",
                Optional.of(Pack.covering("pack", pack, count)),
                derivation + " = " + count,
                rules);
    }

    private void add(
            String item,
            String name,
            double quantity,
            String unit,
            Optional<Pack> pack,
            String derivation,
            String... rules) {
        if (quantity > 0) {
            double rounded = "m".equals(unit) ? Math.ceil(quantity * 10 - 1e-6) / 10 : quantity;
            lines.add(new TakeoffLine(item, name, rounded, unit, pack, derivation, List.of(rules)));
        }
    }

    private String length(double lengthM) {
        return Lengths.text(lengthM, spec.units());
    }

    private String whole(double lengthM) {
        return Lengths.whole(lengthM, spec.units());
    }

    private static String plural(int count, String noun) {
        return count + " " + noun + (count == 1 ? "" : "s");
    }

    private static String degrees(double value) {
        return number(value) + "°";
    }

    private static String number(double value) {
        return value == Math.rint(value)
                ? String.format(Locale.ROOT, "%.0f", value)
                : String.format(Locale.ROOT, "%.1f", value);
    }
}
