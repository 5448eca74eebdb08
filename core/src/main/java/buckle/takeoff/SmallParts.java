package buckle.takeoff;

import buckle.layout.Brace;
import buckle.layout.GatePlace;
import buckle.layout.Joint;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.layout.Pull;
import buckle.material.Fitting;
import buckle.material.PostStock;
import buckle.material.Product;
import buckle.material.Use;
import buckle.message.JointKind;
import buckle.message.TakeoffMessage.Noun;
import buckle.rulebook.Values;
import buckle.site.GateKind;
import buckle.spec.FenceSpec;
import buckle.spec.Spec;
import buckle.spec.Wire;
import buckle.spec.WireRole;
import buckle.takeoff.Part.Terms;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.NavigableMap;
import java.util.Objects;
import java.util.TreeMap;

/** What is forgotten when a fence is counted by hand: nails, staples, diagonals' wire, sleeves of joints, strands of gates, jumper wire, elbows, concrete. */
final class SmallParts {
    private final Layout layout;
    private final Spec spec;
    private final Map<String, LineLayout> lines = new HashMap<>();
    private final Map<String, Joint> joints = new HashMap<>();
    private final PartList parts;

    /** @param parts what was counted already, from which some follow, and to which these are added */
    SmallParts(Layout layout, Spec spec, PartList parts) {
        this.layout = layout;
        this.spec = spec;
        this.parts = parts;
        layout.lines().forEach(l -> lines.put(l.lineId(), l));
        layout.joints().forEach(j -> joints.put(Parts.key(j.lineId(), j.id()), j));
    }

    void count() {
        nails();
        ties();
        concrete();
        for (LineLayout line : layout.lines()) {
            diagonals(line);
            sleeves(line);
            line.gates().forEach(gate -> gate(line, gate));
        }
        layout.joints().forEach(this::jumper);
    }

    /** Two for each insulator that is nailed or screwed on. */
    private void nails() {
        for (Part p : parts.all()) {
            boolean nailed = p.product() instanceof Product.LineInsulator l && l.family() == PostStock.Family.TIMBER
                    || p.use() == Use.CORNER_INSULATOR
                    || p.use() == Use.CORNER_INSULATOR_INSIDE;
            if (nailed) {
                long insulators = Math.round(p.quantity());
                parts.add(
                        Use.INSULATOR_NAIL,
                        Product.of(Fitting.INSULATOR_NAIL),
                        p.place(),
                        (double) insulators * Values.I1_NAILS,
                        new Terms.Each(Noun.NAILED_INSULATOR, insulators, Values.I1_NAILS));
            }
        }
    }

    /** Strain insulators hang on a loop of soft wire round their post; on a wall its anchor holds them, and cut-outs lie in the wire. */
    private void ties() {
        for (Part p : parts.all()) {
            if (p.use() == Use.STRAIN_INSULATOR
                    && p.place() instanceof Place.Stations at
                    && p.terms() instanceof Terms.Count terms
                    && terms.things() != Noun.CUT_OUT
                    && !at.stationsM().isEmpty()) {
                tied(
                        Objects.requireNonNull(lines.get(at.lineId())),
                        at.stationsM(),
                        p.quantity() / at.stationsM().size());
            }
        }
    }

    /** @param each insulators at each station */
    private void tied(LineLayout line, List<Double> stationsM, double each) {
        NavigableMap<Double, Post> strong = new TreeMap<>();
        line.posts().stream().filter(Post::ends).forEach(p -> strong.put(p.stationM(), p));
        Map<Double, List<Double>> byWidth = new LinkedHashMap<>();
        for (double station : stationsM) {
            double at = line.closed() && station > line.lengthM() - Post.SAME_PLACE_M ? 0 : station;
            boolean wall = line.wallsM().stream().anyMatch(w -> Math.abs(w - at) < Post.SAME_PLACE_M);
            strong.subMap(at - Post.SAME_PLACE_M, true, at + Post.SAME_PLACE_M, true).values().stream()
                    .filter(p -> !wall)
                    .findFirst()
                    .ifPresent(p -> byWidth.computeIfAbsent(p.stock().widthM(), w -> new ArrayList<>())
                            .add(station));
        }
        byWidth.forEach((width, at) -> {
            double length = Math.PI * width + Values.I3_TWIST_M;
            long ties = Math.round(each * at.size());
            parts.add(
                    Use.TIE_WIRE,
                    Product.of(Fitting.TIE_WIRE),
                    new Place.Stations(line.lineId(), at),
                    ties * length,
                    new Terms.Metres(ties, length, 0));
        });
    }

    /** Two strands from the foot of the strong post to the head of the brace post, a staple at both ends of each, twisted by a stick. */
    private void diagonals(LineLayout line) {
        List<Double> frames = new ArrayList<>();
        for (Brace b : line.braces()) {
            for (int k = 0; k < (b.kind().framed() ? b.kind().rails() : 0); k++) {
                frames.add(b.strongStationM());
                double strand =
                        Math.hypot(b.railM(), Brace.railHeightM(line.schedule().topM())) + Values.B3_WRAP_M;
                parts.add(
                        Use.BRACE_WIRE,
                        Product.of(Fitting.BRACE_WIRE),
                        new Place.Stations(line.lineId(), List.of(b.strongStationM())),
                        2 * strand,
                        new Terms.Metres(2, strand, 0));
            }
        }
        parts.forEach(
                Use.BRACE_STAPLE, Fitting.BRACE_STAPLE, line.lineId(), Noun.BRACE_FRAME, frames, Values.B3_STAPLES);
        parts.forEach(Use.TWITCH, Fitting.TWITCH, line.lineId(), Noun.BRACE_FRAME, frames, 1);
    }

