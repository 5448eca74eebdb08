package buckle.pulse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import org.hipparchus.complex.Complex;
import org.hipparchus.transform.DftNormalization;
import org.hipparchus.transform.FastFourierTransformer;
import org.hipparchus.transform.TransformType;
import org.junit.jupiter.api.Test;

/** The solver against textbook results and against itself done another way. */
class PulseTest {
    private static final Source THREE_J = new Source(
            8000, 9.375e-8, 0.0023073652800268667, 181.81818181818176, OptionalDouble.empty(), OptionalDouble.empty());

    private static LineType steel(double leakSPerM) {
        return LineType.overGround(List.of(new Strand(0.9, 0.0025, 0.035, 100, true)), leakSPerM, 100);
    }

    private static Circuit tree(List<Run> runs, List<Fault> faults) {
        return new Circuit("t", LineModel.FREQUENCY_DEPENDENT, THREE_J, 10, false, runs, faults);
    }

    private static List<Run> branched() {
        return List.of(
                Run.of("a", Optional.empty(), 800, steel(5e-8)),
                Run.of("b", Optional.of("a"), 600, steel(5e-7)),
                Run.of("c", Optional.of("a"), 1000, steel(5e-8)));
    }

    /** Source: images in any textbook: one wire over ground has L' = μ₀/2π ln(2h/r), C' = 2πε₀/ln(2h/r), and L'C' = 1/c². */
    @Test
    void oneWireOverGroundHasTheTextbooksConstants() {
        LineConstants.Perfect p = LineConstants.Perfect.of(steel(0));
        double log = Math.log(2 * 0.9 / 0.00125);
        assertThat(p.henryPerM()).isCloseTo(2e-7 * log, within(1e-12));
        assertThat(p.faradPerM()).isCloseTo(2 * Math.PI * 8.8541878e-12 / log, within(1e-17));
        assertThat(1 / Math.sqrt(p.henryPerM() * p.faradPerM())).isCloseTo(299_792_458, within(300.0));
    }

    /** Source: at low frequency a wire has its direct-current resistance and μ/8π of inductance inside; the two series meet. */
    @Test
    void insideOfAWireMeetsItsLimits() {
        Complex slow = InternalImpedance.perM(0.035, 100, new Complex(0, 10));
        assertThat(slow.getReal()).isCloseTo(0.035, within(1e-5));
        assertThat(slow.getImaginary() / 10).isCloseTo(100 * Constants.MU_0 / (8 * Math.PI), within(1e-9));
        for (double angle : new double[] {0, 0.8, Math.PI / 2}) {
            Complex x2 = new Complex(900 * Math.cos(angle), 900 * Math.sin(angle));
            assertThat(InternalImpedance.near(x2)
                            .subtract(InternalImpedance.far(x2.sqrt()))
                            .norm())
                    .isLessThan(2e-5 * InternalImpedance.near(x2).norm());
        }
    }

    private static List<Run> ring() {
        List<Run> ring = new ArrayList<>(branched());
        ring.set(2, new Run("c", Optional.of("a"), 1000, steel(5e-8), false, Optional.of("b")));
        return ring;
    }

    /** Superposition: one change to the healthy answer is the full solution: shunt and break, with and without a closed loop. */
    @Test
    void aFaultByOneChangeIsTheWholeSolution() {
        List<Place> meters = List.of(new Place("a", 0), new Place("b", 600), new Place("c", 500), new Place("c", 900));
        Place here = new Place("c", 700);
        List<Fault> faults = List.of(
                new Fault(Fault.Kind.SHUNT, here, 900),
                new Fault(Fault.Kind.BREAK, here, 3000),
                new Fault(Fault.Kind.BREAK, here, Double.POSITIVE_INFINITY),
                new Fault(Fault.Kind.BREAK, new Place("a", 0), 150),
                new Fault(Fault.Kind.BREAK, new Place("b", 600), 150),
                new Fault(Fault.Kind.SHUNT, new Place("a", 800), 60));
        List<Place> all = new ArrayList<>(meters);
        faults.forEach(f -> all.add(f.at()));
        for (List<Run> runs : List.of(branched(), ring())) {
            double[][] quick = new PulseSolver(tree(runs, List.of()), all).withEach(faults, meters);
            Solution healthy = PulseSolver.solve(tree(runs, List.of()), meters);
            for (int x = 0; x < faults.size(); x++) {
                Solution full = PulseSolver.solve(tree(runs, List.of(faults.get(x))), meters);
                for (int i = 0; i < meters.size(); i++) {
                    double v = full.answers().get(i).peakV();
                    // A meter at the place of a break at a run's beginning reads before it either way.
                    assertThat(quick[x][i])
                            .as("%s seen at %s", faults.get(x), meters.get(i))
                            .isCloseTo(v, within(1e-9 * healthy.answers().get(i).peakV()));
                }
            }
        }
    }

