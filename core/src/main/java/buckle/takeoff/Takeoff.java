package buckle.takeoff;

import buckle.layout.FeedPlace;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.material.Conductor;
import buckle.material.PostStock;
import buckle.material.Product;
import buckle.material.Use;
import buckle.message.JointKind;
import buckle.message.Message;
import buckle.message.TakeoffMessage;
import buckle.message.TakeoffMessage.AtJoints;
import buckle.message.TakeoffMessage.Noun;
import buckle.message.TakeoffMessage.Sum;
import buckle.message.TakeoffMessage.Term;
import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.site.GateKind;
import buckle.spec.BraceKind;
import buckle.spec.Purchasing;
import buckle.spec.Spec;
import buckle.spec.Supply;
import buckle.takeoff.Part.Terms;
import buckle.takeoff.TakeoffLine.Pack;
import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import java.util.TreeMap;
import java.util.stream.Stream;

/** What to load: the parts of a layout, grouped by what they are for and what they are. */
public final class Takeoff {
    private final Layout layout;
    private final Spec spec;
    private final List<TakeoffLine> lines = new ArrayList<>();

    private Takeoff(Layout layout, Spec spec) {
        this.layout = layout;
        this.spec = spec;
    }

    /** Of a layout. */
    public static List<TakeoffLine> of(Layout layout, Spec spec) {
        return of(layout, spec, Parts.of(layout, spec));
    }

    /** Of parts that were found before. */
    static List<TakeoffLine> of(Layout layout, Spec spec, List<Part> parts) {
        Takeoff takeoff = new Takeoff(layout, spec);
        Map<Use, Map<Product, List<Part>>> uses = new EnumMap<>(Use.class);
        for (Part part : parts) {
            uses.computeIfAbsent(part.use(), u -> new LinkedHashMap<>())
                    .computeIfAbsent(part.product(), p -> new ArrayList<>())
                    .add(part);
        }
        uses.forEach(takeoff::lines);
        return List.copyOf(takeoff.lines);
    }

    /** What of the takeoff lies on a stretch of a line: the same lines, their quantities by where their parts are. */
    public static List<TakeoffLine> along(Layout layout, Spec spec, String lineId, double fromM, double toM) {
        List<Part> inside = new ArrayList<>();
        for (Part p : Parts.of(layout, spec)) {
            double quantity = p.quantity() * p.place().share(lineId, fromM, toM);
            if (quantity > Lengths.TAPE_M) {
                inside.add(new Part(p.use(), p.product(), p.place(), quantity, p.terms()));
            }
        }
        return of(layout, spec, inside).stream()
                .map(l -> new TakeoffLine(
                        l.use(),
                        l.product(),
                        l.item(),
                        l.name(),
                        l.quantity(),
                        l.spare(),
                        Optional.empty(),
                        Message.NONE,
                        l.rules()))
                .toList();
    }

    private void lines(Use use, Map<Product, List<Part>> products) {
        List<Product> order = new ArrayList<>(products.keySet());
        order.sort(order(use, products));
        for (int i = 0; i < order.size(); i++) {
            Product product = order.get(i);
            List<Part> parts = Objects.requireNonNull(products.get(product));
            double quantity = parts.stream().mapToDouble(Part::quantity).sum();
            lines.add(new TakeoffLine(
                    use,
                    product,
                    use.id() + suffix(use, product, i),
                    use == Use.LEAD_OUT
                            ? new TakeoffMessage.LeadOutItem(cables(parts) == 2)
                            : new TakeoffMessage.Item(use, product),
                    rounded(use, quantity),
                    rounded(use, quantity) - rounded(use, quantity - spare(parts)),
                    pack(use, product, parts, quantity),
                    derivation(use, product, parts, quantity),
                    rules(use)));
        }
    }

    private static double rounded(Use use, double quantity) {
        return use.byMetre() ? Math.ceil((quantity - Lengths.TAPE_M) * 10) / 10 : Math.rint(quantity);
    }

    /** What rules add to what is counted: spares at braces and the slack of wire. */
    private static double spare(List<Part> parts) {
        double spare = 0;
        for (Part p : parts) {
            if (p.terms() instanceof Terms.Metres m) {
                spare += p.quantity() * m.slackShare();
            } else if (p.terms() instanceof Terms.Count c && c.things() == Noun.BRACED_PULL) {
                spare += p.quantity();
            }
        }
        return spare;
    }

