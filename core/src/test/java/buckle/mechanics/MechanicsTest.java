package buckle.mechanics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import buckle.material.Conductor;
import buckle.material.PostStock;
import buckle.rulebook.Values;
import buckle.units.Forces;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.util.List;
import org.assertj.core.data.Percentage;
import org.hipparchus.analysis.solvers.BrentSolver;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.LUDecomposition;
import org.junit.jupiter.api.Test;

class MechanicsTest {
    /** Outside: sinh 1 = 1.175201194 (tables of hyperbolic functions); a = H/w = 100, half span 100. */
    @Test
    void theCatenaryOfTheTables() {
        Span span = new Span(200, 10, 1000);
        assertThat(span.wireM()).isCloseTo(235.0402388, within(1e-6));
        assertThat(span.sagM())
                .as("the parabola hangs 4 less than the catenary's 100 (cosh 1 - 1) = 54.3")
                .isCloseTo(50, within(1e-9));
    }

    /**
     * Outside: the same wire by another road: the unstretched length of an exact catenary is kept, its pull found by
     * Hipparchus' root finder. The state equation of the parabola agrees within 1 %.
     */
    @Test
    void frostAndIceAgreeWithTheExactCatenary() {
        Conductor c = Conductor.HT_12_5;
        double bare = Span.icedNPerM(c.kgPerM(), c.diameterM(), 0);
        Span strained = new Span(Lengths.ft(20), bare, Forces.lbf(250));
        for (double[] change : new double[][] {{-30, 0}, {20, 0}, {-15, 0.01}, {0, 0.02}, {-45, 0}}) {
            double weight = Span.icedNPerM(c.kgPerM(), c.diameterM(), change[1]);
            Span after = strained.after(change[0], weight, c.stiffnessN(), c.expansionPerK());
            double slackFree = strained.wireM() / (1 + strained.tensionN() / c.stiffnessN());
            double exact = new BrentSolver(1e-10)
                    .solve(
                            300,
                            t -> new Span(strained.lengthM(), weight, t).wireM()
                                    - slackFree * (1 + c.expansionPerK() * change[0]) * (1 + t / c.stiffnessN()),
                            20,
                            50_000);
            assertThat(after.tensionN())
                    .as("%.0f K, ice %.2f m", change[0], change[1])
                    .isCloseTo(exact, Percentage.withPercentage(1));
        }
    }

    /** Worked by hand: E A α ΔT for fixed ends, 4.948 mm² × 200 GPa × 12e-6 × 10 K = 118.8 N. */
    @Test
    void aTautWireGainsItsThermalPull() {
        Conductor c = Conductor.HT_12_5;
        Span taut = new Span(1, 1e-6, 1000);
        assertThat(taut.after(-10, 1e-6, c.stiffnessN(), c.expansionPerK()).tensionN())
                .isCloseTo(1118.8, within(0.1));
        assertThat(taut.after(500, 1e-6, c.stiffnessN(), c.expansionPerK()).tensionN())
                .as("slack, never negative")
                .isBetween(0.0, 1.0);
    }

    /** Source: common practice S9: letting out 2.5 in in 1000 ft takes about 200 N (46 lbf) off a 12.5 gauge wire. */
    @Test
    void lettingOutRelieves() {
        double relief = Conductor.HT_12_5.stiffnessN() * Values.S6_LET_OUT_SHARE;
        assertThat(relief).isCloseTo(200, within(10.0));
        assertThat(relief / Forces.N_PER_LBF).isCloseTo(46, within(2.0));
    }

