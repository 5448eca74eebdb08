package buckle.takeoff;

import buckle.layout.Brace;
import buckle.layout.CutOutPlace;
import buckle.layout.EarthPlace;
import buckle.layout.FeedPlace;
import buckle.layout.GatePlace;
import buckle.layout.Joint;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.layout.PostKind;
import buckle.layout.Pull;
import buckle.layout.Sign;
import buckle.layout.WireRun;
import buckle.material.Conductor;
import buckle.material.Fitting;
import buckle.material.PostStock;
import buckle.material.Product;
import buckle.material.Use;
import buckle.message.JointKind;
import buckle.message.JointMessage;
import buckle.message.TakeoffMessage.Noun;
import buckle.rulebook.Values;
import buckle.site.GateKind;
import buckle.spec.BraceKind;
import buckle.spec.FenceSpec;
import buckle.spec.Spec;
import buckle.spec.Stringing;
import buckle.spec.Supply;
import buckle.spec.Wire;
import buckle.spec.WireGroup;
import buckle.spec.WireRole;
import buckle.takeoff.Part.Terms;
import buckle.task.Cancellation;
import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BiPredicate;
import java.util.function.Predicate;
import java.util.stream.Stream;

/** Every element of a layout as parts, line by line since lines differ in wires. */
public final class Parts {
    /** A cut-out this near a strong post is mounted on it, where the wires end anyway. */
    private static final double AT_POST_M = 1;

    private final Layout layout;
    private final Spec spec;
    private final PartList parts = new PartList();
    /** Joints of gates, by their ids. */
    private final Map<String, Joint> gateJoints = new HashMap<>();
    /** Wires on insulators: the hot ones, unless somebody wants others on insulators or hot ones without. */
    private final Noun onInsulators;

    private final Noun onFasteners;

    private Parts(Layout layout, Spec spec) {
        this.layout = layout;
        this.spec = spec;
        layout.joints().forEach(j -> gateJoints.put(key(j.lineId(), j.id()), j));
        boolean usual = layout.lines().stream()
                .flatMap(l -> l.schedule().wires().stream())
                .allMatch(w -> w.fastening().isEmpty());
        this.onInsulators = usual ? Noun.HOT_WIRE : Noun.WIRE;
        this.onFasteners = usual ? Noun.EARTH_OR_PLAIN_WIRE : Noun.WIRE;
    }

    /** All parts of a layout; none where nothing is laid out. */
    public static List<Part> of(Layout layout, Spec spec) {
        if (layout.lines().isEmpty()) {
            return List.of();
        }
        Parts all = new Parts(layout, spec);
        // Ends are counted one by one where they are not two insulated ones for each pull.
        boolean runOn = layout.lines().stream()
                .anyMatch(l -> l.stringing().way().passesCorners()
                        || l.posts().stream()
                                .anyMatch(p -> p.ends() && p.stock().family().insulates()));
        for (LineLayout line : layout.lines()) {
            Cancellation.check();
            all.posts(line);
            all.braces(line);
            all.wires(new Wired(line, spec, runOn ? Noun.RUN : Noun.PULL));
            all.gates(line);
            all.cutOuts(line);
        }
        all.joints();
        all.leads();
        all.feed();
        all.signs();
        new SmallParts(layout, spec, all.parts).count();
        return all.parts.all();
    }

    /** A joint or a gate by its line: ids of gates are told apart by line only. */
    static String key(String lineId, String id) {
        return lineId + "/" + id;
    }

    private void pieces(Use use, Fitting fitting, String lineId, List<Double> stationsM, double each) {
        parts.add(
                use,
                Product.of(fitting),
                new Place.Stations(lineId, stationsM),
                each * stationsM.size(),
                new Terms.Plain());
    }

    // ---------------------------------------------------------------- posts and braces

    private static Use use(PostKind kind) {
        return switch (kind) {
            case END -> Use.END_POST;
            case CORNER -> Use.CORNER_POST;
            case GATE -> Use.GATE_POST;
            case TEE -> Use.TEE_POST;
            case INLINE -> Use.INLINE_POST;
            case BRACE -> Use.BRACE_POST;
            case LINE -> Use.LINE_POST;
            case TIE_DOWN -> Use.TIE_DOWN_POST;
            case LIGHT -> Use.LIGHT_POST;
        };
    }