    /** Most posts first; the usual wire first; insulators by what they sit on. */
    private Comparator<Product> order(Use use, Map<Product, List<Part>> products) {
        return switch (use.group()) {
            case POSTS ->
                use == Use.RAIL
                        ? Comparator.comparing(p -> 0)
                        : Comparator.comparingDouble(p -> -Objects.requireNonNull(products.get(p)).stream()
                                .mapToDouble(Part::quantity)
                                .sum());
            case WIRE ->
                Comparator.comparingInt(p -> switch (p) {
                    case Product.WireOf w -> w.conductor() == usual(use) ? 0 : 1;
                    case Product.LineInsulator l -> l.family().ordinal();
                    default -> 0;
                });
            case GATES, FEED, SIGNS -> Comparator.comparing(p -> 0);
        };
    }

    private Conductor usual(Use use) {
        var wires = spec.fence().wires();
        return use == Use.HOT_WIRE ? wires.hot() : use == Use.EARTH_WIRE ? wires.earth() : wires.plain();
    }

    private String suffix(Use use, Product product, int rank) {
        return switch (product) {
            case Product.WireOf w ->
                w.conductor() == usual(use) ? "" : "." + w.conductor().name().toLowerCase(Locale.ROOT);
            case Product.PostOf p ->
                rank == 0 ? "" : "." + p.stock().name().toLowerCase(Locale.ROOT) + "-" + Math.round(p.lengthM() * 1000);
            case Product.LineInsulator l ->
                l.family() == PostStock.Family.TIMBER
                        ? ""
                        : "." + l.family().name().toLowerCase(Locale.ROOT).replace('_', '-');
            case Product.Rail r -> rank == 0 ? "" : "." + (rank + 1);
            case Product.GroundRod r -> rank == 0 ? "" : "." + (rank + 1);
            case Product.Leaf l -> rank == 0 ? "" : "." + Math.round(l.openingM() * 1000);
            case Product.Energizer e -> "";
            case Product.Battery b -> "";
            case Product.Panel w -> "";
            case Product.Piece p -> "";
        };
    }

    private Optional<Pack> pack(Use use, Product product, List<Part> parts, double quantity) {
        Purchasing by = spec.purchasing();
        return switch (use) {
            case HOT_WIRE, EARTH_WIRE, PLAIN_WIRE -> {
                Conductor conductor = ((Product.WireOf) product).conductor();
                int coils = parts.stream()
                        .mapToInt(p -> p.terms() instanceof Terms.Metres m ? m.coils() : 0)
                        .sum();
                yield Optional.of(
                        new Pack("coil", Math.min(by.coilM(), conductor.coilsM().getLast()), coils));
            }
            case LINE_INSULATOR, CORNER_INSULATOR, CORNER_INSULATOR_INSIDE, OFFSET_BRACKET, STRAIN_INSULATOR ->
                Optional.of(Pack.covering("pack", by.insulatorPack(), quantity));
            case STAPLE, CLIP -> Optional.of(Pack.covering("pack", by.fastenerPack(), quantity));
            case CRIMP -> Optional.of(Pack.covering("pack", by.crimpPack(), quantity));
            case GATE_CABLE, LEAD_OUT -> Optional.of(Pack.covering("roll", by.cableRollM(), quantity));
            default -> Optional.empty();
        };
    }

    // ---------------------------------------------------------------- derivations