    /**
     * Outside: the free body of an H brace as a plane truss, joint by joint, solved as linear equations by Hipparchus: a pull
     * of 2,500 lbf 2 ft above the ground, rail 8 ft long 4 ft up. By hand: M 5,000 ft lbf, rail 1,250, uplift 625 lbf.
     */
    @Test
    void theWorkedBrace() {
        HBrace h = new HBrace(2500, 5000, 8, 4);
        assertThat(h.compressionN()).isCloseTo(1250, within(1e-9));
        assertThat(h.upliftN()).isCloseTo(625, within(1e-9));
        assertThat(h.diagonalN()).isCloseTo(1397.54, within(0.01));
        assertThat(h.strandN()).isCloseTo(698.77, within(0.01));
        // Unknowns: rail C, diagonal D, and what each foot is held by: end post H1 and V1, brace post H2 and V2.
        double cos = 8 / Math.hypot(8, 4);
        double sin = 4 / Math.hypot(8, 4);
        double[][] a = {
            {-1, cos, 1, 0, 0, 0}, // end post across: wires pull, rail holds back, diagonal and ground at its foot
            {0, sin, 0, -1, 0, 0}, // end post upwards: the diagonal lifts it, V1 holds it down
            {4, 0, 0, 0, 0, 0}, // end post about its foot: C × 4 = M
            {-1, cos, 0, 0, 0, 0}, // brace post top across: D cos = C
            {0, sin, 0, 0, 0, -1}, // brace post: the diagonal presses it down
            {0, 0, 0, 0, 1, 0}, // brace post's foot takes nothing across
        };
        double[] right = {-2500, 0, 5000, 0, 0, 0};
        double[] x = new LUDecomposition(new Array2DRowRealMatrix(a))
                .getSolver()
                .solve(new ArrayRealVector(right))
                .toArray();
        assertThat(x[0]).isCloseTo(h.compressionN(), within(1e-6));
        assertThat(x[1]).isCloseTo(h.diagonalN(), within(1e-6));
        assertThat(x[3]).isCloseTo(h.upliftN(), within(1e-6));
        assertThat(x[5]).as("brace post pressed down by as much").isCloseTo(h.upliftN(), within(1e-6));
        assertThat(-x[2]).as("the end post's foot takes the whole pull").isCloseTo(h.footShearN(), within(1e-6));
    }

    /** Outside: π² E I / L² by hand: I of a 100 mm round 4.9087e-6 m⁴, 7 GPa, 2 m: 84.78 kN. */
    @Test
    void eulersColumn() {
        assertThat(HBrace.bucklingN(0.1, 2, 7e9)).isCloseTo(84_782, within(10.0));
        assertThat(HBrace.bucklingN(0.1, 4, 7e9)).isCloseTo(84_782 / 4.0, within(5.0));
    }

    /**
     * Outside: the balance of a rigid pile by hand. Ground of 30° and 17 kN/m³ without cohesion, 100 mm post 1 m deep: pressure
     * 3 × 3 × 17,000 × 0.1 = 15,300 N/m², pulled at the surface it turns at 1/∛2 m and holds 15,300 × (2^⅓/2 − ½) N; Broms' 1964
     * formula, which puts all of the toe's push at its end, gives 0.5 × 17,000 × 0.1 × 3 = 2,550 N, a quarter more. Uniform ground
     * turns it at 1/√2 m.
     */
    @Test
    void aRigidPileInTheGround() {
        Ground plain = new Ground(0, 30, 17e3, 1);
        double byHand = 15_300 * (Math.cbrt(2) / 2 - 0.5);
        assertThat(plain.overturningN(0.1, 1, 0)).isCloseTo(byHand, within(0.5));
        assertThat(byHand / 2550).isBetween(0.75, 0.85);
        assertThat(plain.footNm(0.1, 1, byHand)).as("no moment is left").isCloseTo(0, within(1.0));
        assertThat(plain.footNm(0.1, 1, 0))
                .as("without a push, all turning")
                .isCloseTo(15_300 / 3.0 * (1 - 2 * Math.pow(0.5, 1.5)), within(1.0));
        assertThat(plain.footNm(0.1, 1, 8000)).as("it slides at 7,650 N").isEqualTo(Double.NEGATIVE_INFINITY);
        // Full cohesion from 12 widths down; a thin rod in clay is nearly uniform ground of 9 c.
        Ground clay = new Ground(60e3, 0, 18e3, 1);
        double uniform = 9 * 60e3 * 0.004 * (Math.sqrt(2) - 1);
        assertThat(clay.overturningN(0.004, 1, 0)).isBetween(0.9 * uniform, uniform);
        for (Ground ground : ORDER) {
            double pull = ground.overturningN(0.14, 0.9, 0.6);
            assertThat(ground.footNm(0.14, 0.9, pull)).isCloseTo(pull * 0.6, within(0.01 * pull));
            assertThat(ground.overturningN(0.1, 0, 0.5)).isZero();
        }
    }

