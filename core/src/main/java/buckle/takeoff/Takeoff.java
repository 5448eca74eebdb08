package buckle.takeoff;

import buckle.layout.FeedPlace;
import buckle.layout.Joint;
import buckle.layout.Layout;
import buckle.material.Conductor;
import buckle.rulebook.Values;
import buckle.site.GateKind;
import buckle.spec.Build;
import buckle.spec.Spec;
import buckle.spec.WireRole;
import buckle.takeoff.TakeoffLine.Pack;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Predicate;
import java.util.function.ToLongFunction;
import java.util.stream.Collectors;

/** What to load for a layout. */
public final class Takeoff {
    private final Layout layout;
    private final Spec spec;
    private final Counts counts;
    private final Tally tally;

    private Takeoff(Layout layout, Spec spec) {
        this.layout = layout;
        this.spec = spec;
        this.counts = Counts.of(layout, spec);
        this.tally = new Tally(spec);
    }

    public static List<TakeoffLine> of(Layout layout, Spec spec) {
        if (layout.lines().isEmpty()) {
            return List.of();
        }
        Takeoff takeoff = new Takeoff(layout, spec);
        PostTakeoff posts = new PostTakeoff(layout, spec, takeoff.counts, takeoff.tally);
        posts.posts();
        posts.braces();
        takeoff.wire(WireRole.HOT, "wire.hot", "Hot wire");
        takeoff.wire(WireRole.EARTH, "wire.earth", "Earth wire");
        takeoff.wire(WireRole.PLAIN, "wire.plain", "Plain wire");
        takeoff.insulators();
        takeoff.straining();
        takeoff.gates();
        takeoff.feed();
        takeoff.signs();
        return takeoff.tally.lines();
    }

    private void wire(WireRole role, String item, String name) {
        Map<Conductor, List<Counts.Line>> heaps = new LinkedHashMap<>();
        heaps.put(spec.build().wires().of(role), new ArrayList<>());
        for (Counts.Line line : counts.lines()) {
            heaps.computeIfAbsent(line.conductors().of(role), c -> new ArrayList<>())
                    .add(line);
        }
        heaps.forEach((conductor, lines) -> {
            boolean usual = conductor == spec.build().wires().of(role);
            String key = usual ? item : item + "." + conductor.name().toLowerCase(Locale.ROOT);
            wire(role, key, name + ", " + conductor.text(), lines, conductor);
        });
    }

    private void wire(WireRole role, String item, String name, List<Counts.Line> lines, Conductor conductor) {
        double slack = spec.takeoff().wireSlackPercent();
        double bare =
                lines.stream().mapToDouble(l -> l.count(role) * l.slopeM()).sum();
        double quantity = bare * (1 + slack / 100);
        if (quantity == 0) {
            return;
        }
        List<String> parts = new ArrayList<>();
        lines.stream()
                .collect(Collectors.groupingBy(
                        l -> l.count(role), TreeMap::new, Collectors.summingDouble(Counts.Line::slopeM)))
                .forEach((wires, metres) -> {
                    if (wires > 0) {
                        parts.add(Tally.plural(wires, "wire") + " × " + tally.whole(metres));
                    }
                });
        long pulls = lines.stream().mapToLong(Counts.Line::pulls).sum();
        double coil = Math.min(spec.takeoff().coilM(), conductor.coilsM().getLast());
        tally.add(
                item,
                name,
                quantity,
                "m",
                Optional.of(Pack.covering("coil", coil, quantity)),
                String.join(" + ", parts) + " along the slope in " + Tally.plural(pulls, "pull") + " + "
                        + Tally.number(slack) + " % slack and tails = " + tally.whole(quantity),
                "L1",
                "S11");
    }

    private void insulators() {
        int pack = spec.takeoff().insulatorPack();
        Build.Hazard hazard = spec.build().fittings().hazard();
        Counts.Sum line = counts.sum(Counts.Line::hot, "hot wire", Counts.Line::straight, "posts passed");
        long spare = counts.perPull(Counts.Line::hot, "hot wire").total() * Values.I1_SPARES_PER_WIRE_AND_PULL;
        tally.packed(
                "insulator.line",
                "Line insulator, " + hazard.text(),
                line.total() + spare,
                pack,
                line.text() + " = " + line.total() + ", and "
                        + counts.perPull(Counts.Line::hot, "hot wire").text() + " × "
                        + Values.I1_SPARES_PER_WIRE_AND_PULL + " spare = " + spare,
                "I1",
                "I5",
                "I8");
        Counts.Sum corner = counts.sum(Counts.Line::hot, "hot wire", Counts.Line::turning, "posts passed in a turn");
        tally.packed(
                "insulator.corner",
                "Corner insulator, wire on the outside of the turn",
                corner.total(),
                pack,
                corner.text(),
                "I1",
                "B9");
        Counts.Sum inside = counts.sum(Counts.Line::hot, "hot wire", Counts.Line::inside, "posts passed inside a turn");
        tally.packed(
                "insulator.corner.inside",
                "Corner insulator, wire on the inside of the turn, pulling off the post",
                inside.total(),
                pack,
                inside.text(),
                "I1",
                "I9");
        Counts.Sum bracket = counts.sum(Counts.Line::hot, "hot wire", Counts.Line::brackets, "posts of the old fence");
        tally.packed(
                "insulator.offset",
                "Offset bracket, " + tally.length(Values.I4_OFFSET_M),
                bracket.total(),
                pack,
                bracket.text(),
                "I4");
        Counts.Sum strain = counts.perPull(Counts.Line::hot, "hot wire");
        tally.packed(
                "insulator.strain", "Strain insulator", 2 * strain.total(), pack, strain.text() + " × 2 ends", "I2");
        Counts.Sum held = counts.sum(Counts.Line::held, "earth and plain wire", Counts.Line::passed, "posts passed");
        boolean stapled = spec.build().posts().line().family().stapled();
        tally.packed(
                "fastener",
                (stapled ? "Staple" : "Clip") + " for earth and plain wire",
                held.total(),
                spec.takeoff().fastenerPack(),
                held.text(),
                "I1");
    }

