package buckle.review;

import buckle.layout.Brace;
import buckle.layout.BraceLoad;
import buckle.layout.Fence;
import buckle.layout.Finding;
import buckle.layout.LaidLine;
import buckle.layout.LineLayout;
import buckle.layout.Post;
import buckle.layout.PostKind;
import buckle.layout.PostLoad;
import buckle.layout.Pull;
import buckle.layout.Pull.PullWire;
import buckle.layout.Severity;
import buckle.material.PostStock;
import buckle.mechanics.Hold;
import buckle.message.Message;
import buckle.message.PostMessage;
import buckle.message.PostMessage.Asked;
import buckle.message.PostMessage.PostName;
import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.spec.BraceKind;
import buckle.spec.Spec;
import buckle.task.Cancellation;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.NavigableSet;
import java.util.TreeSet;
import java.util.function.ToDoubleFunction;

/** What posts, braces and wires of the job have to say: one finding of each sort, at the worst place and with all others. */
final class PostFindings {
    private static final int MOST_PLACES = 200;
    /** A tenth of a metre and less. */
    private static final double SAME_DEG = 1e-6;

    private final List<LineLayout> lines;
    private final Spec spec;
    private final List<Finding> findings;

    private final List<On<Post>> lifted = new ArrayList<>();
    /** Posts at the ends of pulls that their braces lift. */
    private final List<On<Post>> liftedEnds = new ArrayList<>();

    private final List<On<Post>> pushedAway = new ArrayList<>();
    private final List<On<Post>> pushedToLimit = new ArrayList<>();
    private final List<On<Post>> tooShort = new ArrayList<>();
    private final List<On<Post>> foundShort = new ArrayList<>();
    private final List<On<Post>> tooWeak = new ArrayList<>();
    private final List<On<Post>> steel = new ArrayList<>();
    private final List<On<Post>> shallow = new ArrayList<>();

    private PostFindings(List<LineLayout> lines, Spec spec, List<Finding> findings) {
        this.lines = lines;
        this.spec = spec;
        this.findings = findings;
        lines.forEach(this::sort);
    }

    /** All posts are gone through once: there are many, and each finding is about few. */
    private void sort(LineLayout line) {
        boolean staked =
                !line.braces().isEmpty() && line.braces().stream().allMatch(b -> b.kind() == BraceKind.BACK_STAKE);
        boolean conducts = false;
        NavigableSet<Double> held = new TreeSet<>();
        line.braces().forEach(b -> held.add(b.strongStationM()));
        for (Post p : line.posts()) {
            Cancellation.check();
            PostLoad load = p.load();
            PostStock.Family family = p.stock().family();
            // Where pulls meet the post is judged with what holds them, also where the wires run on round it.
            boolean pushed = !p.ends() && load.sideWorstN() > 0 && !near(held, p.stationM());
            // A coated rod with its stake takes a light pull (H3).
            boolean light = staked && family == PostStock.Family.FIBREGLASS;
            put(lifted, p.kind() == PostKind.TIE_DOWN && load.upliftN() > 0, line, p);
            put(liftedEnds, p.ends() && load.upliftWorstN() > 0, line, p);
            put(pushedAway, pushed && load.holdWorst() == Hold.MOVES, line, p);
            put(pushedToLimit, pushed && load.holdWorst() == Hold.LIMIT, line, p);
            put(p.reused() ? foundShort : tooShort, !p.shared() && p.lengthM() > p.stockM() + 1e-6, line, p);
            put(tooWeak, !p.shared() && p.kind().strong() && !light && !family.strong(), line, p);
            put(shallow, p.depthM() < Values.P21_LEAST_DEPTH_M - 1e-6 && family != PostStock.Family.STEP_IN, line, p);
            if (!conducts && family.conducts()) {
                steel.add(new On<>(line, 0, p));
                conducts = true;
            }
        }
    }

    private static boolean near(NavigableSet<Double> stations, double stationM) {
        return !stations.subSet(stationM - Post.SAME_PLACE_M, true, stationM + Post.SAME_PLACE_M, true)
                .isEmpty();
    }