    private record Cut(PostKind kind, PostStock stock, double stockM) {
        boolean is(Post post) {
            return kind == post.kind() && stockM == post.stockM() && stock.equals(post.stock());
        }
    }

    private static final class CutPosts {
        private final List<Double> stationsM = new ArrayList<>();
        private double lengthM;
        private double depthM;
    }

    private void posts(LineLayout line) {
        Map<Cut, CutPosts> cuts = new LinkedHashMap<>();
        List<Double> tied = new ArrayList<>();
        List<Double> capped = new ArrayList<>();
        Cut last = null;
        CutPosts cut = new CutPosts();
        for (Post p : line.posts()) {
            if (p.shared() || p.reused()) {
                continue;
            }
            if (last == null || !last.is(p)) {
                last = new Cut(p.kind(), p.stock(), p.stockM());
                cut = cuts.computeIfAbsent(last, c -> new CutPosts());
            }
            cut.stationsM.add(p.stationM());
            cut.lengthM = Math.max(cut.lengthM, p.lengthM());
            cut.depthM = Math.max(cut.depthM, p.depthM());
            if (p.kind() == PostKind.TIE_DOWN) {
                tied.add(p.stationM());
            }
            if (p.kind().strong() && p.stock().family() == PostStock.Family.TIMBER) {
                capped.add(p.stationM());
            }
        }
        cuts.forEach((alike, posts) -> parts.add(
                use(alike.kind()),
                new Product.PostOf(alike.stock(), alike.stockM()),
                new Place.Stations(line.lineId(), posts.stationsM),
                posts.stationsM.size(),
                new Terms.Cut(posts.lengthM, posts.depthM)));
        parts.forEach(Use.TIE_DOWN, Fitting.TIE_DOWN_ANCHOR, line.lineId(), Noun.POST_IN_HOLLOW, tied, 1);
        parts.forEach(Use.POST_CAP, Fitting.POST_CAP, line.lineId(), Noun.STRONG_TIMBER_POST, capped, 1);
    }

    private void braces(LineLayout line) {
        Map<Double, List<Double>> rails = new LinkedHashMap<>();
        List<Double> diagonals = new ArrayList<>();
        for (Brace b : line.braces()) {
            if (b.kind().framed()) {
                for (int k = 0; k < b.kind().rails(); k++) {
                    rails.computeIfAbsent(b.railM(), r -> new ArrayList<>()).add(b.strongStationM());
                }
            } else if (b.kind() == BraceKind.DIAGONAL) {
                diagonals.add(b.strongStationM());
            }
        }
        List<Double> frames = new ArrayList<>();
        rails.forEach((railM, stations) -> {
            frames.addAll(stations);
            parts.add(
                    Use.RAIL,
                    new Product.Rail(railM),
                    new Place.Stations(line.lineId(), stations),
                    stations.size(),
                    new Terms.Plain());
        });
        pieces(Use.BRACE_PIN, Fitting.BRACE_PIN, line.lineId(), frames, Values.B4_PINS_PER_RAIL);
        pieces(Use.BRACE_LOOP, Fitting.BRACE_LOOP, line.lineId(), frames, 1);
        parts.forEach(Use.DIAGONAL, Fitting.DIAGONAL_RAIL, line.lineId(), Noun.DIAGONAL_BRACE, diagonals, 1);
        pieces(Use.BACK_STAKE, Fitting.BACK_STAKE, line.lineId(), held(line, BraceKind.BACK_STAKE), 1);
        parts.forEach(
                Use.FOOTING,
                Fitting.PIPE_FOOTING,
                line.lineId(),
                Noun.PIPE_POST,
                held(line, BraceKind.PIPE_CONCRETE),
                1);
    }

    /** Strong posts held by a kind of brace; one holds both pulls of a corner. */
    private static List<Double> held(LineLayout line, BraceKind kind) {
        Map<Long, Double> stations = new LinkedHashMap<>();
        for (Brace b : line.braces()) {
            if (b.kind() == kind) {
                boolean seam = line.closed() && b.strongStationM() > line.lengthM() - Lengths.TAPE_M;
                double at = seam ? 0 : b.strongStationM();
                stations.putIfAbsent(Math.round(at / Lengths.TAPE_M), at);
            }
        }
        return List.copyOf(stations.values());
    }