    private void straining() {
        Counts.Sum strainers = counts.perPull(this::strained, "wire");
        tally.pieces(
                "strainer", "Strainer", strainers.total(), strainers.text() + " = " + strainers.total(), "S2", "S4");
        if (spec.build().wires().springs() && spec.build().wires().hot().strained()) {
            Counts.Sum springs = counts.perPull(Counts.Line::hot, "hot wire");
            tally.pieces("spring", "Tension spring", springs.total(), springs.text() + " = " + springs.total(), "S3");
        }
        Counts.Sum crimped = counts.perPull(this::crimped, "wire");
        tally.packed(
                "crimp",
                "Crimp",
                crimped.total() * 2 * Values.S5_CRIMPS_PER_END,
                spec.takeoff().crimpPack(),
                crimped.text() + " × 2 ends × " + Values.S5_CRIMPS_PER_END,
                "S5");
        long joints = layout.lines().stream()
                .flatMap(l -> l.pulls().stream())
                .flatMap(p -> p.wires().stream())
                .mapToLong(w -> w.joinersM().size())
                .sum();
        tally.pieces(
                "joiner",
                "Joint in the wire",
                joints,
                "where coils end, " + spec.build().wires().hot().family().joining(),
                "S14");
        Counts.Sum tied = counts.perPull(l -> l.wires() - crimped(l), "woven wire");
        tally.pieces("tie", "End tie for woven wire", 2 * tied.total(), tied.text() + " × 2 ends", "S5");
        long jumpers = layout.joints().stream()
                .filter(j -> j.kind() == Joint.Kind.JUMPER || j.kind() == Joint.Kind.LINK)
                .count();
        long hot = layout.joints().stream()
                .filter(j -> j.kind() == Joint.Kind.JUMPER || j.kind() == Joint.Kind.LINK)
                .mapToLong(j ->
                        Math.max(1, j.hot().size() - 1) + Math.max(0, j.earth().size() - 1))
                .sum();
        tally.pieces(
                "jumper",
                "Jumper set",
                counts.pulls(),
                "one for each of " + Tally.plural(counts.pulls(), "pull")
                        + ": hot with hot, earth with earth, and on to the next pull",
                "J1");
        tally.pieces(
                "clamp",
                "Joint clamp",
                2 * hot,
                jumpers + " jumper sets and links, " + hot + " pieces from wire to wire × 2 ends",
                "J1");
        long cutOuts =
                layout.lines().stream().mapToLong(l -> l.cutOuts().size()).sum();
        long creeks = counts.gates(GateKind.CREEK).size();
        tally.pieces(
                "cut-out",
                "Cut-out switch",
                cutOuts + creeks,
                "as placed on the line" + (creeks > 0 ? ", and one for each of " + creeks + " creek crossings" : ""),
                "J4",
                "J8");
    }

    private long strained(Counts.Line line) {
        return number(line, c -> c.strained() || c.family() == Conductor.Family.SOFT_WIRE);
    }

    private long crimped(Counts.Line line) {
        return number(line, Conductor::crimped);
    }

    private long number(Counts.Line line, Predicate<Conductor> which) {
        long count = 0;
        for (WireRole role : WireRole.values()) {
            count += which.test(line.conductors().of(role)) ? line.count(role) : 0;
        }
        return count;
    }