    /**
     * Outside, all from memory: NAVFAC DM-7.2 (1982), chapter 5: sideways stress of driven piles in tension K 0.6 to 1.0, ¾φ between
     * timber and ground, adhesion of timber in clay of 1,000 to 2,000 lb/ft² 750 to 950 lb/ft² (36 to 45 kPa). International Building
     * Code, 1807.3: post pulled at a height without restraint, allowed d = 0.5 A (1 + √(1 + 4.36 h/A)), A = 2.34 P / (S b), S the
     * pressure at a third of the depth, 100 lb/ft² and foot in clay and silt, 150 in sand, doubled where half an inch at the ground
     * does no harm: what it allows lies under what we let tip.
     */
    @Test
    void whatNamedSourcesSayOfPosts() {
        double side = Math.PI * 0.14 * 0.9144;
        assertThat(Ground.SAND.sideStress()).isBetween(0.6, 1.0);
        double skin = 16e3 * 0.4572 * Math.tan(Math.toRadians(24));
        assertThat(Ground.SAND.upliftN(0.14, 0.9144)).isBetween(skin * side, 1.3 * skin * side);
        assertThat(Ground.CLAY.upliftN(0.14, 0.9144) / side)
                .as("under the adhesion of timber")
                .isBetween(20e3, 36e3);
        double lbf = Forces.lbf(1);
        for (double depthFt : new double[] {2, 3, 4}) {
            for (double heightFt : new double[] {1, 2, 4}) {
                double clay = allowedLbf(2 * 100, 5.5 / 12, depthFt, heightFt) * lbf;
                double sand = allowedLbf(2 * 150, 5.5 / 12, depthFt, heightFt) * lbf;
                double depth = Lengths.ft(depthFt);
                double height = Lengths.ft(heightFt);
                String as = depthFt + " ft deep, " + heightFt + " ft up";
                assertThat(Ground.CLAY.overturningN(Lengths.in(5.5), depth, height) / clay)
                        .as("the code speaks of the softest clay, " + as)
                        .isGreaterThan(1.5);
                assertThat(Ground.LOAM.overturningN(Lengths.in(5.5), depth, height) / clay)
                        .as(as)
                        .isGreaterThan(1.5);
                assertThat(Ground.SAND.overturningN(Lengths.in(5.5), depth, height) / sand)
                        .as(as)
                        .isBetween(1.0, 6.0);
            }
        }
    }

    /** The pull the code allows at a height, found by halving. */
    private static double allowedLbf(double psfPerFt, double widthFt, double depthFt, double heightFt) {
        return new BrentSolver(1e-9)
                .solve(
                        200,
                        p -> {
                            double a = 2.34 * p / (psfPerFt * depthFt / 3 * widthFt);
                            return 0.5 * a * (1 + Math.sqrt(1 + 4.36 * heightFt / a)) - depthFt;
                        },
                        1e-3,
                        1e5);
    }

    private static final Ground[] ORDER = {Ground.STONE, Ground.CLAY, Ground.LOAM, Ground.SAND, Ground.WET};

    /** Common practice, H1: stony ground holds most, then clay, loam, sand, wet ground, whatever the post and however deep. */
    @Test
    void theOrderOfGrounds() {
        for (double width : new double[] {0.012, 0.02, 0.065, 0.14, 0.19}) {
            for (double depth : new double[] {0.3, 0.45, 0.6, 0.9, 1.5, 2}) {
                for (int i = 1; i < ORDER.length; i++) {
                    String as = width + " m, " + depth + " m, " + i;
                    assertThat(ORDER[i - 1].upliftN(width, depth)).as(as).isGreaterThan(ORDER[i].upliftN(width, depth));
                    assertThat(ORDER[i - 1].overturningN(width, depth, 0.6))
                            .as(as)
                            .isGreaterThan(ORDER[i].overturningN(width, depth, 0.6));
                    assertThat(ORDER[i - 1].slidesN(width, depth)).as(as).isGreaterThan(ORDER[i].slidesN(width, depth));
                }
            }
        }
    }