    // ---------------------------------------------------------------- wires

    /** A line's wires, and where they pass, turn, end and are cut. */
    private static final class Wired {
        final LineLayout line;
        final FenceSpec fence;
        /** Wires that have to be hung, by what they are made of and how they are pulled. */
        final List<WireGroup> groups;

        final Map<PostStock.Family, List<Double>> passed = new EnumMap<>(PostStock.Family.class);
        final List<Double> turning = new ArrayList<>();
        final List<Double> inside = new ArrayList<>();
        final List<Double> brackets = new ArrayList<>();
        final List<Double> braced = new ArrayList<>();
        final List<Double> cutThrough = new ArrayList<>();
        /** Pulls, or runs where the wires of some line run on through several. */
        final Noun run;

        final boolean passes;

        final boolean oneWire;
        final List<Double> runs = new ArrayList<>();
        final List<Double> runEnds = new ArrayList<>();
        final List<Double> insulatedEnds = new ArrayList<>();
        final List<Double> tighteners = new ArrayList<>();
        final List<Double> springs = new ArrayList<>();

        Wired(LineLayout line, Spec spec, Noun run) {
            this.line = line;
            this.fence =
                    spec.fence(line.lineId()).withStringing(line.stringing()).withSchedule(line.schedule());
            this.groups = fence.wireGroups().stream().filter(g -> !g.stands()).toList();
            this.run = run;
            this.passes = line.stringing().way().passesCorners();
            this.oneWire = line.stringing().way().oneWire();
            for (Post b : line.posts()) {
                if (!b.ends()) {
                    passes(b, spec).add(b.stationM());
                }
            }
            for (WireRun r : line.runs()) {
                runs.add(r.fromM());
                boolean there = nets() < hotPieces();
                List<Double> ends = List.of(r.fromM(), back(r) ? r.fromM() : r.toM());
                runEnds.addAll(ends);
                ends.stream().filter(at -> there && insulatorAt(at)).forEach(insulatedEnds::add);
                tighteners.addAll(r.tightenersM());
                springs.addAll(r.tightenersM().stream().limit(1).toList());
            }
            for (int k = 0; k < line.pulls().size(); k++) {
                Pull pull = line.pulls().get(k);
                boolean one = line.braces().get(2 * k).load().railM() > 0;
                boolean other = line.braces().get(2 * k + 1).load().railM() > 0;
                if (one || other) {
                    braced.add(one ? pull.fromM() : pull.toM());
                }
            }
            for (CutOutPlace c : line.cutOuts()) {
                if (line.posts().stream()
                        .noneMatch(b -> b.ends() && Math.abs(b.stationM() - c.stationM()) <= AT_POST_M)) {
                    cutThrough.add(c.stationM());
                }
            }
        }

        /** An even number of heights brings the one wire back to where it began. */
        private boolean back(WireRun r) {
            return r.oneWire() && !r.ring() && line.schedule().count(WireRole.HOT) % 2 == 0;
        }

        /** Rods and step-ins insulate by themselves; wires that are strained from post to post end on insulators all the same. */
        private boolean insulatorAt(double stationM) {
            boolean strained = groups.stream()
                    .anyMatch(g -> g.role() == WireRole.HOT && g.conductor().strained() && !g.byHand());
            return !passes && strained
                    || line.posts().stream()
                            .filter(p -> near(p.stationM(), stationM))
                            .noneMatch(p -> p.stock().family().insulates());
        }

        private boolean near(double one, double other) {
            double apart = Math.abs(one - other);
            return apart < Post.SAME_PLACE_M || line.closed() && Math.abs(apart - line.lengthM()) < Post.SAME_PLACE_M;
        }

        /** Hot wires that are each in one piece. */
        int hotPieces() {
            return pieces(g -> g.role() == WireRole.HOT);
        }

        /** Nets that stand by themselves: they are hooked together, end to end. */
        int nets() {
            return passes ? pieces(g -> g.role() == WireRole.HOT && net(g)) : 0;
        }

        int pieces() {
            return pieces(g -> true);
        }

        static boolean net(WireGroup wires) {
            return wires.conductor().family() == Conductor.Family.NET;
        }

        /** Wires that are each in one piece, of some kinds. */
        int pieces(Predicate<WireGroup> which) {
            return groups.stream().filter(which).mapToInt(this::pieces).sum();
        }