    private void gates() {
        gate(GateKind.SWING, "gate.swing", "Swing gate with hinges and latch", g -> 1);
        gate(
                GateKind.HANDLE,
                "gate.handle",
                "Gate handle with spring and anchor",
                g -> g.line().hot());
        gate(
                GateKind.SPRING_SET,
                "gate.spring",
                "Spring gate set, one spring",
                g -> g.line().hot());
        gate(GateKind.RIGID, "gate.rigid", "Rigid gate with hinges and latch", g -> 1);
        gate(GateKind.STRAND, "gate.strand", "Handle and anchors for one strand", g -> 1);
        gate(GateKind.CREEK, "gate.creek", "Hanging part for a creek", g -> 1);
        List<Counts.Gated> cabled = Arrays.stream(GateKind.values())
                .filter(GateKind::cabled)
                .flatMap(k -> counts.gates(k).stream())
                .toList();
        double each = cabled.stream().mapToDouble(this::underGateM).sum();
        Spec.UnderGate under = spec.underGate();
        String parts = "opening + 2 × " + tally.length(under.burialM()) + " deep + 2 risers to the lowest wire + 2 × "
                + tally.length(under.spareLoopM()) + " spare";
        tally.add(
                "cable.gate",
                "Cable under gates and over creeks, hot and earth",
                2 * each,
                "m",
                Optional.of(Pack.covering("roll", spec.takeoff().cableRollM(), 2 * each)),
                cabled.size() + " gates × 2 cables of " + parts + " = " + tally.length(2 * each),
                "J3",
                "J6",
                "C9");
        List<Counts.Gated> buried =
                cabled.stream().filter(g -> g.gate().kind() != GateKind.CREEK).toList();
        double conduit = buried.stream()
                .mapToDouble(g -> g.gate().openingM() + 2 * under.burialM())
                .sum();
        tally.add(
                "conduit",
                "Conduit under gates",
                conduit,
                "m",
                Optional.empty(),
                buried.size() + " gates × (opening + 2 × " + tally.length(under.burialM()) + " deep) = "
                        + tally.length(conduit),
                "J3");
    }

    private void gate(GateKind kind, String item, String name, ToLongFunction<Counts.Gated> each) {
        List<Counts.Gated> gates = counts.gates(kind);
        long total = gates.stream().mapToLong(each).sum();
        tally.pieces(
                item,
                name,
                total,
                Tally.plural(gates.size(), "gate") + " on the plan"
                        + (total == gates.size() ? "" : ", one for each hot wire"),
                "J5",
                kind.opensCircuit() ? "J2" : "J3");
    }

    private double underGateM(Counts.Gated gated) {
        double riser = gated.line().layout().schedule().wires().getFirst().heightM();
        return gated.gate().openingM()
                + 2 * spec.underGate().burialM()
                + 2 * riser
                + 2 * spec.underGate().spareLoopM();
    }

    private void feed() {
        FeedPlace feed = layout.feed().orElseThrow();
        tally.pieces(
                "energizer",
                "Energizer, certified",
                1,
                "one for each fence; output " + Tally.number(spec.outputJ()) + " J assumed",
                "C1",
                "C3");
        double leadOut = feed.leadOutM() + spec.feed().leadOutSpareM();
        tally.add(
                "cable.lead-out",
                "Lead-out cable, hot and earth",
                2 * leadOut,
                "m",
                Optional.of(Pack.covering("roll", spec.takeoff().cableRollM(), 2 * leadOut)),
                "2 cables × (" + tally.length(feed.leadOutM()) + " to the fence, round what is in the way, + "
                        + tally.length(spec.feed().leadOutSpareM()) + " spare)",
                "C9");
        tally.pieces(
                "ground.rod",
                "Ground rod, " + tally.length(feed.rodM()),
                feed.rods(),
                rodSentence(feed),
                feed.school().rule(),
                "G5",
                "G8");
        tally.pieces("ground.clamp", "Ground rod clamp", feed.rods(), feed.rods() + " rods × 1 clamp", "G5");
        double lead = Math.max(0, feed.rods() - 1) * Values.G1_APART_M;
        tally.add(
                "ground.lead",
                "Ground lead between rods",
                lead,
                "m",
                Optional.empty(),
                Math.max(0, feed.rods() - 1) + " gaps of " + tally.length(Values.G1_APART_M) + " between rods",
                "G1");
    }

    private String rodSentence(FeedPlace feed) {
        return switch (feed.school()) {
            case THREE_RODS -> "three rods " + tally.length(Values.G1_APART_M) + " apart";
            case ONE_LONG_ROD -> "one long rod, soft wet clay only";
            case BY_AREA ->
                "one rod for each " + String.format(Locale.ROOT, "%.0f", Values.G2_AREA_PER_ROD_M2)
                        + " m² (2 acres) inside the fence, at most " + Values.G2_MOST_RODS;
            case BY_JOULES ->
                tally.length(Values.G4_ROD_M_PER_J) + " for each of "
                        + Tally.number(spec.outputJ()) + " J ÷ " + tally.length(feed.rodM())
                        + " a rod, rounded up";
        };
    }

    private void signs() {
        long gates = layout.gates().size();
        long all = layout.signs().size();
        tally.pieces(
                "sign",
                "Warning sign",
                all,
                gates + " at gates, the others at most "
                        + tally.length(spec.takeoff().signEveryM()) + " apart along the line and "
                        + tally.length(Values.C4_PUBLIC_EVERY_M)
                        + " beside public ways; the local code may ask for more",
                "C4");
    }
}