    private Message derivation(Use use, Product product, List<Part> parts, double quantity) {
        long count = Math.round(quantity);
        return switch (use) {
            case END_POST,
                    CORNER_POST,
                    GATE_POST,
                    TEE_POST,
                    INLINE_POST,
                    BRACE_POST,
                    LINE_POST,
                    TIE_DOWN_POST,
                    LIGHT_POST -> posts(use, (Product.PostOf) product, parts);
            case RAIL -> new TakeoffMessage.Rails(braces(BraceKind.SINGLE_H), braces(BraceKind.DOUBLE_H));
            case BRACE_PIN -> new TakeoffMessage.Pins(count / Values.B4_PINS_PER_RAIL, Values.B4_PINS_PER_RAIL);
            case BRACE_LOOP -> new TakeoffMessage.Loops(count);
            case BACK_STAKE -> new TakeoffMessage.BackStakes(count, Values.B5_OUT_M);
            case HOT_WIRE, EARTH_WIRE, PLAIN_WIRE -> wire((Product.WireOf) product, parts, quantity);
            case LINE_INSULATOR ->
                new TakeoffMessage.LineInsulators(
                        sum(parts, Noun.POST_PASSED),
                        sum(parts, Noun.BRACED_PULL),
                        Values.I1_SPARES_PER_WIRE_AND_PULL,
                        count);
            case CORNER_INSULATOR -> counted(parts, Noun.POST_PASSED_IN_TURN, false, 1, count);
            case CORNER_INSULATOR_INSIDE -> counted(parts, Noun.POST_PASSED_INSIDE_TURN, false, 1, count);
            case OFFSET_BRACKET -> counted(parts, Noun.POST_OF_OLD_FENCE, false, 1, count);
            case STRAIN_INSULATOR -> ends(parts, Noun.HOT_WIRE, Noun.INSULATED_END, 1, count);
            case WALL_ANCHOR -> counted(parts, Noun.WALL, false, 1, count);
            case STAPLE, CLIP -> counted(parts, Noun.POST_PASSED, false, 1, count);
            case STRAINER -> counted(parts, Noun.WIRE, or(parts, Noun.TIGHTENER), false, 1, count);
            case SPRING -> counted(parts, Noun.HOT_WIRE, or(parts, Noun.RUN), false, 1, count);
            case CRIMP, LOOSE_SLEEVE -> ends(parts, Noun.WIRE, Noun.SLEEVE, sleeves(parts), count);
            case WIRE_JOINT ->
                new TakeoffMessage.WhereCoilsEnd(spec.fence().wires().hot().family());
            case END_TIE ->
                new TakeoffMessage.Counted(
                        sum(parts, tied(parts), or(parts, Noun.END)),
                        or(parts, Noun.END) == Noun.PULL,
                        1,
                        sum(parts, Noun.HOT_WIRE, Noun.CUT_OUT),
                        false,
                        OptionalLong.empty());
            case JUMPER_SET -> new TakeoffMessage.JumperSets(count);
            case JUMPER_PIECE ->
                new TakeoffMessage.JumperPieces(
                        atJoints(parts), count, spec.fence().wires().jumperPieces());
            case CLAMP -> new TakeoffMessage.Clamps(atJoints(parts), count);
            case CUT_OUT ->
                new TakeoffMessage.CutOuts(
                        layout.lines().stream()
                                .mapToLong(l -> l.cutOuts().size())
                                .sum(),
                        layout.gates().stream()
                                .filter(g -> g.kind() == GateKind.CREEK)
                                .count(),
                        spec.supply().leadOutSwitch());
            case SWING_GATE, SLIDING_GATE, GATE_HANDLE, SPRING_GATE, RIGID_GATE, STRAND_GATE, CREEK_PART ->
                new TakeoffMessage.Gates(parts.size(), count != parts.size());
            case GATE_CABLE ->
                new TakeoffMessage.GateCables(
                        parts.stream()
                                .mapToLong(p -> ((Terms.Metres) p.terms()).wires())
                                .sum(),
                        parts.stream().map(Part::place).distinct().count(),
                        spec.fence().underGate().burialM(),
                        spec.fence().underGate().spareLoopM(),
                        quantity);
            case GATE_ANCHOR -> new TakeoffMessage.GateAnchors(parts.size());
            case GATE_NETTING -> new TakeoffMessage.Gates(parts.size(), false);
            case CONDUIT ->
                new TakeoffMessage.Conduits(
                        parts.size(), spec.fence().underGate().burialM(), quantity);
            case ENERGIZER -> new TakeoffMessage.OneEnergizer(spec.supply().outputJ());
            case LEAD_OUT ->
                new TakeoffMessage.LeadOutCables(
                        cables(parts), feed().leadOutM(), spec.supply().leadOutSpareM());
            case GROUND_ROD ->
                asFound() || feed().stubs()
                        ? new TakeoffMessage.RodsOneByOne(count, feed().stubs())
                        : new TakeoffMessage.GroundRods(
                                feed().school(),
                                feed().rodM(),
                                feed().rodApartM(),
                                spec.supply().outputJ());
            case GROUND_LEAD ->
                asFound()
                        ? new TakeoffMessage.LeadToRods(
                                feed().earth().getFirst().leadM(),
                                feed().groundLeadM() - feed().earth().getFirst().leadM(),
                                feed().groundLeadM())
                        : new TakeoffMessage.GroundLead(
                                feed().firstRodM(), feed().rods() - 1, feed().rodApartM(), feed().groundLeadM());
            case BRACE_WIRE -> new TakeoffMessage.Diagonals(parts.size(), quantity);
            case CONCRETE ->
                new TakeoffMessage.ConcreteBags(
                        parts.stream()
                                .mapToLong(p ->
                                        ((Place.Stations) p.place()).stationsM().size())
                                .sum(),
                        Values.B6_BAG_KG);
            case JUMPER_WIRE ->
                new TakeoffMessage.JumperWire(
                        parts.stream()
                                .mapToLong(p -> ((Terms.Metres) p.terms()).wires())
                                .sum(),
                        Values.J1_SPARE_M,
                        Values.J1_PIECE_M);
            case TIE_WIRE ->
                new TakeoffMessage.Ties(
                        parts.stream()
                                .mapToLong(p -> ((Terms.Metres) p.terms()).wires())
                                .sum(),
                        Values.I3_TWIST_M);
            case GATE_WIRE -> new TakeoffMessage.GateStrands(parts.size());
            case RISER -> new TakeoffMessage.Risers(parts.size());
            case BATTERY -> new TakeoffMessage.Batteries(count, spec.supply().source() == Supply.Source.SOLAR);
            case PANEL, CHARGE_CONTROLLER, BATTERY_BOX, SUPPLY_CABLE -> new TakeoffMessage.AsSaid(use);
            case LEAD -> new TakeoffMessage.Leads(parts.size(), quantity);
            case SIGN ->
                new TakeoffMessage.Signs(layout.gates().size(), spec.fence().signEveryM(), Values.C4_PUBLIC_EVERY_M);
            default -> forEach(parts);
        };
    }