    /** Common practice, H2, H2b and H3: what is taught and holds is not condemned; what clearly fails is told. */
    @Test
    void tautBracesHoldAndWhatFailsIsTold() {
        Hold h2 = single(Forces.lbf(250), 10, 3, Ground.LOAM, 12, 24, 36, 48);
        assertThat(h2).isEqualTo(Hold.USUAL);
        assertThat(single(Forces.lbf(500), 8, 3, Ground.STONE, 10.8, 21.6, 32.4, 43.2, 54))
                .isEqualTo(Hold.USUAL);
        assertThat(single(Forces.lbf(500), 8, 2, Ground.SAND, 10.8, 21.6, 32.4, 43.2, 54))
                .isEqualTo(Hold.MOVES);
        assertThat(single(Forces.lbf(500), 8, 2, Ground.WET, 10.8, 21.6, 32.4, 43.2, 54))
                .isEqualTo(Hold.MOVES);
        // A rod of 7/8 in, a foot deep, at the corner of three wires of 18 lbf each, with and without its stake.
        double[] heights = {6, 12, 48};
        StrongPost.Stake stake = new StrongPost.Stake(
                Ground.LOAM.overturningN(Values.B5_STAKE_WIDTH_M, Values.B5_STAKE_DEPTH_M, Values.B5_STAKE_TIED_M),
                Values.B5_STAKE_TIED_M);
        StrongPost.End one = end(Forces.lbf(18), 0, 0, heights);
        StrongPost.End other = end(Forces.lbf(18), Math.PI / 2, 0, heights);
        double width = Lengths.in(7.0 / 8);
        StrongPost with = new StrongPost(List.of(one, other), Ground.LOAM, width, Lengths.ft(1), 0, stake);
        StrongPost without =
                new StrongPost(List.of(one, other), Ground.LOAM, width, Lengths.ft(1), 0, StrongPost.Stake.NONE);
        assertThat(with.resultantN()).isCloseTo(Math.sqrt(2) * Forces.lbf(54), within(0.1));
        assertThat(Hold.of(with.reserve().safety())).isNotEqualTo(Hold.MOVES);
        assertThat(Hold.of(without.reserve().safety())).isEqualTo(Hold.MOVES);
    }

    private static StrongPost.End end(double tensionN, double towardsRad, double railM, double... heightsIn) {
        double moment = 0;
        for (double h : heightsIn) {
            moment += tensionN * Lengths.in(h);
        }
        return new StrongPost.End(tensionN * heightsIn.length, moment, towardsRad, railM);
    }

    private static Hold single(double tensionN, double railFt, double depthFt, Ground ground, double... heightsIn) {
        StrongPost.End end = end(tensionN, 0, Lengths.ft(railFt), heightsIn);
        StrongPost post =
                new StrongPost(List.of(end), ground, Lengths.in(5.5), Lengths.ft(depthFt), 0, StrongPost.Stake.NONE);
        return Hold.of(post.reserve().safety());
    }

    /**
     * Outside: a corner with two braces as a space truss of own free body: joints at the corner's foot and head and at each brace
     * post's foot and head, two rails, two diagonals, three posts, held at the feet, solved as linear equations by Hipparchus. Its
     * corner is lifted by the sum of both diagonals, and its foot takes the resultant of both pulls sideways.
     */
    @Test
    void aCornerWithTwoBracesIsASpaceTruss() {
        double pull = 2224;
        double height = 1.1;
        double rail = 2.44;
        double[][] at = {{0, 0, 0}, {0, 0, height}, {rail, 0, 0}, {rail, 0, height}, {0, rail, 0}, {0, rail, height}};
        int[][] bars = {{0, 1}, {2, 3}, {4, 5}, {1, 3}, {1, 5}, {0, 3}, {0, 5}};
        int[][] held = {{0, 0}, {0, 1}, {0, 2}, {2, 0}, {2, 1}, {2, 2}, {4, 0}, {4, 1}, {4, 2}, {3, 1}, {5, 0}};
        double[][] a = new double[18][18];
        double[] load = new double[18];
        for (int k = 0; k < bars.length; k++) {
            double[] from = at[bars[k][0]];
            double[] to = at[bars[k][1]];
            double length = Math.sqrt(sq(to[0] - from[0]) + sq(to[1] - from[1]) + sq(to[2] - from[2]));
            for (int axis = 0; axis < 3; axis++) {
                double way = (to[axis] - from[axis]) / length;
                a[3 * bars[k][0] + axis][k] += way;
                a[3 * bars[k][1] + axis][k] -= way;
            }
        }
        for (int k = 0; k < held.length; k++) {
            a[3 * held[k][0] + held[k][1]][bars.length + k] = 1;
        }
        load[3] = -pull;
        load[4] = -pull;
        double[] x = new LUDecomposition(new Array2DRowRealMatrix(a))
                .getSolver()
                .solve(new ArrayRealVector(load))
                .toArray();
        double moment = pull * height;
        StrongPost post = new StrongPost(
                List.of(new StrongPost.End(pull, moment, Math.PI / 2, rail), new StrongPost.End(pull, moment, 0, rail)),
                Ground.LOAM,
                0.14,
                0.9,
                0,
                StrongPost.Stake.NONE);
        HBrace one = new HBrace(pull, moment, rail, height);
        assertThat(x[3]).as("rails pressed").isCloseTo(-one.compressionN(), within(1e-6));
        assertThat(x[5]).as("diagonals pulled").isCloseTo(one.diagonalN(), within(1e-6));
        assertThat(-x[bars.length + 2]).as("the foot is lifted").isCloseTo(post.upliftN(), within(1e-6));
        assertThat(post.upliftN()).isCloseTo(2 * one.upliftN(), within(1e-6));
        assertThat(Math.hypot(x[bars.length], x[bars.length + 1]))
                .as("the foot is pushed")
                .isCloseTo(post.resultantN(), within(1e-6));
    }

