package buckle.layout;

import buckle.land.Traits.Soil;
import buckle.material.PostStock;
import buckle.mechanics.Ground;
import buckle.rulebook.Values;
import buckle.site.FenceLine;
import buckle.site.GeoPoint;
import buckle.site.LineBook.IssuedPost;
import buckle.site.LineBook.Side;
import buckle.site.LineBook.StandingPost;
import buckle.site.LocalPlane;
import buckle.site.Stationing;
import buckle.spec.Build;
import buckle.spec.Spec;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Turns places into posts: what they are made of, how deep and long, what lifts and pushes them, and their numbers. */
final class PostSetter {
    private final FenceLine line;
    private final Build build;
    private final UnitSystem units;
    private final double topM;
    private final Pulling pulling;
    private final Stationing stationing;
    private final LocalPlane plane;
    private final SoilAlong soil;
    private final Profile profile;
    private final PostPlaces places;
    private final Map<Integer, StandingPost> standing = new HashMap<>();

    PostSetter(
            FenceLine line,
            Spec spec,
            double topM,
            Pulling pulling,
            Stationing stationing,
            LocalPlane plane,
            SoilAlong soil,
            Profile profile,
            PostPlaces places) {
        this.line = line;
        this.build = spec.build();
        this.units = spec.units();
        this.topM = topM;
        this.pulling = pulling;
        this.stationing = stationing;
        this.plane = plane;
        this.soil = soil;
        this.profile = profile;
        this.places = places;
    }

    List<Post> set(List<Mark> marks, Map<Double, Double> braceUpliftN) {
        findStanding(marks);
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
            double lift = braceUpliftN.getOrDefault(mark.stationM(), 0.0);
            if (i > 0 && i < marks.size() - 1 && !mark.ends() && mark.kind() != PostKind.LIGHT) {
                lift += pulling.totalN() * bend(marks, height, i);
            }
            posts.add(post(i, mark, side, lift));
        }
        return numbered(posts);
    }

    /** Change of slope at a post, positive in a hollow. */
    private static double bend(List<Mark> marks, double[] height, int i) {
        double at = marks.get(i).stationM();
        double before = at - marks.get(i - 1).stationM();
        double after = marks.get(i + 1).stationM() - at;
        return (height[i + 1] - height[i]) / after - (height[i] - height[i - 1]) / before;
    }

    private Post post(int i, Mark mark, int side, double lift) {
        boolean strong = mark.kind().strong() || mark.kind() == PostKind.BRACE;
        double at = mark.stationM();
        PostStock stock = stock(mark, strong);
        StandingPost found = standing.get(i);
        double depth = found == null ? depthM(mark, strong, stock) : found.depthM();
        double length = Lengths.sawnM(
                topM + Values.P11_ABOVE_TOP_WIRE_M + depth + stock.family().driverAllowanceM(), units);
        double push =
                mark.ends() ? 0 : 2 * pulling.totalN() * Math.sin(Math.toRadians(Math.abs(mark.deflectionDeg())) / 2);
        Ground ground = soil.groundAt(at);
        boolean lifted = lift > 0 && lift * Values.P18_SAFETY > ground.upliftN(stock.widthM(), depth);
        boolean pushed =
                push > 0 && push * Values.P18_SAFETY > ground.overturningN(stock.widthM(), depth, pulling.leverM());
        PostKind kind = mark.kind() == PostKind.LINE && lifted ? PostKind.TIE_DOWN : mark.kind();
        GeoPoint place = plane.toGeo(stationing.at(at, side));
        return new Post(
                i + 1,
                kind,
                at,
                place.lonDeg(),
                place.latDeg(),
                mark.label(),
                mark.deflectionDeg(),
                mark.ends(),
                shared(mark),
                stock,
                depth,
                length,
                stock.stockFor(length),
                lift,
                push,
                !pushed && (!lifted || kind == PostKind.TIE_DOWN),
                inside(mark));
    }

    private PostStock stock(Mark mark, boolean strong) {
        Build.PostPlan plan = build.posts();
        if (strong) {
            return plan.strong();
        }
        if (mark.kind() == PostKind.LIGHT) {
            return plan.light();
        }
        return places.at(mark.stationM(), o -> o.stock().isPresent())
                .flatMap(o -> o.stock())
                .orElse(plan.line());
    }

    private double depthM(Mark mark, boolean strong, PostStock stock) {
        Build.PostPlan plan = build.posts();
        if (strong) {
            boolean freezes = soil.at(mark.stationM())
                    .filter(Soil.FROZEN_IN_SEASON::equals)
                    .isPresent();
            return freezes || build.season().frostDepthM() > 0
                    ? Math.max(plan.strongDepthM(), build.season().frostDepthM())
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
        return !mark.ends()
                && mark.deflectionDeg() != 0
                && line.book().wiresOn().filter(inner::equals).isPresent();
    }

    private boolean shared(Mark mark) {
        if (line.book().onExisting() && (mark.kind().spaced() || mark.kind() == PostKind.LIGHT)) {
            return true;
        }
        return mark.kind() == PostKind.END
                && (line.startsOn().isPresent() && mark.stationM() == 0
                        || line.endsOn().isPresent() && mark.stationM() > 0);
    }

    private void findStanding(List<Mark> marks) {
        for (StandingPost s : line.book().standing()) {
            double at = stationing.nearest(plane.toPlane(s.at())).stationM();
            int i = nearest(marks, at);
            if (i >= 0 && Math.abs(marks.get(i).stationM() - at) <= Values.P19_SAME_POST_M) {
                standing.put(i, s);
            }
        }
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
            Stationing.Place at = stationing.nearest(plane.toPlane(n.at()));
            int i = nearest(places, at.stationM());
            boolean here = at.offsetM() <= Values.P19_SAME_POST_M
                    && Math.abs(posts.get(i).stationM() - at.stationM()) <= Values.P19_SAME_POST_M;
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
