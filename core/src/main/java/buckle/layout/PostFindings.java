package buckle.layout;

import buckle.layout.Pull.PullWire;
import buckle.material.PostStock;
import buckle.mechanics.Hold;
import buckle.rulebook.Values;
import buckle.spec.BraceKind;
import buckle.spec.Spec;
import buckle.units.Forces;
import buckle.units.Lengths;
import buckle.units.Temperatures;
import buckle.units.UnitSystem;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.function.Predicate;
import java.util.function.ToDoubleFunction;

/** What posts, braces and wires of the job have to say: one finding of each sort, at the worst place and with all others. */
final class PostFindings {
    private static final int MOST_PLACES = 200;
    /** A tenth of a metre and less. */
    private static final double SAME_DEG = 1e-6;

    private final List<LineLayout> lines;
    private final Spec spec;
    private final List<Finding> findings;

    private PostFindings(List<LineLayout> lines, Spec spec, List<Finding> findings) {
        this.lines = lines;
        this.spec = spec;
        this.findings = findings;
    }

    static void of(List<LineLayer> layers, List<LineLayout> lines, Spec spec, List<Finding> findings) {
        PostFindings all = new PostFindings(lines, spec, findings);
        all.lifted();
        all.strong();
        all.branches();
        all.pushed();
        all.stock();
        all.standing();
        all.wires();
        for (int i = 0; i < lines.size(); i++) {
            if (layers.get(i).line().book().onExisting()) {
                findings.add(
                        Finding.at(
                                "I4",
                                Severity.NOTE,
                                lines.get(i).lineId(),
                                0,
                                "The wires hang on offset brackets of the fence that stands; its line posts are not counted. Never electrify its own wires."));
            }
        }
    }

    /** Something of a line, at a station. */
    private record On<T>(LineLayout line, double stationM, T thing) {}

    private interface Says<T> {
        String says(On<T> worst, int count);
    }

    private <T> void say(String rule, Severity severity, List<On<T>> found, ToDoubleFunction<T> size, Says<T> says) {
        if (found.isEmpty()) {
            return;
        }
        List<On<T>> worstFirst = found.stream()
                .sorted(Comparator.comparingDouble((On<T> o) -> -size.applyAsDouble(o.thing())))
                .toList();
        findings.add(Finding.of(
                rule,
                severity,
                says.says(worstFirst.getFirst(), found.size()),
                worstFirst.stream()
                        .limit(MOST_PLACES)
                        .map(o -> new Finding.At(o.line().lineId(), o.stationM(), ""))
                        .toList()));
    }

    private List<On<Post>> posts(Predicate<Post> which) {
        List<On<Post>> found = new ArrayList<>();
        for (LineLayout line : lines) {
            for (Post p : line.posts()) {
                if (which.test(p)) {
                    found.add(new On<>(line, p.stationM(), p));
                }
            }
        }
        return found;
    }

    private void lifted() {
        say(
                "P18",
                Severity.WARN,
                posts(p -> p.kind() == PostKind.TIE_DOWN && p.load().upliftN() > 0),
                p -> p.load().upliftN(),
                (on, count) -> count == 1
                        ? "Post " + named(on) + " stands in a hollow and the wires lift it with "
                                + force(on.thing().load().upliftN()) + ": it takes a tie-down."
                        : count
                                + " posts stand in hollows and the wires lift them: each takes a tie-down. Worst is post "
                                + named(on) + " with " + force(on.thing().load().upliftN()) + ".");
    }

    /** A branch that ends on a post which another line's braces lift already: both lift it. */
    private void branches() {
        List<On<Post>> over = new ArrayList<>();
        for (On<Post> branch : posts(p -> p.shared() && p.ends() && p.load().upliftWorstN() > 0)) {
            for (On<Post> other : posts(p -> !p.shared() && p.ends() && p.load().upliftWorstN() > 0)) {
                double both = branch.thing().load().upliftWorstN()
                        + other.thing().load().upliftWorstN();
                boolean one = other.line() != branch.line() && samePlace(branch.thing(), other.thing());
                if (one && Hold.of(other.thing().load().holdUpN(), both) == Hold.MOVES) {
                    over.add(branch);
                }
            }
        }
        say(
                "B8",
                Severity.WARN,
                over,
                p -> p.load().upliftWorstN(),
                (on, count) ->
                        "A branch ends on a post that the braces of another line lift already, and together they lift it by more than the ground holds: the branch adds "
                                + force(on.thing().load().upliftWorstN())
                                + " at the worst load. Give the branch an end post of its own beside it, or set that post deeper.");
    }

    private static boolean samePlace(Post a, Post b) {
        return Math.abs(a.lonDeg() - b.lonDeg()) < SAME_DEG && Math.abs(a.latDeg() - b.latDeg()) < SAME_DEG;
    }