        /** As the pulls are strained. */
        boolean sprung(WireGroup group) {
            return line.pulls().stream()
                    .flatMap(p -> p.wires().stream())
                    .anyMatch(x -> x.sprung() && x.wires().equals(group.wires()));
        }

        int pieces(WireGroup group) {
            return oneWire && group.role() == WireRole.HOT ? 1 : group.count();
        }

        private List<Double> passes(Post b, Spec spec) {
            if (fence.holdsWires(b.stock().family())) {
                return passed.computeIfAbsent(b.stock().family(), f -> new ArrayList<>());
            }
            if (b.shared() && (b.kind().spaced() || b.kind() == PostKind.LIGHT)) {
                return brackets;
            }
            if (Math.abs(b.deflectionDeg()) >= spec.fence().braces().strongerFromDeg()) {
                return b.wiresInside() ? inside : turning;
            }
            return passed.computeIfAbsent(b.stock().family(), f -> new ArrayList<>());
        }

        /** Wires to hang that something holds on a post of a family; nets hang on their own posts. */
        int held(Wire.Fastening by, PostStock.Family family) {
            boolean own = fence.holdsWires(family);
            return count((group, wire) -> {
                Wire.Fastening said = wire.fastening().orElse(usual(group, own));
                Wire.Fastening there = said == Wire.Fastening.OWN && !own ? usual(group, false) : said;
                return fitting(there, family) == by;
            });
        }

        private static Wire.Fastening usual(WireGroup group, boolean own) {
            return own || group.role() == WireRole.HOT && net(group)
                    ? Wire.Fastening.OWN
                    : group.role() == WireRole.HOT ? Wire.Fastening.INSULATOR : Wire.Fastening.STAPLE;
        }

        /** Staples go into timber and clips round everything else, unless somebody wants clips on timber. */
        private static Wire.Fastening fitting(Wire.Fastening said, PostStock.Family family) {
            return said == Wire.Fastening.STAPLE && !family.stapled() ? Wire.Fastening.CLIP : said;
        }

        private int count(BiPredicate<WireGroup, Wire> which) {
            int count = 0;
            for (WireGroup group : groups) {
                for (int wire : group.wires()) {
                    boolean ofNet = group.role() == WireRole.HOT && net(group);
                    Wire w = line.schedule().wires().get(wire - 1);
                    count += !ofNet && which.test(group, w) ? 1 : 0;
                }
            }
            return count;
        }

        /** Wires on insulators where they turn, end and are cut: what the post is made of is no matter there. */
        int insulated() {
            return held(Wire.Fastening.INSULATOR, PostStock.Family.TIMBER);
        }

        /** Where wires are stapled or clipped, by how many they are. */
        Map<Integer, List<Double>> fastened(Wire.Fastening by) {
            Map<Integer, List<Double>> all = new LinkedHashMap<>();
            passed.forEach((family, stations) -> fastened(all, by, family, stations));
            Stream.of(turning, inside, brackets).forEach(at -> fastened(all, by, PostStock.Family.TIMBER, at));
            return all;
        }

        private void fastened(
                Map<Integer, List<Double>> all, Wire.Fastening by, PostStock.Family family, List<Double> at) {
            all.computeIfAbsent(held(by, family), n -> new ArrayList<>()).addAll(at);
        }
    }

    private void counted(
            Use use, Product product, Wired w, Noun wireNoun, int wires, Noun thingNoun, List<Double> at, long each) {
        counted(use, product, w, wireNoun, wires, thingNoun, at.size(), at, each);
    }

    private void counted(
            Use use,
            Product product,
            Wired w,
            Noun wireNoun,
            int wires,
            Noun thingNoun,
            int things,
            List<Double> at,
            long each) {
        parts.add(
                use,
                product,
                new Place.Stations(w.line.lineId(), at),
                (double) wires * things * each,
                new Terms.Count(wireNoun, thingNoun, wires, things, each));
    }

    private void wires(Wired w) {
        w.groups.forEach(g -> wire(w, g));
        insulators(w);
        walls(w);
        straining(w);
    }

