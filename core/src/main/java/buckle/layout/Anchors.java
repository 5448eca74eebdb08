package buckle.layout;

import buckle.layout.BraceLoad.State;
import buckle.mechanics.Ground;
import buckle.mechanics.HBrace;
import buckle.mechanics.Hold;
import buckle.mechanics.StrongPost;
import buckle.mechanics.StrongPost.End;
import buckle.mechanics.Weakness;
import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.site.PlanePoint;
import buckle.site.Stationing;
import buckle.spec.BraceKind;
import buckle.spec.RailSchool;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.function.DoubleFunction;
import java.util.function.Function;

/** What the strong posts of a line carry: all pulls that end on one, with the braces that hold them, on the day of building and at the worst. */
final class Anchors {
    /** This far along a pull its direction is taken. */
    private static final double AHEAD_M = 0.05;

    private final Bracing bracing;
    private final Stationing stationing;
    private final boolean closed;
    private final DoubleFunction<Foot> feet;
    private final Map<Long, Anchored> posts = new LinkedHashMap<>();
    private final List<Held> ends = new ArrayList<>();

    /** One end of a pull and what holds it. */
    private record Held(Bracing.Placed brace, Pull pull, double towardsRad) {}

    /** A post on the day of building and at the worst load, and how many times the pulls may grow then. */
    private record Loaded(
            StrongPost day, StrongPost.Reserve dayReserve, StrongPost worst, StrongPost.Reserve worstReserve) {
        static Loaded of(StrongPost day, StrongPost worst) {
            return new Loaded(day, day.reserve(), worst, worst.reserve());
        }
    }

    /** All that ends on one post; loaded once for each rail school. */
    private final class Anchored {
        private final List<Held> held = new ArrayList<>();
        private final Map<RailSchool, Loaded> loaded = new EnumMap<>(RailSchool.class);

        /** With the school's frames; what holds without a frame stays as it is. */
        Loaded by(RailSchool school) {
            return loaded.computeIfAbsent(school, s -> {
                double rail = s.railM(bracing.topM());
                return Loaded.of(post(held, rail, false), post(held, rail, true));
            });
        }

        Loaded asBuilt() {
            return by(bracing.railSchool());
        }
    }

    private Anchors(Bracing bracing, Stationing stationing, boolean closed, DoubleFunction<Foot> feet) {
        this.bracing = bracing;
        this.stationing = stationing;
        this.closed = closed;
        this.feet = feet;
    }

    /**
     * @param placed two for each pull, in order
     * @param feet how the post at a station stands
     */
    static Anchors of(
            List<Bracing.Placed> placed,
            List<Pull> pulls,
            Bracing bracing,
            Stationing stationing,
            boolean closed,
            DoubleFunction<Foot> feet) {
        Anchors anchors = new Anchors(bracing, stationing, closed, feet);
        for (int i = 0; i < placed.size(); i++) {
            Bracing.Placed p = placed.get(i);
            Held held = new Held(p, pulls.get(i / 2), anchors.towardsRad(p.strongM(), p.towards()));
            anchors.ends.add(held);
            anchors.posts
                    .computeIfAbsent(anchors.key(p.strongM()), k -> anchors.new Anchored())
                    .held
                    .add(held);
        }
        return anchors;
    }

    private double towardsRad(double stationM, int towards) {
        PlanePoint here = stationing.at(stationM);
        PlanePoint there = stationing.at(Math.clamp(stationM + towards * AHEAD_M, 0, stationing.lengthM()));
        return Math.atan2(there.eastM() - here.eastM(), there.northM() - here.northM());
    }

    /** The end of a closed line is its start. */
    private long key(double stationM) {
        boolean seam = closed && stationM >= stationing.lengthM() - Mark.SAME_PLACE_M;
        return seam ? 0 : Math.round(stationM / Mark.SAME_PLACE_M);
    }

    List<Brace> braces() {
        return ends.stream().map(this::brace).toList();
    }

    /** Of the post at a station; empty map entries are posts on which nothing ends. */
    Function<Double, PostLoad> loads() {
        Map<Long, PostLoad> all = new LinkedHashMap<>();
        posts.forEach((key, post) -> all.put(key, load(post.asBuilt())));
        return station -> all.get(key(station));
    }

