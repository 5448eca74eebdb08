package buckle.layout;

import buckle.land.Traits.Soil;
import buckle.material.PostStock;
import buckle.mechanics.Ground;
import buckle.mechanics.Hold;
import buckle.mechanics.Span;
import buckle.rulebook.Values;
import buckle.site.Anchor;
import buckle.site.FenceLine;
import buckle.site.GeoPoint;
import buckle.site.LineBook;
import buckle.site.LineBook.IssuedPost;
import buckle.site.LineBook.PostOverride;
import buckle.site.LineBook.Side;
import buckle.site.LineBook.StandingPost;
import buckle.site.LocalPlane;
import buckle.site.Stationing;
import buckle.spec.BraceKind;
import buckle.spec.FenceSpec;
import buckle.spec.Spec;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.DoublePredicate;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/** Turns places into posts: what they are made of, how deep and long, what lifts and pushes them, and their numbers. */
final class PostSetter {
    private final FenceLine line;
    private final FenceSpec fence;
    private final UnitSystem units;
    private final double topM;
    private final Pulling pulling;
    private final Stationing stationing;
    private final LocalPlane plane;
    private final SoilAlong soil;
    private final Profile profile;
    private final PostPlaces places;
    private final DoublePredicate wall;
    private final Map<Mark, StandingPost> standing = new HashMap<>();
    /** Of the post before: along a line most posts stand alike. */
    private @Nullable Foot lastFoot;

    private @Nullable Passed lastPassed;

    PostSetter(
            FenceLine line,
            Spec spec,
            double topM,
            Pulling pulling,
            Stationing stationing,
            LocalPlane plane,
            SoilAlong soil,
            Profile profile,
            PostPlaces places,
            DoublePredicate wall) {
        this.wall = wall;
        this.line = line;
        this.fence = spec.fence();
        this.units = spec.units();
        this.topM = topM;
        this.pulling = pulling;
        this.stationing = stationing;
        this.plane = plane;
        this.soil = soil;
        this.profile = profile;
        this.places = places;
    }

    /** How the post at a mark stands; marks whose posts stand already are known first. */
    Foot foot(Mark mark) {
        boolean strong = mark.kind().strong() || mark.kind() == PostKind.BRACE;
        PostStock stock = stock(mark, strong);
        StandingPost found = standing.get(mark);
        double depth = found == null ? depthM(mark, strong, stock) : found.depthM();
        double length = Lengths.sawnM(
                topM + Values.P11_ABOVE_TOP_WIRE_M + depth + stock.family().driverAllowanceM(), units);
        boolean footing = mark.ends() && fence.braces().kind() == BraceKind.PIPE_CONCRETE;
        double width = footing ? Values.B6_FOOTING_M : stock.widthM();
        double concreteKg = footing ? Math.PI / 4 * width * width * depth * Values.B6_CONCRETE_KG_PER_M3 : 0;
        double weight = (stock.kgPerM() * length + concreteKg) * Span.GRAVITY;
        Ground ground = soil.groundAt(mark.stationM());
        Foot last = lastFoot;
        if (last == null || !last.is(stock, width, depth, length, weight, ground)) {
            last = new Foot(stock, width, depth, length, weight, ground);
            lastFoot = last;
        }
        return last;
    }

    /** Finds the posts that stand already, and those of them that no longer stand on the line. */
    List<StandingPost> stand(List<Mark> marks) {
        List<StandingPost> lost = new ArrayList<>();
        for (StandingPost s : line.book().standing()) {
            Anchor anchor = new Anchor(s.at(), Values.P19_SAME_POST_M);
            int i = nearest(marks, stationing.nearest(plane.toPlane(s.at())).stationM());
            if (i >= 0 && anchor.is(marks.get(i).stationM(), stationing, plane)) {
                standing.put(marks.get(i), s);
            } else {
                lost.add(s);
            }
        }
        return lost;
    }