    private void wire(Wired w, WireGroup group) {
        Use use = switch (group.role()) {
            case HOT -> Use.HOT_WIRE;
            case EARTH -> Use.EARTH_WIRE;
            case PLAIN -> Use.PLAIN_WIRE;
        };
        Product product = new Product.WireOf(group.conductor());
        boolean net = w.passes && Wired.net(group);
        double slack = net ? 1 : 1 + spec.purchasing().wireSlackPercent() / 100;
        for (Pull pull : w.line.pulls()) {
            int coils = pull.wires().stream()
                    .filter(x -> x.wires().equals(group.wires()))
                    .mapToInt(Pull.PullWire::coils)
                    .sum();
            parts.add(
                    use,
                    product,
                    new Place.Stretch(w.line.lineId(), pull.fromM(), pull.toM()),
                    group.count() * pull.slopeLengthM() * slack,
                    new Terms.Metres(group.count(), pull.slopeLengthM(), coils, 1 - 1 / slack));
        }
        if (w.passes && !net) {
            double tail = group.conductor().crimped() ? Values.S5_TAIL_M : Values.S5_WOVEN_TAIL_M;
            long ends = (long) w.pieces(group) * w.runEnds.size();
            parts.add(
                    use,
                    product,
                    new Place.Stations(w.line.lineId(), w.runEnds),
                    ends * tail,
                    new Terms.Tails(ends, tail));
        }
    }

    /** I1: one for each hot wire and post passed, of the kind that fits the post; spares at the braces, of the kind of strong posts. */
    private void insulators(Wired w) {
        var hazard = spec.fence().hazard();
        PostStock.Family strong = spec.fence().posts().strong().family();
        w.passed.forEach((family, at) -> counted(
                Use.LINE_INSULATOR,
                new Product.LineInsulator(family, hazard),
                w,
                onInsulators,
                w.held(Wire.Fastening.INSULATOR, family),
                Noun.POST_PASSED,
                at,
                1));
        counted(
                Use.LINE_INSULATOR,
                new Product.LineInsulator(strong, hazard),
                w,
                onInsulators,
                w.held(Wire.Fastening.INSULATOR, strong),
                Noun.BRACED_PULL,
                w.braced,
                Values.I1_SPARES_PER_WIRE_AND_PULL);
        insulator(Use.CORNER_INSULATOR, Fitting.CORNER_INSULATOR, w, Noun.POST_PASSED_IN_TURN, w.turning);
        insulator(
                Use.CORNER_INSULATOR_INSIDE,
                Fitting.CORNER_INSULATOR_INSIDE,
                w,
                Noun.POST_PASSED_INSIDE_TURN,
                w.inside);
        insulator(Use.OFFSET_BRACKET, Fitting.OFFSET_BRACKET, w, Noun.POST_OF_OLD_FENCE, w.brackets);
        ends(
                Use.STRAIN_INSULATOR,
                Fitting.STRAIN_INSULATOR,
                w,
                Noun.HOT_WIRE,
                w.pieces(g -> g.role() == WireRole.HOT && !Wired.net(g)),
                w.insulatedEnds,
                1,
                Noun.INSULATED_END);
        int cut = w.count((g, x) -> g.role() == WireRole.HOT);
        Product strain = Product.of(Fitting.STRAIN_INSULATOR);
        counted(Use.STRAIN_INSULATOR, strain, w, Noun.HOT_WIRE, cut, Noun.CUT_OUT, w.cutThrough, 1);
        fasteners(Use.STAPLE, Fitting.STAPLE, w, Wire.Fastening.STAPLE);
        fasteners(Use.CLIP, Fitting.CLIP, w, Wire.Fastening.CLIP);
    }

    /** At the ends of wires: so many each. Where the wires of some line run on, ends are counted rather than pulls. */
    private void ends(
            Use use, Fitting fitting, Wired w, Noun wires, int count, List<Double> at, long each, Noun counted) {
        if (w.run == Noun.PULL) {
            counted(use, Product.of(fitting), w, wires, count, Noun.PULL, w.runs.size(), at, 2 * each);
        } else {
            counted(use, Product.of(fitting), w, wires, count, counted, (int) (at.size() * each), at, 1);
        }
    }

    private void insulator(Use use, Fitting fitting, Wired w, Noun things, List<Double> at) {
        counted(use, Product.of(fitting), w, onInsulators, w.insulated(), things, at, 1);
    }