    private static PostLoad load(Loaded post) {
        return new PostLoad(
                post.day().upliftN(),
                post.day().resultantN(),
                post.worst().upliftN(),
                post.worst().resultantN(),
                post.day().holdUpN(),
                post.day().holdSideN(),
                Hold.of(post.dayReserve().safety()),
                Hold.of(post.worstReserve().safety()));
    }

    private StrongPost post(List<Held> held, double railM, boolean worst) {
        Foot foot = feet.apply(held.getFirst().brace().strongM());
        Ground ground = foot.ground();
        double weight = foot.weightN();
        List<End> all = new ArrayList<>();
        boolean staked = false;
        for (Held h : held) {
            int frames = Math.max(1, h.brace().kind().rails());
            double pull = worst ? h.pull().worstN() : h.pull().totalN();
            double moment = worst ? h.pull().worstNm() : h.pull().momentNm();
            double over = h.brace().kind().framed() ? railM : h.brace().overM();
            all.add(new End(pull, over > 0 ? moment / frames : moment, h.towardsRad(), over));
            weight += over > 0 ? bracing.railWeightN(over) / 2 : 0;
            staked |= h.brace().kind() == BraceKind.BACK_STAKE;
        }
        StrongPost.Stake stake = staked
                ? new StrongPost.Stake(
                        ground.overturningN(Values.B5_STAKE_WIDTH_M, Values.B5_STAKE_DEPTH_M, Values.B5_STAKE_TIED_M),
                        Values.B5_STAKE_TIED_M)
                : StrongPost.Stake.NONE;
        return new StrongPost(all, ground, foot.widthM(), foot.depthM(), weight, stake);
    }

    private Brace brace(Held held) {
        Bracing.Placed p = held.brace();
        Anchored post = Objects.requireNonNull(posts.get(key(p.strongM())));
        List<BraceLoad> schools = new ArrayList<>();
        if (p.kind().framed()) {
            for (RailSchool school : RailSchool.values()) {
                schools.add(load(held, post.by(school), school.rule(), school.railM(bracing.topM())));
            }
        }
        BraceLoad load = p.kind().framed()
                ? schools.get(bracing.railSchool().ordinal())
                : load(held, post.asBuilt(), p.kind().rule(), p.overM());
        return new Brace(p.strongM(), p.braceM(), p.overM(), p.kind(), load, schools);
    }

    private BraceLoad load(Held held, Loaded post, Rule rule, double railM) {
        boolean frame = railM > 0;
        double buckling = frame ? bracing.bucklingN(railM) : 0;
        double strands = frame ? bracing.strandsBreakingN() : 0;
        return new BraceLoad(
                rule,
                railM,
                buckling,
                strands,
                frame ? post.day().holdUpN() : post.day().holdSideN(),
                state(
                        held,
                        railM,
                        post.day(),
                        post.dayReserve(),
                        held.pull().totalN(),
                        held.pull().momentNm()),
                state(
                        held,
                        railM,
                        post.worst(),
                        post.worstReserve(),
                        held.pull().worstN(),
                        held.pull().worstNm()));
    }

    private State state(
            Held held, double railM, StrongPost post, StrongPost.Reserve reserve, double pullN, double momentNm) {
        if (railM <= 0) {
            double pull = post.resultantN();
            return new State(
                    pull,
                    pull * post.leverM(),
                    0,
                    0,
                    post.upliftN(),
                    reserve.safety(),
                    reserve.weakest(),
                    Hold.of(reserve.safety()));
        }
        int frames = Math.max(1, held.brace().kind().rails());
        HBrace h = new HBrace(pullN / frames, momentNm / frames, railM, bracing.railHeightM());
        double[] ratios = {
            bracing.bucklingN(railM) / h.compressionN(), bracing.strandsBreakingN() / h.diagonalN(), reserve.safety(),
        };
        Weakness[] which = {Weakness.RAIL_BUCKLES, Weakness.DIAGONAL_BREAKS, reserve.weakest()};
        int least = 0;
        for (int i = 1; i < ratios.length; i++) {
            least = ratios[i] < ratios[least] ? i : least;
        }
        return new State(
                pullN,
                momentNm,
                h.compressionN(),
                h.diagonalN(),
                post.upliftN(),
                ratios[least],
                which[least],
                Hold.of(ratios[least]));
    }
}