    /** @param ended what the posts carry on which pulls end, by station; null where none does */
    List<Post> set(List<Mark> marks, Function<Double, @Nullable PostLoad> ended, double worst) {
        double[] height = new double[marks.size()];
        if (profile.trusted()) {
            for (int i = 0; i < height.length; i++) {
                height[i] = profile.heightM(marks.get(i).stationM());
            }
        }
        List<Post> posts = new ArrayList<>(marks.size());
        int side = 0;
        for (int i = 0; i < marks.size(); i++) {
            Mark mark = marks.get(i);
            while (side < stationing.sideCount() - 1 && stationing.cornerStationM(side + 1) <= mark.stationM()) {
                side++;
            }
            Foot foot = foot(mark);
            PostLoad load = mark.ends() ? ended.apply(mark.stationM()) : null;
            if (load == null) {
                boolean passed = i > 0 && i < marks.size() - 1 && !mark.ends() && mark.kind() != PostKind.LIGHT;
                load = passed(mark, foot, passed ? pulling.totalN() * bend(marks, height, i) : 0, worst);
            }
            posts.add(post(i, mark, side, foot, load));
        }
        return numbered(posts);
    }

    /** Of a post that wires pass: what a hollow lifts it by and the turn pushes it by. */
    private PostLoad passed(Mark mark, Foot foot, double liftN, double worst) {
        double push =
                mark.ends() ? 0 : 2 * pulling.totalN() * Math.sin(Math.toRadians(Math.abs(mark.deflectionDeg())) / 2);
        Passed last = lastPassed;
        if (last == null || last.foot != foot) {
            last = new Passed(
                    foot,
                    foot.ground().upliftN(foot.widthM(), foot.depthM()) + foot.weightN(),
                    foot.ground().overturningN(foot.widthM(), foot.depthM(), pulling.leverM()));
            lastPassed = last;
        }
        return last.load(liftN, push, worst);
    }

    /** What the ground holds a post by that wires pass, and the load it was last asked for. */
    private static final class Passed {
        private final Foot foot;
        private final double holdUpN;
        private final double holdSideN;
        private @Nullable PostLoad load;

        Passed(Foot foot, double holdUpN, double holdSideN) {
            this.foot = foot;
            this.holdUpN = holdUpN;
            this.holdSideN = holdSideN;
        }

        /** On one line the worst load is the same share of the day's everywhere. */
        PostLoad load(double liftN, double pushN, double worst) {
            PostLoad last = load;
            if (last == null || last.upliftN() != liftN || last.sideN() != pushN) {
                last = PostLoad.of(liftN, pushN, worst, holdUpN, holdSideN);
                load = last;
            }
            return last;
        }
    }

    /** Change of slope at a post, positive in a hollow. */
    private static double bend(List<Mark> marks, double[] height, int i) {
        double at = marks.get(i).stationM();
        double before = at - marks.get(i - 1).stationM();
        double after = marks.get(i + 1).stationM() - at;
        return (height[i + 1] - height[i]) / after - (height[i] - height[i - 1]) / before;
    }

    private Post post(int i, Mark mark, int side, Foot foot, PostLoad load) {
        boolean lifted = mark.kind() == PostKind.LINE && Hold.of(load.holdUpN(), load.upliftWorstN()) != Hold.USUAL;
        GeoPoint place = plane.toGeo(stationing.at(mark.stationM(), side));
        double least = mark.kind() == PostKind.GATE ? Values.P13_GATE_POST_M : 0;
        Optional<LineBook.Found> reused = reused(mark);
        return new Post(
                i + 1,
                lifted ? PostKind.TIE_DOWN : mark.kind(),
                mark.stationM(),
                place.lonDeg(),
                place.latDeg(),
                mark.label(),
                mark.deflectionDeg(),
                mark.wiresEnd(),
                shared(mark),
                foot.stock(),
                foot.depthM(),
                foot.lengthM(),
                reused.flatMap(o -> boxed(o.lengthM()))
                        .orElseGet(() -> foot.stock().stockFor(Math.max(least, foot.lengthM()), units)),
                lifted || mark.kind() == PostKind.TIE_DOWN ? load.tiedDown() : load,
                inside(mark),
                reused.isPresent());
    }

    private static Optional<Double> boxed(OptionalDouble value) {
        return value.isPresent() ? Optional.of(value.getAsDouble()) : Optional.empty();
    }

    /** The exception by which the post at a mark is a found one. */
    private Optional<LineBook.Found> reused(Mark mark) {
        boolean strong = mark.kind().strong() || mark.kind() == PostKind.BRACE;
        return strong
                ? places.single(mark.stationM()).flatMap(PostOverride::found)
                : places.at(mark.stationM(), o -> o.found().isPresent()).flatMap(PostOverride::found);
    }