    private void fasteners(Use use, Fitting fitting, Wired w, Wire.Fastening by) {
        w.fastened(by)
                .forEach((wires, at) ->
                        counted(use, Product.of(fitting), w, onFasteners, wires, Noun.POST_PASSED, at, 1));
    }

    /** A stub or an eye for each wire where they end on a wall. */
    private void walls(Wired w) {
        counted(
                Use.WALL_ANCHOR,
                Product.of(Fitting.WALL_ANCHOR),
                w,
                Noun.WIRE,
                w.pieces(),
                Noun.WALL,
                w.line.wallsM(),
                1);
    }

    private void straining(Wired w) {
        Stringing.Tightener tightener = w.line.stringing().tightener();
        boolean everyWire = tightener != Stringing.Tightener.BY_LENGTH;
        int strained = w.pieces(g -> !g.byHand()
                && !Wired.net(g)
                && (everyWire || g.conductor().strained() || g.conductor().family() == Conductor.Family.SOFT_WIRE));
        int sprung = w.pieces(w::sprung);
        Noun tightened = w.run == Noun.PULL ? Noun.PULL : Noun.TIGHTENER;
        counted(Use.STRAINER, Product.of(Fitting.STRAINER), w, Noun.WIRE, strained, tightened, w.tighteners, 1);
        counted(Use.SPRING, Product.of(Fitting.SPRING), w, Noun.HOT_WIRE, sprung, w.run, w.springs, 1);
        Optional<Stringing.WireEnd> end = w.line.stringing().end();
        int crimped = end.isPresent()
                ? end.get().sleeves() > 0 ? w.pieces() : 0
                : w.pieces(g -> g.conductor().crimped());
        int sleeves = end.map(Stringing.WireEnd::sleeves).orElse(Values.S5_CRIMPS_PER_END);
        ends(Use.CRIMP, Fitting.CRIMP, w, Noun.WIRE, crimped, w.runEnds, sleeves, Noun.SLEEVE);
        // One is left on each wire before it is ended: the jumpers come later.
        ends(Use.LOOSE_SLEEVE, Fitting.CRIMP, w, Noun.WIRE, crimped, w.runEnds, 1, Noun.SLEEVE);
        int cut = w.count((g, x) -> g.role() == WireRole.HOT && g.conductor().crimped());
        long crimps = 2L * Values.S5_CRIMPS_PER_END;
        boolean pulls = w.run == Noun.PULL;
        counted(
                Use.CRIMP,
                Product.of(Fitting.CRIMP),
                w,
                pulls ? Noun.HOT_WIRE : Noun.WIRE,
                cut,
                pulls ? Noun.CUT_OUT : Noun.SLEEVE,
                pulls ? w.cutThrough.size() : (int) (w.cutThrough.size() * crimps),
                w.cutThrough,
                pulls ? crimps : 1);
        List<Double> joints = w.line.pulls().stream()
                .flatMap(p -> p.wires().stream())
                .flatMap(x -> x.joinersM().stream())
                .toList();
        pieces(Use.WIRE_JOINT, Fitting.WIRE_JOINT, w.line.lineId(), joints, 1);
        boolean knotted = end.filter(e -> e.sleeves() == 0).isPresent();
        ends(
                Use.END_TIE,
                knotted ? Fitting.WIRE_END : Fitting.END_TIE,
                w,
                knotted ? Noun.WIRE : Noun.WOVEN_WIRE,
                knotted ? w.pieces() - w.nets() : end.isPresent() ? 0 : w.pieces() - crimped - w.nets(),
                w.runEnds,
                1,
                Noun.END);
    }

    // ---------------------------------------------------------------- joints, gates, switches

    private record Jointed(String lineId, JointKind kind, int each) {}

    /** Counted from the joints as they are drawn. */
    private void joints() {
        Map<Jointed, List<Double>> jumpers = new LinkedHashMap<>();
        Map<Jointed, List<Double>> pieces = new LinkedHashMap<>();
        Map<Jointed, List<Double>> clamps = new LinkedHashMap<>();
        for (Joint j : layout.joints()) {
            if (j.kind() == JointKind.JUMPER) {
                at(jumpers, j, 1);
            }
            at(pieces, j, j.parts().pieces());
            at(clamps, j, j.parts().clamps());
        }
        jumpers.forEach((joint, at) -> joint(Use.JUMPER_SET, Fitting.JUMPER_SET, joint, at));
        pieces.forEach((joint, at) -> joint(Use.JUMPER_PIECE, Fitting.JUMPER_PIECE, joint, at));
        clamps.forEach((joint, at) -> joint(Use.CLAMP, Fitting.CLAMP, joint, at));
    }