    private static double sq(double v) {
        return v * v;
    }

    /**
     * A post between two frames in line carries both uplifts and no push; a push and a moment in the ground are in balance at the
     * reserve: what the foot takes and what the frames take is what is asked.
     */
    @Test
    void theReserveIsABalance() {
        StrongPost.End ahead = end(1112, 0, 2.44, 12, 24, 36);
        StrongPost.End back = end(1112, Math.PI, 2.44, 12, 24, 36);
        StrongPost inLine = new StrongPost(List.of(ahead, back), Ground.LOAM, 0.14, 0.9, 0, StrongPost.Stake.NONE);
        assertThat(inLine.resultantN()).isZero();
        assertThat(inLine.upliftN()).isCloseTo(2 * ahead.momentNm() / 2.44, within(1e-9));
        assertThat(inLine.reserve().safety()).isCloseTo(inLine.holdUpN() / inLine.upliftN(), within(1e-6));
        StrongPost end = new StrongPost(List.of(ahead), Ground.LOAM, 0.14, 0.9, 0, StrongPost.Stake.NONE);
        double times = end.reserve().safety();
        double foot = Ground.LOAM.footNm(0.14, 0.9, times * ahead.pullN());
        assertThat((times * ahead.momentNm() - foot) / 2.44).isCloseTo(end.holdUpN(), within(1.0));
        assertThat(Hold.of(1.5)).isEqualTo(Hold.USUAL);
        assertThat(Hold.of(1.49)).isEqualTo(Hold.LIMIT);
        assertThat(Hold.of(0.99)).isEqualTo(Hold.MOVES);
        assertThat(Hold.USUAL.worse(Hold.MOVES)).isEqualTo(Hold.MOVES);
        // One end braced, the other not: the post turns where its foot does not take the free pull's moment.
        StrongPost half = new StrongPost(
                List.of(ahead, end(1112, Math.PI / 2, 0, 12, 24, 36)),
                Ground.LOAM,
                0.14,
                0.9,
                0,
                StrongPost.Stake.NONE);
        assertThat(half.reserve().safety()).isLessThan(end.reserve().safety());
    }

    /**
     * Source: US steel wire gauge as in rule S10; area of 12.5 gauge 4.95 mm²; weight and resistance from steel of 7,850
     * kg/m³ and 1.7e-7 Ω m, aluminium 2.82e-8 Ω m (material constants). S7: about 6 times between the metals.
     */
    @Test
    void wiresFollowFromTheirMetal() {
        assertThat(Conductor.HT_12_5.kgPerM()).isCloseTo(0.0388, within(0.0002));
        assertThat(Conductor.HT_12_5.ohmPerM()).isCloseTo(0.0344, within(0.0003));
        assertThat(Conductor.HT_12_5.ohmPerM() / Conductor.ALU_12_5.ohmPerM()).isCloseTo(6, within(0.1));
        assertThat(Conductor.HT_14_5.diameterM()).isEqualTo(1.93e-3);
        for (Conductor c : Conductor.values()) {
            assertThat(c.breakingN()).as(c.text()).isGreaterThan(300);
            assertThat(c.coilsM()).isSorted().isNotEmpty();
            assertThat(c.text()).doesNotContain("_");
        }
    }

    @Test
    void postsAreCutFromWhatIsSold() {
        assertThat(PostStock.TIMBER_90.stockFor(1.7, UnitSystem.METRIC)).isEqualTo(1.8);
        assertThat(PostStock.TIMBER_90.stockFor(1.8, UnitSystem.METRIC)).isEqualTo(1.8);
        assertThat(PostStock.TIMBER_90.stockFor(9, UnitSystem.METRIC))
                .as("the longest there is")
                .isEqualTo(2.4);
        assertThat(PostStock.TIMBER_90.stockFor(1.9, UnitSystem.FT_IN)).isEqualTo(Lengths.ft(6.5));
        assertThat(PostStock.TIMBER_90.text()).contains("3.5 in").contains("90 mm");
        assertThatThrownBy(() -> new Span(0, 1, 1)).hasMessageContaining("span");
        assertThatThrownBy(() -> new HBrace(1, 1, 0, 1)).hasMessageContaining("rail");
    }
}
