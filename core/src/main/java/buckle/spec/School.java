package buckle.spec;

import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;

/** The main schools, each able to change a spec to its way and to tell whether a spec follows it. */
public enum School {
    RAIL_EIGHT_FOOT(Topic.RAIL, Rule.B1, "8 ft (2.4 m), whatever the fence", s -> rail(s, RailSchool.EIGHT_FOOT)),
    RAIL_BY_HEIGHT(
            Topic.RAIL,
            Rule.B2,
            "2.5 times the fence height: a flat diagonal lifts less on high fences; on low ones the rail is the shorter and lifts more",
            s -> rail(s, RailSchool.BY_HEIGHT)),
    BRACE_SINGLE(
            Topic.BRACE, Rule.B3, "a well-made single H holds what a double holds", s -> brace(s, BraceKind.SINGLE_H)),
    BRACE_DOUBLE(Topic.BRACE, Rule.B3, "a double H at each end of a pull", s -> brace(s, BraceKind.DOUBLE_H)),
    BRACE_DIAGONAL(Topic.BRACE, Rule.B11, "a diagonal brace, no second post", s -> brace(s, BraceKind.DIAGONAL)),
    BRACE_PIPE(Topic.BRACE, Rule.B6, "driven pipe posts, no frame", s -> brace(s, BraceKind.PIPE)),
    BRACE_PIPE_CONCRETE(
            Topic.BRACE, Rule.B6, "pipe posts in concrete, no frame", s -> brace(s, BraceKind.PIPE_CONCRETE)),
    TENSION_LIGHT(
            Topic.TENSION,
            Rule.S1,
            "125 lbf (560 N): enough for a mental barrier",
            s -> tension(s, TensionSchool.LIGHT)),
    TENSION_MEDIUM(
            Topic.TENSION,
            Rule.S1,
            "250 lbf (1,110 N): usual for 12.5 gauge (2.5 mm)",
            s -> tension(s, TensionSchool.MEDIUM)),
    TENSION_HEAVY(Topic.TENSION, Rule.S1, "500 lbf (2,220 N): hardly any sag", s -> tension(s, TensionSchool.HEAVY)),
    RODS_THREE(
            Topic.RODS, Rule.G1, "three 6 ft (1.8 m) rods, 10 ft (3 m) apart", s -> rods(s, GroundSchool.THREE_RODS)),
    RODS_BY_AREA(Topic.RODS, Rule.G2, "one for each 2 acres, at most three", s -> rods(s, GroundSchool.BY_AREA)),
    RODS_ONE_LONG(
            Topic.RODS, Rule.G3, "one 8 ft (2.4 m) rod in soft wet clay", s -> rods(s, GroundSchool.ONE_LONG_ROD)),
    RODS_BY_JOULES(Topic.RODS, Rule.G4, "3 ft (0.9 m) of rod for each joule", s -> rods(s, GroundSchool.BY_JOULES)),
    LOWEST_HOT(
            Topic.LOWEST,
            Rule.W20,
            "hot and earth alternate, lowest hot: what digs or creeps is hit",
            s -> schedule(s, s.fence().schedule().alternating(WireRole.HOT))),
    LOWEST_EARTH(
            Topic.LOWEST,
            Rule.W20,
            "hot and earth alternate, lowest earth: grass on it costs nothing",
            s -> schedule(s, s.fence().schedule().alternating(WireRole.EARTH))),
    ALL_HOT(
            Topic.LOWEST,
            Rule.W18,
            "all hot: the soil carries the return",
            s -> schedule(s, s.fence().schedule().allHot())),
    EARTH_TIED(
            Topic.EARTH_WIRES,
            Rule.W18,
            "tied back to the energizer's earth terminal (true hot and earth)",
            s -> wires(s, w -> w.withEarthTied(true))),
    EARTH_ALONG(
            Topic.EARTH_WIRES,
            Rule.W18,
            "grounded along the way by rods of their own",
            s -> wires(s, w -> w.withEarthTied(false))),
    SUPPORTS_20(Topic.SUPPORTS, Rule.P1, "line posts every 20 ft (6 m)", s -> supports(s, Values.P1_SPACING_M, 0)),
    SUPPORTS_30(
            Topic.SUPPORTS,
            Rule.P3,
            "light fence: posts every 30 ft (9 m)",
            s -> supports(s, Values.P3_LIGHT_SPACING_M, 0)),
    SUPPORTS_LIGHT(
            Topic.SUPPORTS,
            Rule.P5,
            "line posts every 20 ft (6 m) with one light post in each gap",
            s -> supports(s, Values.P1_SPACING_M, 1)),
    WIRE_ENDS(
            Topic.STRINGING,
            Rule.B10,
            "at each strong post: a slack or broken wire is one pull's matter",
            s -> stringing(s, r -> r.withWay(Stringing.Way.PULL_BY_PULL))),
    WIRE_RUNS_ON(
            Topic.STRINGING,
            Rule.X1,
            "at a gate or where it began: fewer insulators, tighteners and jumpers; a slack or broken wire is slack all the way",
            s -> stringing(s, r -> r.withWay(Stringing.Way.RUNS_ON))),
    TIGHTENED_BY_LENGTH(
            Topic.TIGHTENING,
            Rule.S4,
            "midway in long pulls, at the end of short ones",
            s -> stringing(s, r -> r.withTightener(Stringing.Tightener.BY_LENGTH))),
    TIGHTENED_MIDWAY(
            Topic.TIGHTENING,
            Rule.X1,
            "one midway on each wire: the least to buy",
            s -> stringing(s, r -> r.withTightener(Stringing.Tightener.MIDWAY))),
    TIGHTENED_EACH_SIDE(
            Topic.TIGHTENING,
            Rule.S2,
            "one on each side: the same pull on both sides of every corner",
            s -> stringing(s, r -> r.withTightener(Stringing.Tightener.EACH_SIDE))),
    TIGHTENED_BY_HAND(
            Topic.TIGHTENING,
            Rule.H3,
            "none, pulled by hand: light fences",
            s -> stringing(s, r -> r.withTightener(Stringing.Tightener.NONE))),
    JUMPERS_PIECES(
            Topic.JUMPERS,
            Rule.J1,
            "separate pieces from wire to wire: easier to make and to repair",
            s -> wires(s, w -> w.withJumperPieces(true))),
    JUMPERS_ONE(
            Topic.JUMPERS,
            Rule.J1,
            "one continuous piece with stripped windows: fewer joints",
            s -> wires(s, w -> w.withJumperPieces(false)));