    private PostStock stock(Mark mark, boolean strong) {
        FenceSpec.Posts plan = fence.posts();
        if (fence.standsByItself()) {
            return PostStock.STEP_IN;
        }
        if (strong) {
            return places.single(mark.stationM()).flatMap(PostOverride::stock).orElse(plan.strong());
        }
        if (mark.kind() == PostKind.LIGHT) {
            return plan.light();
        }
        return places.at(mark.stationM(), o -> o.stock().isPresent())
                .flatMap(o -> o.stock())
                .orElse(plan.line());
    }

    private double depthM(Mark mark, boolean strong, PostStock stock) {
        FenceSpec.Posts plan = fence.posts();
        if (fence.standsByItself()) {
            return Values.P12_STEP_IN_DEPTH_M;
        }
        if (strong) {
            boolean freezes = soil.at(mark.stationM())
                    .filter(Soil.FROZEN_IN_SEASON::equals)
                    .isPresent();
            return freezes || fence.climate().frostDepthM() > 0
                    ? Math.max(plan.strongDepthM(), fence.climate().frostDepthM())
                    : plan.strongDepthM();
        }
        if (stock.family() == PostStock.Family.STEP_IN) {
            return Values.P12_STEP_IN_DEPTH_M;
        }
        if (mark.kind() == PostKind.LIGHT || stock.family() == PostStock.Family.FIBREGLASS) {
            return Math.min(Values.P12_LIGHT_DEPTH_M, plan.lineDepthM());
        }
        return soil.stony(mark.stationM(), plan.lineDepthM())
                ? Math.min(Values.P11_STONY_DEPTH_M, plan.lineDepthM())
                : plan.lineDepthM();
    }

    /** Whether the side the wires hang on is the inside of the turn. */
    private boolean inside(Mark mark) {
        Side inner = mark.deflectionDeg() > 0 ? Side.RIGHT : Side.LEFT;
        return !mark.wiresEnd()
                && mark.deflectionDeg() != 0
                && line.book().wiresOn().filter(inner::equals).isPresent();
    }

    private boolean shared(Mark mark) {
        if (fence.standsByItself()) {
            return true;
        }
        if (mark.ends() && !mark.runsOn() && wall.test(mark.stationM())) {
            return true;
        }
        if (line.book().onExisting() && (mark.kind().spaced() || mark.kind() == PostKind.LIGHT)) {
            return true;
        }
        return mark.kind() == PostKind.END
                && (line.startsOn().isPresent() && mark.stationM() == 0
                        || line.endsOn().isPresent() && mark.stationM() > 0);
    }

    private static int nearest(List<Mark> marks, double stationM) {
        int low = 0;
        int high = marks.size() - 1;
        while (low < high) {
            int mid = (low + high) >>> 1;
            if (marks.get(mid).stationM() < stationM) {
                low = mid + 1;
            } else {
                high = mid;
            }
        }
        return low > 0
                        && stationM - marks.get(low - 1).stationM()
                                < marks.get(low).stationM() - stationM
                ? low - 1
                : low;
    }

    /** P19: given numbers stay with their places; every other post takes the next free one after the highest. */
    private List<Post> numbered(List<Post> posts) {
        List<IssuedPost> issued = line.book().issued();
        if (issued.isEmpty()) {
            return posts;
        }
        Map<Integer, Integer> numbers = new HashMap<>();
        Set<Integer> taken = new HashSet<>();
        List<Mark> places =
                posts.stream().map(p -> Mark.of(p.kind(), p.stationM())).toList();
        int highest = 0;
        for (IssuedPost n : issued) {
            highest = Math.max(highest, n.number());
            int i = nearest(places, stationing.nearest(plane.toPlane(n.at())).stationM());
            boolean here =
                    new Anchor(n.at(), Values.P19_SAME_POST_M).is(posts.get(i).stationM(), stationing, plane);
            if (here && !numbers.containsKey(i) && taken.add(n.number())) {
                numbers.put(i, n.number());
            }
        }
        List<Post> result = new ArrayList<>(posts.size());
        for (int i = 0; i < posts.size(); i++) {
            Integer given = numbers.get(i);
            result.add(posts.get(i).numbered(given == null ? ++highest : given));
        }
        return result;
    }
}