    /** Of joints where coils end in crimped wire. */
    private void sleeves(LineLayout line) {
        List<Double> joints = new ArrayList<>();
        for (Pull pull : line.pulls()) {
            pull.wires().stream().filter(w -> w.conductor().crimped()).forEach(w -> joints.addAll(w.joinersM()));
        }
        parts.forEach(
                Use.JOINT_SLEEVE, Fitting.CRIMP, line.lineId(), Noun.WIRE_JOINT, joints, Values.S5_CRIMPS_PER_JOINT);
    }

    /** For the footings that were counted. */
    private void concrete() {
        for (Part p : parts.all()) {
            if (p.use() == Use.FOOTING && p.place() instanceof Place.Stations at) {
                LineLayout line = Objects.requireNonNull(lines.get(at.lineId()));
                double kg = line.posts().stream()
                        .filter(post -> at.stationsM().stream()
                                .anyMatch(s -> Math.abs(s - post.stationM()) < Post.SAME_PLACE_M))
                        .mapToDouble(SmallParts::footingKg)
                        .sum();
                parts.add(
                        Use.CONCRETE,
                        Product.of(Fitting.CONCRETE_BAG),
                        at,
                        Math.ceil(kg / Values.B6_BAG_KG - 1e-9),
                        new Terms.Plain());
            }
        }
    }

    /** Round its pipe. */
    private static double footingKg(Post post) {
        double pipe = post.stock().widthM();
        double across = Values.B6_FOOTING_M * Values.B6_FOOTING_M - pipe * pipe;
        return Math.PI / 4 * across * post.depthM() * Values.B6_CONCRETE_KG_PER_M3;
    }

    private void gate(LineLayout line, GatePlace gate) {
        Place across = new Place.Stretch(line.lineId(), gate.fromM(), gate.toM());
        FenceSpec fence = spec.fence(line.lineId());
        List<Wire> hot = line.schedule().wires().stream()
                .filter(w -> w.role() == WireRole.HOT)
                .toList();
        int strands = gate.kind() == GateKind.STRAND
                ? Math.min(1, hot.size())
                : gate.kind() == GateKind.HANDLE ? hot.size() : 0;
        for (int i = hot.size() - strands; i < hot.size(); i++) {
            parts.add(
                    Use.GATE_WIRE,
                    new Product.WireOf(hot.get(i).madeOf(fence.wires())),
                    across,
                    gate.openingM(),
                    new Terms.Metres(1, gate.openingM(), 0));
        }
        int cables = cables(line, gate);
        if (cables == 0) {
            return;
        }
        List<Double> at = List.of(gate.fromM());
        parts.forEach(
                Use.CABLE_MARK,
                Fitting.CABLE_MARK,
                line.lineId(),
                Noun.GATE_CABLE,
                Collections.nCopies(cables, gate.fromM()),
                2);
        if (gate.kind() != GateKind.CREEK) {
            parts.forEach(Use.ELBOW, Fitting.ELBOW, line.lineId(), Noun.CABLED_GATE, at, Values.J3_ELBOWS);
            double riser = line.schedule().wires().getFirst().heightM();
            parts.add(Use.RISER, Product.of(Fitting.CONDUIT), across, 2 * riser, new Terms.Metres(2, riser, 0));
        }
    }

    private int cables(LineLayout line, GatePlace gate) {
        Joint joint = joints.get(Parts.key(line.lineId(), gate.id()));
        return joint == null ? 0 : joint.parts().cables();
    }

    /** From wire to wire in a jumper set; round a post or to a switch as long as a forearm. */
    private void jumper(Joint joint) {
        if (joint.parts().pieces() == 0) {
            return;
        }
        double length = joint.kind() == JointKind.JUMPER
                ? spanM(joint, joint.hot())
                        + spanM(joint, joint.earth())
                        + joint.parts().pieces() * Values.J1_SPARE_M
                : joint.parts().pieces() * Values.J1_PIECE_M;
        parts.add(
                Use.JUMPER_WIRE,
                Product.of(Fitting.JUMPER_WIRE),
                new Place.Stations(joint.lineId(), List.of(joint.stationM())),
                length,
                new Terms.Metres(joint.parts().pieces(), length, 0));
    }

    /** From the lowest of some wires to the highest. */
    private double spanM(Joint joint, List<Integer> wires) {
        if (wires.size() < 2) {
            return 0;
        }
        List<Wire> all =
                Objects.requireNonNull(lines.get(joint.lineId())).schedule().wires();
        return all.get(wires.getLast() - 1).heightM()
                - all.get(wires.getFirst() - 1).heightM();
    }
}