    /** Any load at a place from the fence seen there once: the whole solution again, and so are the rods; and other supplies. */
    @Test
    void loadsAndSuppliesAreTheWholeSolution() {
        Place far = new Place("b", 600);
        Place begin = new Place("a", 0);
        for (List<Run> runs : List.of(branched(), ring())) {
            PulseSolver solver = new PulseSolver(tree(runs, List.of()), List.of(far, begin));
            Terminal terminal = solver.terminal(far, List.of(begin));
            for (double ohm : new double[] {50, 2000}) {
                Solution full = PulseSolver.solve(
                        tree(runs, List.of(new Fault(Fault.Kind.SHUNT, far, ohm))), List.of(far, begin));
                List<Double> quick = terminal.peaksUnder(ohm, 0);
                assertThat(quick.getFirst() / full.answers().get(1).peakV()).isCloseTo(1, within(1e-9));
                assertThat(quick.getLast() / full.earthTerminalV()).isCloseTo(1, within(1e-9));
                assertThat(terminal.under(ohm).peakV()
                                / full.answers().getFirst().peakV())
                        .isCloseTo(1, within(2e-3));
            }
            Source weak = new Source(6000, 5e-8, 3e-3, 300, OptionalDouble.of(6000), OptionalDouble.of(5e-10));
            List<Supply> supplies = List.of(new Supply(THREE_J, 10), new Supply(THREE_J, 200), new Supply(weak, 25));
            double[][] peaks = new PulseSolver(tree(runs, List.of()), List.of(far, begin), supplies).peaks(supplies);
            for (int s = 0; s < supplies.size(); s++) {
                Circuit fed = tree(runs, List.of())
                        .with(supplies.get(s).source())
                        .withEarth(supplies.get(s).earthOhm());
                Solution full = PulseSolver.solve(fed, List.of(far, begin));
                assertThat(peaks[s][0] / full.answers().getFirst().peakV()).isCloseTo(1, within(2e-3));
                assertThat(peaks[s][1] / full.answers().get(1).peakV()).isCloseTo(1, within(2e-3));
            }
        }
    }

    /** Source: the transform of the library Hipparchus, and the plain sum. */
    @Test
    void theTransformIsTheLibrarysAndThePlainSum() {
        for (int size = 8; size <= 4096; size *= 2) {
            Fourier fourier = new Fourier(size);
            double[][] library = new double[2][size];
            Random random = new Random(size);
            for (int k = 0; k < size; k++) {
                boolean middle = k >= size / 4 && k < 3 * size / 4;
                fourier.re()[k] = library[0][k] = middle ? 0 : random.nextGaussian();
                fourier.im()[k] = library[1][k] = middle ? 0 : random.nextGaussian();
            }
            double[] re = fourier.re().clone();
            double[] im = fourier.im().clone();
            fourier.toTime();
            FastFourierTransformer.transformInPlace(library, DftNormalization.STANDARD, TransformType.INVERSE);
            for (int n = 0; n < size; n++) {
                assertThat(fourier.re()[n]).isCloseTo(size * library[0][n], within(1e-9));
                assertThat(fourier.im()[n]).isCloseTo(size * library[1][n], within(1e-9));
            }
            double sum = 0;
            for (int k = 0; k < size; k++) {
                double angle = 2 * Math.PI * k * 3 / size;
                sum += re[k] * Math.cos(angle) - im[k] * Math.sin(angle);
            }
            assertThat(fourier.re()[3]).isCloseTo(sum, within(1e-9));
        }
    }