    /** Braces and posts on which pulls end: one finding for what moves, one for what is at the limit, on the day and at the worst. */
    private void strong() {
        List<On<Brace>> day = new ArrayList<>();
        List<On<Brace>> worst = new ArrayList<>();
        List<On<Brace>> limit = new ArrayList<>();
        for (LineLayout line : lines) {
            List<Double> seen = new ArrayList<>();
            for (Brace b : line.braces()) {
                double at = line.closed() && b.strongStationM() >= line.lengthM() - Mark.SAME_PLACE_M
                        ? 0
                        : b.strongStationM();
                Hold onDay = b.load().day().hold();
                Hold atWorst = b.load().worst().hold();
                if (atWorst == Hold.USUAL || seen.stream().anyMatch(s -> Math.abs(s - at) < Mark.SAME_PLACE_M)) {
                    continue;
                }
                seen.add(at);
                (onDay == Hold.MOVES ? day : atWorst == Hold.MOVES ? worst : limit).add(new On<>(line, at, b));
            }
        }
        say("B8", Severity.WARN, day, b -> -b.load().day().safety(), (on, count) -> {
            Brace b = on.thing();
            return counted(count, "strong post", "strong posts") + " will move on the day of building: worst at "
                    + length(on.stationM()) + ", where " + b.load().day().weakest() + " at "
                    + percent(b.load().day().safety()) + " of "
                    + pulls(b, b.load().day().pullN()) + ". " + remedy(b);
        });
        say("B8", Severity.WARN, worst, b -> -b.load().worst().safety(), (on, count) -> {
            Brace b = on.thing();
            return counted(count, "strong post holds", "strong posts hold")
                    + " on the day of building and will move " + when(on) + ": worst at " + length(on.stationM())
                    + ", where " + b.load().worst().weakest() + " at "
                    + percent(b.load().worst().safety()) + " of "
                    + pulls(b, b.load().worst().pullN()) + ". " + remedy(b)
                    + (sprung(on) ? "" : " A spring in each wire takes its share (H4).");
        });
        say("B8", Severity.NOTE, limit, b -> -b.load().worst().safety(), (on, count) -> {
            Brace b = on.thing();
            return counted(count, "strong post is", "strong posts are") + " at the limit of what the ground holds"
                    + (b.load().day().hold() == Hold.USUAL ? " " + when(on) : "") + ": worst at "
                    + length(on.stationM()) + ", with "
                    + String.format(Locale.ROOT, "%.1f", b.load().worst().safety()) + " times what is asked.";
        });
    }

    private static String remedy(Brace b) {
        return switch (b.kind()) {
            case SINGLE_H, DOUBLE_H -> "A longer rail, a deeper post, less pull or concrete.";
            case DIAGONAL -> "Its foot further out, a deeper post, less pull or concrete.";
            case PIPE -> "A deeper pipe, concrete or a brace.";
            case PIPE_CONCRETE -> "A deeper footing or a brace.";
            case BACK_STAKE -> "A deeper or thicker post, or a brace.";
            case NONE -> "Brace it, or set a heavier post.";
        };
    }

    private String pulls(Brace b, double pullN) {
        return b.load().railM() > 0
                ? "the pull of " + force(pullN)
                : "the " + force(pullN) + " that all pulls there come to";
    }

    private static Pull pullOf(On<Brace> on) {
        LineLayout line = on.line();
        int i = line.braces().indexOf(on.thing());
        return line.pulls().get(i / 2);
    }

    private static String when(On<Brace> on) {
        String when = pullOf(on).worstWhen();
        return when.isEmpty() ? "at the worst load" : when;
    }

    private static boolean sprung(On<Brace> on) {
        return pullOf(on).wires().stream().anyMatch(PullWire::sprung);
    }

    private void pushed() {
        Predicate<Post> passed = p -> !p.ends() && p.load().sideWorstN() > 0;
        say(
                "B9",
                Severity.WARN,
                posts(passed.and(p -> p.load().holdWorst() == Hold.MOVES)),
                p -> p.load().sideWorstN(),
                (on, count) -> counted(count, "post", "posts") + " will move sideways where the wires turn"
                        + (on.thing().load().hold() == Hold.MOVES ? "" : " at the worst load") + ": worst is post "
                        + named(on) + ", pushed with " + force(on.thing().load().sideWorstN()) + " where "
                        + force(on.thing().load().holdSideN())
                        + " are held. A thicker or deeper post, or a brace.");
        say(
                "B9",
                Severity.NOTE,
                posts(passed.and(p -> p.load().holdWorst() == Hold.LIMIT)),
                p -> p.load().sideWorstN(),
                (on, count) -> counted(count, "post is", "posts are")
                        + " at the limit where the wires turn: worst is post " + named(on) + ", pushed with "
                        + force(on.thing().load().sideWorstN()) + " where "
                        + force(on.thing().load().holdSideN()) + " are held.");
    }

