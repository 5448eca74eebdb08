package buckle.takeoff;

import buckle.layout.FeedPlace;
import buckle.layout.Joint;
import buckle.layout.Layout;
import buckle.layout.Pull;
import buckle.material.Conductor;
import buckle.material.PostStock;
import buckle.rulebook.Values;
import buckle.site.GateKind;
import buckle.spec.Build;
import buckle.spec.Spec;
import buckle.spec.WireRole;
import buckle.takeoff.TakeoffLine.Pack;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.util.ArrayList;
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
        takeoff.tally.under("Posts and braces");
        posts.posts();
        posts.braces();
        takeoff.tally.under("Wire and fittings");
        takeoff.wire(WireRole.HOT, "wire.hot", "Hot wire");
        takeoff.wire(WireRole.EARTH, "wire.earth", "Earth wire");
        takeoff.wire(WireRole.PLAIN, "wire.plain", "Plain wire");
        takeoff.insulators();
        takeoff.straining();
        takeoff.joints();
        takeoff.tally.under("Gates");
        takeoff.gates();
        takeoff.tally.under("Energizer and ground");
        takeoff.feed();
        takeoff.tally.under("Signs");
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
        int coils = lines.stream()
                .flatMap(l -> l.layout().pulls().stream())
                .flatMap(p -> p.wires().stream())
                .filter(w -> w.role() == role && w.conductor() == conductor)
                .mapToInt(Pull.PullWire::coils)
                .sum();
        tally.add(
                item,
                name,
                quantity,
                "m",
                Optional.of(new Pack("coil", coil, coils)),
                String.join(" + ", parts) + " along the slope in " + Tally.plural(pulls, "pull") + " + "
                        + Tally.number(slack) + " % slack and tails = " + tally.whole(quantity)
                        + "; coils used up pull by pull, a rest under " + tally.whole(Values.S14_LEAST_REST_M)
                        + " is not joined on",
                "L1",
                "S11",
                "S14");
    }

    private static String insulator(PostStock.Family family, Build.Hazard hazard) {
        String made = switch (family) {
            case TIMBER -> hazard.text() + " for timber";
            case STEEL_TEE -> "clip-on for tee posts";
            case ANGLE_STEEL -> "clip-on for angle steel";
            case FIBREGLASS -> "clip for fibreglass rods";
            case PIPE -> "clamped to pipe";
            case STEP_IN -> "the post's own";
        };
        return "Line insulator, " + made
                + (family == PostStock.Family.TIMBER || hazard == Build.Hazard.USUAL ? "" : ", " + hazard.text());
    }

    /** I1: one for each hot wire and post passed, of the kind that fits the post; spares at the braces, of the kind of strong posts. */
    private void insulators() {
        int pack = spec.takeoff().insulatorPack();
        Build.Hazard hazard = spec.build().fittings().hazard();
        PostStock.Family strong = spec.build().posts().strong().family();
        Counts.Sum spares = counts.sum(Counts.Line::insulated, "hot wire", Counts.Line::braced, "braced pulls");
        long spare = spares.total() * Values.I1_SPARES_PER_WIRE_AND_PULL;
        for (PostStock.Family family : PostStock.Family.values()) {
            if (family.holdsWires()) {
                continue;
            }
            Counts.Sum line = counts.sum(Counts.Line::insulated, "hot wire", l -> l.straight(family), "posts passed");
            long here = family == strong ? spare : 0;
            List<String> parts = new ArrayList<>();
            if (line.total() > 0) {
                parts.add(line.text() + (here > 0 ? " = " + line.total() : ""));
            }
            if (here > 0) {
                parts.add(spares.factor() + " × " + Values.I1_SPARES_PER_WIRE_AND_PULL + " spare"
                        + (line.total() > 0 ? " = " + here : ""));
            }
            tally.packed(
                    "insulator.line" + (family == PostStock.Family.TIMBER ? "" : "." + key(family)),
                    insulator(family, hazard),
                    line.total() + here,
                    pack,
                    String.join(", and ", parts) + (parts.size() > 1 ? "; together" : ""),
                    "I1",
                    "I5",
                    "I8");
        }
        Counts.Sum corner =
                counts.sum(Counts.Line::insulated, "hot wire", Counts.Line::turning, "posts passed in a turn");
        tally.packed(
                "insulator.corner",
                "Corner insulator, wire on the outside of the turn",
                corner.total(),
                pack,
                corner.text(),
                "I1",
                "B9");
        Counts.Sum inside =
                counts.sum(Counts.Line::insulated, "hot wire", Counts.Line::inside, "posts passed inside a turn");
        tally.packed(
                "insulator.corner.inside",
                "Corner insulator, wire on the inside of the turn, pulling off the post",
                inside.total(),
                pack,
                inside.text(),
                "I1",
                "I9");
        Counts.Sum bracket =
                counts.sum(Counts.Line::insulated, "hot wire", Counts.Line::brackets, "posts of the old fence");
        tally.packed(
                "insulator.offset",
                "Offset bracket, " + tally.length(Values.I4_OFFSET_M),
                bracket.total(),
                pack,
                bracket.text(),
                "I4");
        Counts.Sum strain = counts.perPull(Counts.Line::insulated, "hot wire");
        Counts.Sum cut = counts.sum(Counts.Line::insulated, "hot wire", Counts.Line::cutThrough, "cut-out");
        tally.packed(
                "insulator.strain",
                "Strain insulator",
                2 * strain.total() + cut.total(),
                pack,
                plus(strain.factor() + " × 2 ends", cut, ""),
                "I2");
        for (boolean stapled : new boolean[] {true, false}) {
            Counts.Sum held =
                    counts.sum(Counts.Line::held, "earth and plain wire", l -> l.fastened(stapled), "posts passed");
            tally.packed(
                    stapled ? "fastener" : "fastener.clip",
                    (stapled ? "Staple" : "Clip") + " for earth and plain wire",
                    held.total(),
                    spec.takeoff().fastenerPack(),
                    held.text(),
                    "I1");
        }
    }

    private static String key(PostStock.Family family) {
        return family.name().toLowerCase(Locale.ROOT).replace('_', '-');
    }

    private void straining() {
        Counts.Sum strainers = counts.perPull(this::strained, "wire");
        tally.pieces(
                "strainer", "Strainer", strainers.total(), strainers.text() + " = " + strainers.total(), "S2", "S4");
        Counts.Sum springs = counts.perPull(
                l -> l.conductors().springs() && l.conductors().hot().strained() ? l.hot() : 0, "hot wire");
        tally.pieces("spring", "Tension spring", springs.total(), springs.text() + " = " + springs.total(), "S3");
        Counts.Sum crimped = counts.perPull(this::crimped, "wire");
        Counts.Sum cut = counts.sum(
                l -> l.conductors().hot().crimped() ? l.insulated() : 0,
                "hot wire",
                Counts.Line::cutThrough,
                "cut-out");
        String ends = " × 2 ends × " + Values.S5_CRIMPS_PER_END;
        tally.packed(
                "crimp",
                "Crimp",
                (crimped.total() + cut.total()) * 2 * Values.S5_CRIMPS_PER_END,
                spec.takeoff().crimpPack(),
                plus(crimped.factor() + ends, cut, ends),
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
        tally.pieces("tie", "End tie for woven wire", 2 * tied.total(), tied.factor() + " × 2 ends", "S5");
    }

    private static String plus(String text, Counts.Sum more, String times) {
        return more.total() == 0 ? text : text + " + " + more.factor() + times;
    }

    /** Counted from the joints as they are drawn. */
    private void joints() {
        boolean separate = spec.build().wires().jumperPieces();
        Map<Joint.Kind, long[]> kinds = new java.util.EnumMap<>(Joint.Kind.class);
        for (Joint j : layout.joints()) {
            long[] sums = kinds.computeIfAbsent(j.kind(), k -> new long[3]);
            sums[0]++;
            sums[1] += j.parts().pieces();
            sums[2] += j.parts().clamps();
        }
        long sets = kinds.getOrDefault(Joint.Kind.JUMPER, new long[3])[0];
        tally.pieces(
                "jumper",
                "Jumper set",
                sets,
                "one for each of " + Tally.plural(sets, "pull") + " with wires to join: hot with hot, earth with earth",
                "J1");
        List<String> pieces = new ArrayList<>();
        List<String> clamps = new ArrayList<>();
        kinds.forEach((kind, sums) -> {
            if (sums[1] > 0) {
                pieces.add(sums[1] + " in " + Tally.plural(sums[0], kind.text()));
            }
            if (sums[2] > 0) {
                clamps.add(sums[2] + " at " + Tally.plural(sums[0], kind.text()));
            }
        });
        long allPieces = kinds.values().stream().mapToLong(s -> s[1]).sum();
        long allClamps = kinds.values().stream().mapToLong(s -> s[2]).sum();
        tally.pieces(
                "jumper.piece",
                "Piece of jumper wire",
                allPieces,
                String.join(" + ", pieces) + " = " + allPieces
                        + (separate ? ", from wire to wire" : ", one for each role with windows"),
                "J1");
        tally.pieces("clamp", "Joint clamp", allClamps, String.join(" + ", clamps) + " = " + allClamps, "J1", "J3");
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
        cables();
    }

    /** As many cables across each opening as its joint has. */
    private void cables() {
        List<Cabled> cabled = new ArrayList<>();
        for (GateKind kind : GateKind.values()) {
            for (Counts.Gated g : counts.gates(kind)) {
                int cables = layout.joints().stream()
                        .filter(j -> j.lineId().equals(g.line().layout().lineId())
                                && j.name().equals(g.gate().name())
                                && Math.abs(j.stationM() - g.gate().fromM()) < Lengths.TAPE_M)
                        .mapToInt(j -> j.parts().cables())
                        .sum();
                if (cables > 0) {
                    cabled.add(new Cabled(g, cables));
                }
            }
        }
        double all = cabled.stream()
                .mapToDouble(c -> c.cables() * underGateM(c.gate()))
                .sum();
        int count = cabled.stream().mapToInt(Cabled::cables).sum();
        Spec.UnderGate under = spec.underGate();
        String parts = "opening + 2 × " + tally.length(under.burialM()) + " deep + 2 risers to the lowest wire + 2 × "
                + tally.length(under.spareLoopM()) + " spare";
        tally.add(
                "cable.gate",
                "Cable under gates and over creeks",
                all,
                "m",
                Optional.of(Pack.covering("roll", spec.takeoff().cableRollM(), all)),
                Tally.plural(count, "cable") + " at " + Tally.plural(cabled.size(), "gate")
                        + ", one for the hot and one for the earth wires there are, each " + parts + " = "
                        + tally.length(all),
                "J3",
                "J6",
                "C9");
        List<Cabled> buried = cabled.stream()
                .filter(c -> c.gate().gate().kind() != GateKind.CREEK)
                .toList();
        double conduit = buried.stream()
                .mapToDouble(c -> c.gate().gate().openingM() + 2 * under.burialM())
                .sum();
        tally.add(
                "conduit",
                "Conduit under gates",
                conduit,
                "m",
                Optional.empty(),
                Tally.plural(buried.size(), "gate") + " × (opening + 2 × " + tally.length(under.burialM()) + " deep) = "
                        + tally.length(conduit),
                "J3");
    }

    /** An opening with the cables that cross it. */
    private record Cabled(Counts.Gated gate, int cables) {}

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
        boolean earth = layout.lines().stream()
                .filter(l -> l.lineId().equals(feed.lineId()))
                .anyMatch(l -> l.schedule().count(WireRole.EARTH) > 0);
        int cables = earth && spec.build().wires().earthTied() ? 2 : 1;
        tally.add(
                "cable.lead-out",
                cables == 2 ? "Lead-out cable, hot and earth" : "Lead-out cable, hot",
                cables * leadOut,
                "m",
                Optional.of(Pack.covering("roll", spec.takeoff().cableRollM(), cables * leadOut)),
                Tally.plural(cables, "cable") + " × (" + tally.length(feed.leadOutM())
                        + " to the fence, round what is in the way, + "
                        + tally.length(spec.feed().leadOutSpareM()) + " spare)"
                        + (cables == 2 ? "" : "; no earth wires lead back to the terminal"),
                "C9");
        tally.pieces(
                "ground.rod",
                "Ground rod, " + tally.length(feed.rodM()),
                feed.rods(),
                rodSentence(feed),
                feed.school().rule(),
                "G5",
                "G8");
        tally.pieces(
                "ground.clamp", "Ground rod clamp", feed.rods(), Tally.plural(feed.rods(), "rod") + " × 1 clamp", "G5");
        tally.add(
                "ground.lead",
                "Ground lead to and between rods",
                feed.groundLeadM(),
                "m",
                Optional.empty(),
                tally.length(feed.firstRodM()) + " from the energizer to the first rod"
                        + (feed.rods() > 1
                                ? " + " + Tally.plural(feed.rods() - 1, "gap") + " of " + tally.length(feed.rodApartM())
                                : "")
                        + " = " + tally.length(feed.groundLeadM()),
                "G1",
                "X4");
    }

    private String rodSentence(FeedPlace feed) {
        return switch (feed.school()) {
            case THREE_RODS -> "three rods " + tally.length(feed.rodApartM()) + " apart";
            case ONE_LONG_ROD -> "one long rod, soft wet clay only";
            case BY_AREA ->
                "one rod for each 2 acres"
                        + (spec.units() == UnitSystem.METRIC ? " (0.81 ha)" : "")
                        + " inside the fence, at most " + Values.G2_MOST_RODS;
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