    private final Topic topic;
    private final Rule rule;
    private final String text;
    private final UnaryOperator<Spec> change;

    School(Topic topic, Rule rule, String text, UnaryOperator<Spec> change) {
        this.topic = topic;
        this.rule = rule;
        this.text = text;
        this.change = change;
    }

    /** What it is about. */
    public Topic topic() {
        return topic;
    }

    /** Rule that says it. */
    public Rule rule() {
        return rule;
    }

    /** As it is said on screen. */
    public String text() {
        return text;
    }

    /** The spec with this school's way in its topic. */
    public Spec applied(Spec spec) {
        return change.apply(spec);
    }

    /** Whether the spec follows it already. */
    public boolean chosenIn(Spec spec) {
        return applied(spec).equals(spec);
    }

    /** Schools of a topic. */
    public static List<School> of(Topic topic) {
        return Arrays.stream(values()).filter(s -> s.topic == topic).toList();
    }

    /** The school a spec follows in a topic; empty when it goes a way of its own. */
    public static Optional<School> chosen(Topic topic, Spec spec) {
        Predicate<School> follows = s -> s.chosenIn(spec);
        return of(topic).stream().filter(follows).findFirst();
    }

    private static Spec rail(Spec s, RailSchool school) {
        return braces(s, b -> b.withRailSchool(school));
    }

    private static Spec brace(Spec s, BraceKind kind) {
        return braces(s, b -> b.withKind(kind));
    }

    private static Spec tension(Spec s, TensionSchool tension) {
        return wires(s, w -> w.withTension(tension));
    }

    private static Spec rods(Spec s, GroundSchool school) {
        return s.withSupply(supply -> supply.withEarth(supply.earth().withSchool(school)));
    }

    private static Spec supports(Spec s, double spacingM, int light) {
        return s.withFence(f -> f.withPosts(f.posts().withSpacingM(spacingM).withLightPerGap(light)));
    }

    private static Spec schedule(Spec s, WireSchedule schedule) {
        return s.withFence(f -> f.withSchedule(schedule));
    }

    private static Spec braces(Spec s, UnaryOperator<FenceSpec.Braces> change) {
        return s.withFence(f -> f.withBraces(change.apply(f.braces())));
    }

    private static Spec stringing(Spec s, UnaryOperator<Stringing> change) {
        return s.withFence(f -> f.withStringing(change.apply(f.stringing())));
    }

    private static Spec wires(Spec s, UnaryOperator<FenceSpec.Wires> change) {
        return s.withFence(f -> f.withWires(change.apply(f.wires())));
    }

    /**
     * The house's way.
     *
     * @param choices one school of each topic at most; a topic without one is decided job by job
     */
    public record House(List<School> choices) {
        public static final House OPEN = new House(List.of());

        public House {
            List<Topic> seen = new ArrayList<>();
            for (School s : choices) {
                if (seen.contains(s.topic())) {
                    throw new IllegalArgumentException(
                            "the house has two ways in “" + s.topic().text() + "”");
                }
                seen.add(s.topic());
            }
            choices = List.copyOf(choices);
        }

        /** A spec that follows the school. */
        public Spec applied(Spec spec) {
            Spec result = spec;
            for (School s : choices) {
                boolean wires = s.topic() == Topic.LOWEST;
                result = wires ? result : s.applied(result);
            }
            return result;
        }
    }
}