    private static void put(List<On<Post>> into, boolean belongs, LineLayout line, Post p) {
        if (belongs) {
            into.add(new On<>(line, p.stationM(), p));
        }
    }

    static void of(Fence fence, List<Finding> findings) {
        PostFindings all = new PostFindings(fence.layouts(), fence.spec(), findings);
        all.lifted();
        all.strong();
        all.branches();
        all.pushed();
        all.stock();
        all.standing();
        all.wires();
        for (LaidLine laid : fence.lines()) {
            if (laid.line().book().onExisting()) {
                findings.add(Finding.at(Rule.I4, Severity.NOTE, laid.id(), 0, new PostMessage.OnOldFence()));
            }
        }
    }

    /** Something of a line, at a station. */
    private record On<T>(LineLayout line, double stationM, T thing) {}

    private interface Says<T> {
        PostMessage says(On<T> worst, int count);
    }

    private <T> void say(Rule rule, Severity severity, List<On<T>> found, ToDoubleFunction<T> size, Says<T> says) {
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
                        .map(o -> new Finding.At(o.line().lineId(), o.stationM(), Message.NONE))
                        .toList()));
    }

    private void lifted() {
        say(
                Rule.P18,
                Severity.WARN,
                lifted,
                p -> p.load().upliftN(),
                (on, count) -> new PostMessage.PostsLifted(
                        count, named(on), on.thing().load().upliftN()));
    }

    /** A branch that ends on a post which another line's braces lift already: both lift it. */
    private void branches() {
        List<On<Post>> over = new ArrayList<>();
        List<On<Post>> ends =
                liftedEnds.stream().filter(o -> o.thing().shared()).toList();
        List<On<Post>> under =
                liftedEnds.stream().filter(o -> !o.thing().shared()).toList();
        for (On<Post> branch : ends) {
            Cancellation.check();
            for (On<Post> other : under) {
                double both = branch.thing().load().upliftWorstN()
                        + other.thing().load().upliftWorstN();
                boolean one = other.line() != branch.line() && samePlace(branch.thing(), other.thing());
                if (one && Hold.of(other.thing().load().holdUpN(), both) == Hold.MOVES) {
                    over.add(branch);
                }
            }
        }
        say(
                Rule.B8,
                Severity.WARN,
                over,
                p -> p.load().upliftWorstN(),
                (on, count) -> new PostMessage.BranchLifts(on.thing().load().upliftWorstN()));
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
            NavigableSet<Double> seen = new TreeSet<>();
            for (Brace b : line.braces()) {
                double at = line.closed() && b.strongStationM() >= line.lengthM() - Post.SAME_PLACE_M
                        ? 0
                        : b.strongStationM();
                Hold onDay = b.load().day().hold();
                Hold atWorst = b.load().worst().hold();
                boolean wall = line.wallsM().stream().anyMatch(w -> Math.abs(w - at) < Post.SAME_PLACE_M);
                if (wall
                        || atWorst == Hold.USUAL
                        || !seen.subSet(at - Post.SAME_PLACE_M, false, at + Post.SAME_PLACE_M, false)
                                .isEmpty()) {
                    continue;
                }
                seen.add(at);
                (onDay == Hold.MOVES ? day : atWorst == Hold.MOVES ? worst : limit).add(new On<>(line, at, b));
            }
        }
        say(Rule.B8, Severity.WARN, day, b -> -b.load().day().safety(), (on, count) -> {
            Brace b = on.thing();
            BraceLoad.State state = b.load().day();
            return new PostMessage.StrongPostsMove(
                    count, on.stationM(), state.weakest(), state.safety(), asked(b, state), b.kind());
        });
        say(Rule.B8, Severity.WARN, worst, b -> -b.load().worst().safety(), (on, count) -> {
            Brace b = on.thing();
            BraceLoad.State state = b.load().worst();
            return new PostMessage.StrongPostsMoveLater(
                    count,
                    on.stationM(),
                    pullOf(on).worstWhen(),
                    state.weakest(),
                    state.safety(),
                    asked(b, state),
                    b.kind(),
                    sprung(on));
        });
        say(Rule.B8, Severity.NOTE, limit, b -> -b.load().worst().safety(), (on, count) -> {
            Brace b = on.thing();
            return new PostMessage.StrongPostsAtLimit(
                    count,
                    on.stationM(),
                    b.load().day().hold() != Hold.USUAL,
                    pullOf(on).worstWhen(),
                    b.load().worst().safety());
        });
    }

    private static Asked asked(Brace b, BraceLoad.State state) {
        return new Asked(b.load().railM() > 0, state.pullN());
    }

    private static Pull pullOf(On<Brace> on) {
        LineLayout line = on.line();
        int i = line.braces().indexOf(on.thing());
        return line.pulls().get(i / 2);
    }

    private static boolean sprung(On<Brace> on) {
        return pullOf(on).wires().stream().anyMatch(PullWire::sprung);
    }

    private void pushed() {
        say(
                Rule.B9,
                Severity.WARN,
                pushedAway,
                p -> p.load().sideWorstN(),
                (on, count) -> new PostMessage.PostsPushed(
                        count,
                        on.thing().load().hold() == Hold.MOVES,
                        named(on),
                        on.thing().load().sideWorstN(),
                        on.thing().load().holdSideN()));
        say(
                Rule.B9,
                Severity.NOTE,
                pushedToLimit,
                p -> p.load().sideWorstN(),
                (on, count) -> new PostMessage.PostsPushedAtLimit(
                        count,
                        named(on),
                        on.thing().load().sideWorstN(),
                        on.thing().load().holdSideN()));
    }

    private void stock() {
        say(
                Rule.P16,
                Severity.WARN,
                tooShort,
                Post::lengthM,
                (on, count) -> new PostMessage.StockTooShort(
                        on.thing().stock(),
                        on.thing().lengthM(),
                        count,
                        on.thing().stockM()));
        say(
                Rule.P16,
                Severity.WARN,
                foundShort,
                p -> p.lengthM() - p.stockM(),
                (on, count) -> new PostMessage.FoundTooShort(
                        on.thing().stock(),
                        on.thing().lengthM(),
                        count,
                        on.thing().stockM()));
        say(
                Rule.P10,
                Severity.WARN,
                tooWeak,
                Post::stationM,
                (on, count) -> new PostMessage.StockTooWeak(on.thing().stock()));
        say(Rule.I5, Severity.NOTE, steel, p -> 0, (on, count) -> new PostMessage.SteelPosts());
    }

    private void standing() {
        say(
                Rule.P14,
                Severity.WARN,
                shallow,
                p -> -p.depthM(),
                (on, count) -> new PostMessage.PostShallow(named(on), on.thing().depthM()));
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
                    if (spec.fence().climate().iceM() > 0) {
                        ice.add(on);
                    }
                }
            }
        }
        say(Rule.S12, Severity.WARN, cold, w -> w.coldN() / w.conductor().breakingN(), (on, count) -> {
            PullWire w = on.thing();
            return new PostMessage.WireColdTight(
                    spec.fence().climate().coldC(),
                    w.conductor(),
                    w.coldN(),
                    w.conductor().breakingN());
        });
        List<On<PullWire>> broken = ice.stream()
                .filter(on -> on.thing().icedN()
                        > Values.S12_WORKING_SHARE * on.thing().conductor().breakingN())
                .toList();
        say(
                Rule.S6,
                broken.isEmpty() ? Severity.NOTE : Severity.WARN,
                broken.isEmpty() ? ice : broken,
                PullWire::icedN,
                (on, count) -> iced(on.thing(), !broken.isEmpty()));
    }

    private PostMessage iced(PullWire w, boolean over) {
        return new PostMessage.WireIced(
                spec.fence().climate().iceM(),
                w.conductor(),
                w.icedN(),
                w.icedSagM(),
                over,
                w.conductor().stiffnessN() * Values.S6_LET_OUT_SHARE);
    }

    private PostName named(On<Post> on) {
        return new PostName(on.thing().number(), lines.size() > 1 ? on.line().name() : "");
    }
}
