package buckle.mechanics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import buckle.material.Conductor;
import buckle.material.PostStock;
import buckle.rulebook.Values;
import buckle.units.Forces;
import buckle.units.Lengths;
import org.assertj.core.data.Percentage;
import org.hipparchus.analysis.solvers.BrentSolver;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.ArrayRealVector;
import org.hipparchus.linear.LUDecomposition;
import org.junit.jupiter.api.Test;

class MechanicsTest {
    /** Outside: cosh 1 = 1.543080635 and sinh 1 = 1.175201194 (tables of hyperbolic functions); a = H/w = 100, half span 100. */
    @Test
    void theCatenaryOfTheTables() {
        Span span = new Span(200, 10, 1000);
        assertThat(span.catenarySagM()).isCloseTo(54.3080635, within(1e-6));
        assertThat(span.wireM()).isCloseTo(235.0402388, within(1e-6));
        assertThat(span.sagM()).as("the parabola hangs less").isCloseTo(50, within(1e-9));
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
     * Outside: Broms' formulas by hand. Sand of 30° and 17 kN/m³, 100 mm post 1 m deep pulled at the ground:
     * 0.5 × 17,000 × 0.1 × 1 × 3 / 1 = 2,550 N. Clay: the found pull is put back into Broms' balance of moments.
     */
    @Test
    void whatTheGroundHolds() {
        assertThat(Ground.LOAM.overturningN(0.1, 1, 0)).isCloseTo(2550, within(0.5));
        double h = Ground.CLAY.overturningN(0.14, 0.9, 0.6);
        double f = h / (9 * 40e3 * 0.14);
        double g = 0.9 - 1.5 * 0.14 - f;
        assertThat(h * (0.6 + 1.5 * 0.14 + f / 2)).isCloseTo(2.25 * 0.14 * g * g * 40e3, within(0.5));
        assertThat(Ground.CLAY.upliftN(0.1, 1)).isCloseTo(0.5 * 40e3 * Math.PI * 0.1, within(0.1));
        for (Ground ground : new Ground[] {Ground.CLAY, Ground.WET, Ground.LOAM, Ground.SAND, Ground.STONE}) {
            assertThat(ground.overturningN(0.1, 1.2, 0.5)).isGreaterThan(ground.overturningN(0.1, 0.6, 0.5));
            assertThat(ground.upliftN(0.1, 1.2)).isGreaterThan(ground.upliftN(0.1, 0.6));
            assertThat(ground.overturningN(0.1, 0, 0.5)).isZero();
        }
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
        assertThat(PostStock.TIMBER_90.stockFor(1.7)).isEqualTo(1.8);
        assertThat(PostStock.TIMBER_90.stockFor(1.8)).isEqualTo(1.8);
        assertThat(PostStock.TIMBER_90.stockFor(9)).as("the longest there is").isEqualTo(2.4);
        assertThat(PostStock.TIMBER_90.text()).contains("3.5 in").contains("90 mm");
        assertThatThrownBy(() -> new Span(0, 1, 1)).hasMessageContaining("span");
        assertThatThrownBy(() -> new HBrace(1, 1, 0, 1)).hasMessageContaining("rail");
    }
}