    /** A loop closed is the same whichever run closes it; opened by a switch it is the tree. */
    @Test
    void aRingIsTheSameHoweverItIsCut() {
        List<Place> places = List.of(new Place("a", 800), new Place("b", 300));
        List<Run> one = List.of(
                Run.of("a", Optional.empty(), 800, steel(5e-8)),
                Run.of("b", Optional.of("a"), 600, steel(5e-8)),
                new Run("c", Optional.of("a"), 900, steel(5e-8), false, Optional.of("b")));
        List<Run> other = List.of(
                Run.of("a", Optional.empty(), 800, steel(5e-8)),
                Run.of("b", Optional.of("a"), 600, steel(5e-8)),
                Run.of("c", Optional.of("b"), 500, steel(5e-8)),
                new Run("d", Optional.of("a"), 400, steel(5e-8), false, Optional.of("c")));
        Solution x = PulseSolver.solve(tree(one, List.of()), places);
        Solution y = PulseSolver.solve(tree(other, List.of()), places);
        for (int i = 0; i < 2; i++) {
            assertThat(y.answers().get(i).peakV() / x.answers().get(i).peakV()).isCloseTo(1, within(0.003));
        }
    }

    @Test
    void anOpenSwitchLeavesNothingBeyondAndAZeroRunChangesNothing() {
        List<Run> runs = new ArrayList<>(branched());
        runs.add(new Run("s", Optional.of("c"), 0, steel(0), true, Optional.empty()));
        runs.add(Run.of("e", Optional.of("s"), 300, steel(0)));
        Solution s = PulseSolver.solve(tree(runs, List.of()), List.of(new Place("c", 1000), new Place("e", 300)));
        Solution without = PulseSolver.solve(tree(branched(), List.of()), List.of(new Place("c", 1000)));
        assertThat(s.answers().getFirst().peakV() / without.answers().getFirst().peakV())
                .isCloseTo(1, within(0.003));
        assertThat(s.answers().get(1).peakV()).isLessThan(1e-6);
    }

    /** The worked example of the model: 3 J, 2.2 J into 500 Ω, 8 kV open, 5.2 kV at 500 Ω; ½CV² is the stored energy. */
    @Test
    void aPlateBecomesItsSource() {
        Plate plate = new Plate("p", 3, 2.2, 8000, 5200, OptionalDouble.empty(), 45, OptionalDouble.empty());
        Source s = plate.source(Plate.Damping.NONE);
        assertThat(s.faradF()).isCloseTo(93.75e-9, within(1e-12));
        assertThat(s.ohm()).isCloseTo(181.82, within(0.01));
        assertThat(s.henryH()).isCloseTo(2.3074e-3, within(1e-6));
        assertThat(plate.peakAt100V()).isCloseTo(2012, within(1.0));
        assertThat(plate.doubt()).isEmpty();
        assertThat(new Plate("p", 3, 2.2, 8000, 5200, OptionalDouble.of(2100), 45, OptionalDouble.empty()).doubt())
                .isEmpty();
        assertThat(new Plate("p", 3, 2.2, 8000, 5200, OptionalDouble.of(3500), 45, OptionalDouble.empty()).doubt())
                .hasValueSatisfying(why -> assertThat(why).contains("3500", "2012"));
        assertThat(s.storedJ()).isCloseTo(3, within(1e-9));
        assertThat(new Plate("x", 2, 2.2, 8000, 5200, OptionalDouble.empty(), 45, OptionalDouble.empty())
                        .contradiction())
                .hasValueSatisfying(why -> assertThat(why).contains("no energizer does"));
        assertThat(new Plate("x", 3, 2.2, 8000, 7000, OptionalDouble.empty(), 45, OptionalDouble.empty())
                        .contradiction())
                .isPresent();
    }

    @Test
    void whatCannotBeIsRefusedAndLongFencesAreAnswered() {
        assertThatThrownBy(() -> new Strand(0.9, 0.0025, 0, 100, true)).hasMessageContaining("resistance");
        assertThatThrownBy(() -> LineType.overGround(List.of(new Strand(1, 0.002, 0.03, 1, true)), 0, 1e9))
                .hasMessageContaining("resistivity");
        assertThat(PulseSolver.solve(tree(List.of(), List.of()), List.of()).solved())
                .isFalse();
        Solution s = PulseSolver.solve(
                tree(List.of(Run.of("a", Optional.empty(), 100_000, steel(5e-8))), List.of()),
                List.of(new Place("a", 100_000)));
        assertThat(s.answers().getFirst().peakV()).isBetween(1.0, 8000.0);
    }
}