    private static TakeoffMessage.ForEach forEach(List<Part> parts) {
        Terms.Each one = (Terms.Each) parts.getFirst().terms();
        long things =
                parts.stream().mapToLong(p -> ((Terms.Each) p.terms()).things()).sum();
        return new TakeoffMessage.ForEach(one.thing(), things, one.each());
    }

    private static long cables(List<Part> parts) {
        return ((Terms.Metres) parts.getFirst().terms()).wires();
    }

    private boolean asFound() {
        return !spec.supply().earth().found().isEmpty();
    }

    private FeedPlace feed() {
        return layout.feed().orElseThrow();
    }

    private long braces(BraceKind kind) {
        return layout.lines().stream()
                .flatMap(l -> l.braces().stream())
                .filter(b -> b.kind() == kind)
                .count();
    }

    private Message posts(Use use, Product.PostOf product, List<Part> parts) {
        double length = parts.stream()
                .mapToDouble(p -> ((Terms.Cut) p.terms()).lengthM())
                .max()
                .orElse(0);
        double depth = parts.stream()
                .mapToDouble(p -> ((Terms.Cut) p.terms()).depthM())
                .max()
                .orElse(0);
        double driver = product.stock().family().driverAllowanceM();
        boolean longer = product.lengthM() > product.stock().stockFor(length, spec.units());
        OptionalDouble limit = switch (use) {
            case CORNER_POST -> OptionalDouble.of(spec.fence().braces().strongerFromDeg());
            case INLINE_POST -> OptionalDouble.of(spec.fence().braces().inlineFromM());
            case LINE_POST -> OptionalDouble.of(spec.fence().posts().spacingM());
            default -> OptionalDouble.empty();
        };
        double[] gaps = use == Use.LINE_POST ? gaps() : new double[0];
        return new TakeoffMessage.Posts(
                use,
                limit,
                gaps.length == 0 ? OptionalDouble.empty() : OptionalDouble.of(gaps[0]),
                gaps.length == 0 ? OptionalDouble.empty() : OptionalDouble.of(gaps[1]),
                longer ? OptionalDouble.of(product.lengthM()) : OptionalDouble.empty(),
                length,
                length - depth - driver,
                depth,
                driver);
    }

    /** Narrowest and widest way between posts of which one is a line post; none where there is none. */
    private double[] gaps() {
        double least = Double.POSITIVE_INFINITY;
        double widest = 0;
        for (LineLayout line : layout.lines()) {
            List<Post> posts = line.posts();
            for (int i = 1; i < posts.size(); i++) {
                if (posts.get(i - 1).kind().spaced() || posts.get(i).kind().spaced()) {
                    double gap = posts.get(i).stationM() - posts.get(i - 1).stationM();
                    widest = Math.max(widest, gap);
                    least = Math.min(least, gap);
                }
            }
        }
        return widest == 0 ? new double[0] : new double[] {least, widest};
    }

    private Message wire(Product.WireOf product, List<Part> parts, double quantity) {
        double taken = parts.stream()
                .filter(p -> p.terms() instanceof Terms.Metres)
                .mapToDouble(p -> ((Terms.Metres) p.terms()).wires() * ((Terms.Metres) p.terms()).slopeM())
                .sum();
        boolean byItself = product.conductor().family() == Conductor.Family.NET && quantity < taken + Lengths.TAPE_M;
        Map<Long, Double> byWires = new TreeMap<>();
        Map<Double, Long> tails = new TreeMap<>();
        long pulls = 0;
        for (Part p : parts) {
            if (p.terms() instanceof Terms.Metres m) {
                byWires.merge(m.wires(), m.slopeM(), Double::sum);
                pulls++;
            } else if (p.terms() instanceof Terms.Tails t) {
                tails.merge(t.eachM(), t.ends(), Long::sum);
            }
        }
        List<TakeoffMessage.Wires> runs = new ArrayList<>();
        byWires.forEach((wires, slope) -> runs.add(new TakeoffMessage.Wires(wires, slope)));
        return new TakeoffMessage.WireLength(
                runs,
                pulls,
                byItself ? 0 : spec.purchasing().wireSlackPercent(),
                tails.entrySet().stream()
                        .map(t -> new TakeoffMessage.WireLength.Tails(t.getValue(), t.getKey()))
                        .toList(),
                quantity,
                Values.S14_LEAST_REST_M);
    }