    private void leads() {
        for (Joint j : layout.joints()) {
            if (j.says() instanceof JointMessage.LeadJoint lead) {
                parts.add(
                        Use.LEAD,
                        Product.of(Fitting.LEAD),
                        new Place.Stations(j.lineId(), List.of(j.stationM())),
                        lead.lengthM(),
                        new Terms.Metres(1, lead.lengthM(), 0));
            }
        }
    }

    private static void at(Map<Jointed, List<Double>> all, Joint j, int each) {
        all.computeIfAbsent(new Jointed(j.lineId(), j.kind(), each), k -> new ArrayList<>())
                .add(j.stationM());
    }

    private void joint(Use use, Fitting fitting, Jointed joint, List<Double> at) {
        parts.add(
                use,
                Product.of(fitting),
                new Place.Stations(joint.lineId(), at),
                (double) joint.each() * at.size(),
                new Terms.AtJoint(joint.kind(), at.size()));
    }

    private void gates(LineLayout line) {
        int hot = line.schedule().count(WireRole.HOT);
        for (GatePlace gate : line.gates()) {
            switch (gate.kind()) {
                case SWING -> leaf(Use.SWING_GATE, Fitting.SWING_GATE, line, gate);
                case SLIDING -> leaf(Use.SLIDING_GATE, Fitting.SLIDING_GATE, line, gate);
                case HANDLE -> gate(Use.GATE_HANDLE, Fitting.GATE_HANDLE, line, gate, hot);
                case SPRING_SET -> gate(Use.SPRING_GATE, Fitting.SPRING_GATE_SET, line, gate, hot);
                case RIGID -> leaf(Use.RIGID_GATE, Fitting.RIGID_GATE, line, gate);
                case STRAND -> {
                    gate(Use.STRAND_GATE, Fitting.STRAND_HANDLE, line, gate, 1);
                    gate(Use.GATE_ANCHOR, Fitting.GATE_ANCHOR, line, gate, 2);
                }
                case CREEK -> gate(Use.CREEK_PART, Fitting.CREEK_PART, line, gate, 1);
            }
            if (gate.fit().netting()) {
                parts.add(
                        Use.GATE_NETTING,
                        Product.of(Fitting.GATE_NETTING),
                        new Place.Stretch(line.lineId(), gate.fromM(), gate.toM()),
                        gate.openingM(),
                        new Terms.Plain());
            }
            cables(line, gate);
        }
    }

    /** Leaves differ by the opening they close. */
    private void leaf(Use use, Fitting fitting, LineLayout line, GatePlace gate) {
        parts.add(
                use,
                new Product.Leaf(fitting, gate.openingM()),
                new Place.Stations(line.lineId(), List.of(gate.fromM())),
                1,
                new Terms.Plain());
    }

    private void gate(Use use, Fitting fitting, LineLayout line, GatePlace gate, int each) {
        pieces(use, fitting, line.lineId(), List.of(gate.fromM()), each);
    }

    /** As many cables across an opening as its joint has. */
    private void cables(LineLayout line, GatePlace gate) {
        Joint joint = gateJoints.get(key(line.lineId(), gate.id()));
        if (joint == null || joint.parts().cables() == 0) {
            return;
        }
        FenceSpec.UnderGate under = spec.fence().underGate();
        Place across = new Place.Stretch(line.lineId(), gate.fromM(), gate.toM());
        boolean hot = joint.kind() == JointKind.CABLE;
        for (List<Integer> wires : List.of(hot ? joint.hot() : List.<Integer>of(), joint.earth())) {
            if (!wires.isEmpty()) {
                // Up to the lowest of the wires it serves, on both sides.
                double riser = line.schedule().wires().get(wires.getFirst() - 1).heightM();
                double each = gate.openingM() + 2 * under.burialM() + 2 * riser + 2 * under.spareLoopM();
                parts.add(Use.GATE_CABLE, Product.of(Fitting.GATE_CABLE), across, each, new Terms.Metres(1, each, 0));
            }
        }
        if (gate.kind() != GateKind.CREEK) {
            parts.add(
                    Use.CONDUIT,
                    Product.of(Fitting.CONDUIT),
                    across,
                    gate.openingM() + 2 * under.burialM(),
                    new Terms.Plain());
        }
    }