    private void stock() {
        say(
                "P16",
                Severity.WARN,
                posts(p -> !p.shared() && p.lengthM() > p.stockM() + 1e-6),
                Post::lengthM,
                (on, count) -> "No " + on.thing().stock().text() + " is sold "
                        + length(on.thing().lengthM()) + " long, which "
                        + counted(count, "post needs", "posts need") + "; the longest is "
                        + length(on.thing().stockM()) + ". Choose another kind or a lower top wire.");
        say(
                "P10",
                Severity.WARN,
                ends(p -> !p.stock().family().strong()),
                Post::stationM,
                (on, count) -> "A " + on.thing().stock().text()
                        + " does not take the end of a pull. Choose timber, pipe or angle steel for strong posts.");
        List<On<Post>> steel = new ArrayList<>();
        for (LineLayout line : lines) {
            line.posts().stream()
                    .filter(p -> p.stock().family().conducts())
                    .findFirst()
                    .ifPresent(p -> steel.add(new On<>(line, 0, p)));
        }
        say(
                "I5",
                Severity.NOTE,
                steel,
                p -> 0,
                (on, count) -> "On steel posts a failed insulator is a dead short. Choose good ones.");
    }

    /** Strong posts that no back-stake holds: a coated rod with its stake takes a light pull (H3). */
    private List<On<Post>> ends(Predicate<Post> which) {
        List<On<Post>> found = new ArrayList<>();
        for (LineLayout line : lines) {
            boolean staked =
                    !line.braces().isEmpty() && line.braces().stream().allMatch(b -> b.kind() == BraceKind.BACK_STAKE);
            for (Post p : line.posts()) {
                boolean light = staked && p.stock().family() == PostStock.Family.FIBREGLASS;
                if (p.kind().strong() && !light && which.test(p)) {
                    found.add(new On<>(line, p.stationM(), p));
                }
            }
        }
        return found;
    }

    private void standing() {
        say(
                "P14",
                Severity.WARN,
                posts(p -> p.depthM() < Values.P21_LEAST_DEPTH_M - 1e-6
                        && p.stock().family() != PostStock.Family.STEP_IN),
                p -> -p.depthM(),
                (on, count) -> "Post " + named(on) + " stands only "
                        + length(on.thing().depthM()) + " deep. Drill and set it again, or brace it.");
    }

    private void wires() {
        List<On<PullWire>> cold = new ArrayList<>();
        List<On<PullWire>> ice = new ArrayList<>();
        for (LineLayout line : lines) {
            for (Pull pull : line.pulls()) {
                for (PullWire w : pull.wires()) {
                    On<PullWire> on = new On<>(line, pull.fromM(), w);
                    if (w.coldN() > Values.S12_WORKING_SHARE * w.conductor().breakingN()) {
                        cold.add(on);
                    }
                    if (spec.build().season().iceM() > 0) {
                        ice.add(on);
                    }
                }
            }
        }
        say("S12", Severity.WARN, cold, w -> w.coldN() / w.conductor().breakingN(), (on, count) -> {
            PullWire w = on.thing();
            return "At " + Temperatures.text(spec.build().season().coldC(), spec.units()) + " a wire of "
                    + w.conductor().text() + " pulls " + force(w.coldN()) + ", over half of the "
                    + force(w.conductor().breakingN()) + " that break it. Strain it less, or choose a heavier one.";
        });
        List<On<PullWire>> broken = ice.stream()
                .filter(on -> on.thing().icedN()
                        > Values.S12_WORKING_SHARE * on.thing().conductor().breakingN())
                .toList();
        say(
                "S6",
                broken.isEmpty() ? Severity.NOTE : Severity.WARN,
                broken.isEmpty() ? ice : broken,
                PullWire::icedN,
                (on, count) -> iced(on.thing(), !broken.isEmpty()));
    }

    private String iced(PullWire w, boolean broken) {
        double relief = w.conductor().stiffnessN() * Values.S6_LET_OUT_SHARE;
        return "Under " + length(spec.build().season().iceM()) + " of ice a wire of "
                + w.conductor().text() + " pulls " + force(w.icedN()) + " and sags " + length(w.icedSagM())
                + " in the widest span" + (broken ? ", over half of what breaks it" : "")
                + ". Let wires out "
                + (spec.units() == UnitSystem.METRIC ? "50 to 75 mm in 300 m" : "2 to 3 in in 1000 ft")
                + " before a big load: that takes about " + force(relief)
                + " off while the wire is taut (S9).";
    }

    private String named(On<Post> on) {
        return on.thing().number() + (lines.size() > 1 ? " of " + on.line().name() : "");
    }

    private static String counted(int count, String one, String many) {
        return count + " " + (count == 1 ? one : many);
    }

    private static String percent(double share) {
        return String.format(Locale.ROOT, "%.0f %%", 100 * share);
    }

    private String force(double forceN) {
        return Forces.text(forceN, spec.units());
    }

    private String length(double lengthM) {
        return Lengths.text(lengthM, spec.units());
    }
}