    /** Of the wires that were counted at such things. */
    private static Sum sum(List<Part> parts, Noun things) {
        Noun wires = parts.stream()
                .filter(p -> p.terms() instanceof Terms.Count c && c.things() == things)
                .map(p -> ((Terms.Count) p.terms()).wires())
                .findFirst()
                .orElse(Noun.HOT_WIRE);
        return sum(parts, wires, things);
    }

    private static TakeoffMessage.Counted counted(List<Part> parts, Noun things, boolean ends, long each, long total) {
        return counted(parts, sum(parts, things).wires(), things, ends, each, total);
    }

    private static TakeoffMessage.Counted counted(
            List<Part> parts, Noun wires, Noun things, boolean ends, long each, long total) {
        Sum more = things == Noun.CUT_OUT ? new Sum(wires, things, List.of()) : sum(parts, Noun.HOT_WIRE, Noun.CUT_OUT);
        return new TakeoffMessage.Counted(
                sum(parts, wires, things), ends, each, more, ends && each > 1, OptionalLong.of(total));
    }

    /** What was counted where wires run on, or pulls. */
    private static Noun or(List<Part> parts, Noun running) {
        return parts.stream().anyMatch(p -> p.terms() instanceof Terms.Count c && c.things() == running)
                ? running
                : Noun.PULL;
    }

    private static Noun tied(List<Part> parts) {
        return parts.stream()
                .map(p -> ((Terms.Count) p.terms()).wires())
                .findFirst()
                .orElse(Noun.WOVEN_WIRE);
    }

    /** Sleeves at each end of a pull. */
    private static long sleeves(List<Part> parts) {
        return parts.stream()
                .filter(p -> p.terms() instanceof Terms.Count c && c.things() == Noun.PULL)
                .mapToLong(p -> ((Terms.Count) p.terms()).each() / 2)
                .findFirst()
                .orElse(Values.S5_CRIMPS_PER_END);
    }

    /** At both ends of pulls, or at ends that were counted one by one. */
    private static TakeoffMessage.Counted ends(List<Part> parts, Noun wires, Noun running, long each, long total) {
        Noun things = or(parts, running);
        return things == running
                ? counted(parts, wires, things, false, 1, total)
                : counted(parts, wires, things, true, each, total);
    }

    /** Lines of as many wires are one term. */
    private static Sum sum(List<Part> parts, Noun wires, Noun things) {
        Map<Long, Long> byWires = new TreeMap<>();
        for (Part p : parts) {
            if (p.terms() instanceof Terms.Count c && c.wires() == wires && c.things() == things) {
                byWires.merge(c.wireCount(), c.thingCount(), Long::sum);
            }
        }
        List<Term> terms = new ArrayList<>();
        byWires.forEach((w, t) -> terms.add(new Term(w, t)));
        return new Sum(wires, things, terms);
    }

    private static List<AtJoints> atJoints(List<Part> parts) {
        Map<JointKind, AtJoints> kinds = new EnumMap<>(JointKind.class);
        for (Part p : parts) {
            Terms.AtJoint at = (Terms.AtJoint) p.terms();
            kinds.merge(
                    at.kind(),
                    new AtJoints(at.kind(), at.joints(), Math.round(p.quantity())),
                    (a, b) -> new AtJoints(a.kind(), a.joints() + b.joints(), a.count() + b.count()));
        }
        return List.copyOf(kinds.values());
    }

    // ---------------------------------------------------------------- rules

    /** The school that decided comes first. */
    private List<Rule> rules(Use use) {
        Optional<Rule> school = switch (use) {
            case RAIL -> Optional.of(spec.fence().braces().railSchool().rule());
            case GROUND_ROD ->
                Optional.of(
                        asFound()
                                ? Rule.X4
                                : feed().stubs() ? Rule.G7 : feed().school().rule());
            default -> Optional.empty();
        };
        return Stream.concat(school.stream(), use.rules().stream()).toList();
    }
}