    private void cutOuts(LineLayout line) {
        pieces(
                Use.CUT_OUT,
                Fitting.CUT_OUT,
                line.lineId(),
                line.cutOuts().stream().map(CutOutPlace::stationM).toList(),
                1);
        List<Double> creeks = line.gates().stream()
                .filter(g -> g.kind() == GateKind.CREEK)
                .map(GatePlace::fromM)
                .toList();
        pieces(Use.CUT_OUT, Fitting.CUT_OUT, line.lineId(), creeks, 1);
    }

    // ---------------------------------------------------------------- energizer, ground, signs

    private void feed() {
        FeedPlace feed = layout.feed().orElseThrow();
        Place at = new Place.Stations(feed.lineId(), List.of(feed.stationM()));
        Product energizer = spec.supply()
                .energizer()
                .<Product>map(e -> new Product.Energizer(e.name()))
                .orElse(Product.of(Fitting.ENERGIZER));
        parts.add(Use.ENERGIZER, energizer, at, 1, new Terms.Plain());
        power(at);
        parts.add(
                Use.CUT_OUT, Product.of(Fitting.CUT_OUT), at, spec.supply().leadOutSwitch() ? 1 : 0, new Terms.Plain());
        double leadOut = feed.leadOutM() + spec.supply().leadOutSpareM();
        boolean earth = layout.lines().stream()
                .filter(l -> l.lineId().equals(feed.lineId()))
                .anyMatch(l -> l.schedule().count(WireRole.EARTH) > 0);
        int cables = earth && spec.fence().wires().earthTied() ? 2 : 1;
        parts.add(
                Use.LEAD_OUT,
                Product.of(Fitting.LEAD_OUT_CABLE),
                at,
                cables * leadOut,
                new Terms.Metres(cables, leadOut, 0));
        Map<Product, Integer> rods = new LinkedHashMap<>();
        int clamps = 0;
        for (EarthPlace rod : feed.earth()) {
            clamps += rod.leadM() > 0 ? 1 : 0;
            if (!rod.stands()) {
                rods.merge(new Product.GroundRod(rod.kind(), rod.lengthM()), 1, Integer::sum);
            }
        }
        rods.forEach((rod, count) -> parts.add(Use.GROUND_ROD, rod, at, count, new Terms.Plain()));
        parts.add(
                Use.GROUND_CLAMP,
                Product.of(Fitting.GROUND_CLAMP),
                at,
                clamps,
                new Terms.Each(Noun.GROUND_ROD, clamps, 1));
        parts.add(Use.GROUND_LEAD, Product.of(Fitting.GROUND_LEAD), at, feed.groundLeadM(), new Terms.Plain());
    }

    /** What runs the energizer where no mains does. */
    private void power(Place at) {
        Supply.Battery own = spec.supply().battery();
        Supply.Source source = spec.supply().source();
        if (source == Supply.Source.MAINS) {
            return;
        }
        boolean sun = source == Supply.Source.SOLAR;
        parts.add(Use.BATTERY, new Product.Battery(own.batteryAh()), at, sun ? 1 : own.inTurn(), new Terms.Plain());
        parts.add(Use.BATTERY_BOX, Product.of(Fitting.BATTERY_BOX), at, 1, new Terms.Plain());
        parts.add(Use.SUPPLY_CABLE, Product.of(Fitting.SUPPLY_CABLE), at, own.cableM(), new Terms.Plain());
        if (sun) {
            parts.add(Use.PANEL, new Product.Panel(own.panelW()), at, own.panelW() > 0 ? 1 : 0, new Terms.Plain());
            parts.add(Use.CHARGE_CONTROLLER, Product.of(Fitting.CHARGE_CONTROLLER), at, 1, new Terms.Plain());
        }
    }

    private void signs() {
        Map<String, List<Double>> byLine = new LinkedHashMap<>();
        for (Sign sign : layout.signs()) {
            byLine.computeIfAbsent(sign.lineId(), l -> new ArrayList<>()).add(sign.stationM());
        }
        byLine.forEach((line, at) -> pieces(Use.SIGN, Fitting.SIGN, line, at, 1));
    }
}
