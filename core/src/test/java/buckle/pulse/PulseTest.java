package buckle.pulse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import buckle.Records;
import buckle.power.Energizers;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.function.Function;
import org.hipparchus.complex.Complex;
import org.hipparchus.ode.ODEState;
import org.hipparchus.ode.ODEStateAndDerivative;
import org.hipparchus.ode.OrdinaryDifferentialEquation;
import org.hipparchus.ode.nonstiff.DormandPrince853Integrator;
import org.hipparchus.transform.DftNormalization;
import org.hipparchus.transform.FastFourierTransformer;
import org.hipparchus.transform.TransformType;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The solver against textbook results and against itself done another way. */
class PulseTest {
    private static final Source THREE_J = new Source(
            8000, 9.375e-8, 0.0023073652800268667, 181.81818181818176, OptionalDouble.empty(), OptionalDouble.empty());

    private static LineType steel(double leakSPerM) {
        return LineType.overGround(List.of(new LineWire(0.9, 0.0025, 0.035, 100, true)), leakSPerM, 100);
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
            double[][] quick = new PulseSolver(tree(runs, List.of()), all).peaksWithEach(faults, meters);
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

    /** Currents and the earth terminal by one change, and as the whole solution tells them; what flows at a fork adds up. */
    @Test
    void allMetersByOneChange() {
        Place begin = new Place("a", 0);
        List<Meter> meters = List.of(
                new Meter.Volts(new Place("b", 600)),
                new Meter.Amperes(begin),
                new Meter.Amperes(new Place("a", 600)),
                new Meter.Amperes(new Place("b", 0)),
                new Meter.Amperes(new Place("c", 0)),
                new Meter.Amperes(new Place("c", 900)),
                new Meter.EarthVolts());
        Place here = new Place("c", 700);
        List<Fault> faults = List.of(
                new Fault(Fault.Kind.SHUNT, here, 300),
                new Fault(Fault.Kind.BREAK, here, 3000),
                new Fault(Fault.Kind.BREAK, here, Double.POSITIVE_INFINITY),
                new Fault(Fault.Kind.SHUNT, new Place("b", 300), 150));
        List<Place> all = new ArrayList<>(List.of(
                begin,
                new Place("a", 1),
                new Place("a", 599),
                new Place("a", 600),
                new Place("b", 0),
                new Place("b", 1),
                new Place("b", 600),
                new Place("c", 0),
                new Place("c", 1),
                new Place("c", 899),
                new Place("c", 900)));
        faults.forEach(f -> all.add(f.at()));
        for (List<Run> runs : List.of(branched(), ring())) {
            Circuit sound = tree(runs, List.of());
            Supply own = new Supply(sound.source(), sound.earthOhm());
            double[][] quick =
                    new PulseSolver(sound, all).withEach(faults, meters).values();
            double[] healthy = new PulseSolver(sound, all).readings(List.of(own), meters)[0];
            Solution whole = new PulseSolver(sound, all).solve();
            assertThat(healthy[1])
                    .isCloseTo(whole.answers().getFirst().currentA().orElseThrow(), within(1e-9));
            assertThat(healthy[6]).isCloseTo(whole.earthTerminalV().orElseThrow(), within(1e-6));
            for (int x = 0; x < faults.size(); x++) {
                double[] full =
                        new PulseSolver(tree(runs, List.of(faults.get(x))), all).readings(List.of(own), meters)[0];
                for (int i = 0; i < meters.size(); i++) {
                    assertThat(quick[x][i])
                            .as("%s read by %s", faults.get(x), meters.get(i))
                            .isCloseTo(full[i], within(1e-6 * Math.max(1, Math.abs(healthy[i]))));
                }
            }
        }
    }

    /** Growth is several leaks at once: along one run and on several, with and without a closed loop, the whole solution again. */
    @Test
    void severalLeaksAtOnceAreTheWholeSolution() {
        List<Place> at = List.of(new Place("c", 200), new Place("c", 450), new Place("c", 700), new Place("b", 300));
        List<Meter> meters = List.of(
                new Meter.Volts(new Place("b", 600)), new Meter.Amperes(new Place("c", 0)), new Meter.EarthVolts());
        List<Fault> leaks = List.of(
                new Fault(Fault.Kind.SHUNT, at.get(0), 900),
                new Fault(Fault.Kind.SHUNT, at.get(1), 300),
                new Fault(Fault.Kind.SHUNT, at.get(2), 2000),
                new Fault(Fault.Kind.SHUNT, at.get(3), 150));
        List<Place> all = new ArrayList<>(at);
        all.addAll(List.of(new Place("a", 0), new Place("b", 600), new Place("c", 0), new Place("c", 1)));
        for (List<Run> runs : List.of(branched(), ring())) {
            Circuit sound = tree(runs, List.of());
            Supply own = new Supply(sound.source(), sound.earthOhm());
            for (List<List<Fault>> sets :
                    List.of(List.of(leaks.subList(0, 3), leaks.subList(1, 3)), List.of(leaks, leaks.subList(2, 4)))) {
                double[][] quick =
                        new PulseSolver(sound, all).withLeaks(sets, meters).values();
                for (int x = 0; x < sets.size(); x++) {
                    double[] full = new PulseSolver(tree(runs, sets.get(x)), all).readings(List.of(own), meters)[0];
                    for (int m = 0; m < full.length; m++) {
                        assertThat(quick[x][m])
                                .as("%s read by %s", sets.get(x), meters.get(m))
                                .isCloseTo(full[m], within(1e-9 * Math.abs(full[m])));
                    }
                }
            }
        }
    }

    /** At the moment of its peak a pulse is as high as its peak; how a peak moves with the fence is how the pulse moves then. */
    @Test
    void atTheMomentOfAPeak() {
        List<Place> places = List.of(new Place("a", 0), new Place("b", 600), new Place("c", 700));
        List<Meter> meters =
                List.of(new Meter.Volts(places.get(0)), new Meter.Volts(places.get(1)), new Meter.EarthVolts());
        List<Fault> faults = List.of(
                new Fault(Fault.Kind.SHUNT, places.get(2), 400), new Fault(Fault.Kind.BREAK, places.get(2), 3000));
        for (List<Run> runs : List.of(branched(), ring())) {
            Circuit sound = tree(runs, List.of());
            PulseSolver solver = new PulseSolver(sound, places);
            PulseSolver.Shown peaks = solver.withEach(faults, meters);
            double[][] then = solver.withEachAt(faults, meters, peaks.atS());
            // A little more earth resistance: the envelope of all moments.
            PulseSolver other = new PulseSolver(sound.withEarthOhm(sound.earthOhm() * 1.01), places);
            double[][] moved = other.withEachAt(faults, meters, peaks.atS());
            double[][] anew = other.withEach(faults, meters).values();
            for (int x = 0; x < faults.size(); x++) {
                for (int m = 0; m < meters.size(); m++) {
                    double peak = peaks.values()[x][m];
                    assertThat(then[x][m]).isCloseTo(peak, within(2e-4 * peak));
                    assertThat(moved[x][m] - then[x][m])
                            .isCloseTo(anew[x][m] - peak, within(0.02 * Math.abs(anew[x][m] - peak) + 1e-5 * peak));
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
            TheveninPort terminal = solver.terminal(far, List.of(begin));
            for (double ohm : new double[] {50, 2000}) {
                Solution full = PulseSolver.solve(
                        tree(runs, List.of(new Fault(Fault.Kind.SHUNT, far, ohm))), List.of(far, begin));
                List<Double> quick = terminal.peaksUnder(ohm, 0);
                assertThat(quick.getFirst() / full.answers().get(1).peakV()).isCloseTo(1, within(1e-9));
                assertThat(quick.getLast() / full.earthTerminalV().getAsDouble())
                        .isCloseTo(1, within(1e-9));
                assertThat(terminal.under(ohm).peakV()
                                / full.answers().getFirst().peakV())
                        .isCloseTo(1, within(2e-3));
            }
            Source weak = new Source(6000, 5e-8, 3e-3, 300, OptionalDouble.of(6000), OptionalDouble.of(5e-10));
            List<Supply> supplies = List.of(new Supply(THREE_J, 10), new Supply(THREE_J, 200), new Supply(weak, 25));
            double[][] peaks = new PulseSolver(tree(runs, List.of()), List.of(far, begin), supplies).peaks(supplies);
            for (int s = 0; s < supplies.size(); s++) {
                Circuit fed = tree(runs, List.of())
                        .withSource(supplies.get(s).source())
                        .withEarthOhm(supplies.get(s).earthOhm());
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

    /** Two voltages in one transform, an odd one left over: the same peaks, and no currents. */
    @Test
    void voltagesAloneAreTheSameVoltages() {
        for (int count = 1; count <= 4; count++) {
            List<Place> places = new ArrayList<>();
            for (int i = 0; i < count; i++) {
                places.add(new Place("c", 200.0 * i));
            }
            PulseSolver solver = new PulseSolver(tree(branched(), List.of()), places);
            Solution all = solver.solve();
            Solution volts = solver.volts();
            assertThat(volts.answers()).hasSize(count);
            for (int i = 0; i < count; i++) {
                Solution.Answer a = volts.answers().get(i);
                assertThat(a.peakV() / all.answers().get(i).peakV()).isCloseTo(1, within(1e-12));
                assertThat(a.atS()).isCloseTo(all.answers().get(i).atS(), within(1e-12));
                assertThat(a.currentA()).isEmpty();
                assertThat(all.answers().get(i).currentA()).isPresent();
            }
            assertThat(volts.earthTerminalV()).isEmpty();
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

    /**
     * The worked example without anything across the terminals: 3 J, 2.2 J into 500 Ω, 8 kV open, 5.2 kV at 500 Ω; ½CV² is the
     * stored energy, R = 500 (3/2.2 − 1).
     */
    @Test
    void aPlateWithNothingAcrossItsTerminals() {
        EnergizerRating plate = EnergizerRating.of("p", 3, 2.2, 8000, 5200, 45);
        Source s = plate.source(Damping.NONE).orElseThrow();
        assertThat(s.faradF()).isCloseTo(93.75e-9, within(1e-13));
        assertThat(s.ohm()).isCloseTo(181.82, within(0.01));
        assertThat(s.henryH()).isCloseTo(2.3074e-3, within(1e-6));
        assertThat(new RlcDischarge(s, 100).peakV()).isCloseTo(2012, within(1.0));
        assertThat(s.storedJ()).isCloseTo(3, within(1e-6));
    }

    /**
     * Outside: the differential equations of capacitor, coil, resistance and what lies across the terminals, stepped through by
     * Hipparchus' integrator of Dormand and Prince: the peaks and energies of every generic plate, of all pairs that solve it, and of
     * a plate with its voltage at 100 Ω, are the plate's.
     */
    @Test
    void theEnergizerHonoursItsPlate() {
        List<EnergizerRating> plates = new ArrayList<>(Energizers.GENERIC);
        plates.add(EnergizerRating.of("of a pig paddock", 9, 6.7, 8800, 6000, 45));
        plates.add(Records.with(EnergizerRating.of("p", 3, 2.2, 8000, 5200, 45), "v100", OptionalDouble.of(2300)));
        plates.parallelStream().forEach(plate -> {
            List<Source> all = new ArrayList<>(plate.others());
            all.add(plate.source());
            assertThat(all).as(plate.name()).hasSizeGreaterThanOrEqualTo(3);
            for (Source s : all) {
                Stepped open = Stepped.of(s, Double.POSITIVE_INFINITY);
                Stepped loaded = Stepped.of(s, 500);
                assertThat(open.peakV()).as(plate.name()).isCloseTo(plate.openV(), within(1e-3 * plate.openV()));
                assertThat(loaded.peakV()).as(plate.name()).isCloseTo(plate.v500(), within(1e-3 * plate.v500()));
                double out = plate.energy().outJ();
                assertThat(loaded.energyJ()).as(plate.name()).isCloseTo(out, within(0.002 * out));
                assertThat(s.storedJ()).isCloseTo(plate.energy().storedJ(), within(1e-4 * s.storedJ()));
                plate.v100()
                        .ifPresent(v -> assertThat(Stepped.of(s, 100).peakV()).isCloseTo(v, within(2e-3 * v)));
            }
            assertThat(plate.contradiction()).isEmpty();
            assertThat(plate.doubt()).isEmpty();
        });
    }

    /** An energizer's network stepped through in time. */
    private record Stepped(double peakV, double energyJ) {
        static Stepped of(Source s, double ohm) {
            double acrossS = s.bleedOhm().isPresent() ? 1 / s.bleedOhm().getAsDouble() : 0;
            double g = acrossS + (Double.isInfinite(ohm) ? 0 : 1 / ohm);
            double terminalF = s.terminalF().orElseThrow();
            OrdinaryDifferentialEquation network = new OrdinaryDifferentialEquation() {
                @Override
                public int getDimension() {
                    return 4;
                }

                @Override
                public double[] computeDerivatives(double t, double[] y) {
                    // y: volts of the capacitor, current in the coil, volts at the terminals, energy in the load
                    return new double[] {
                        -y[1] / s.faradF(),
                        (y[0] - s.ohm() * y[1] - y[2]) / s.henryH(),
                        (y[1] - g * y[2]) / terminalF,
                        Double.isInfinite(ohm) ? 0 : y[2] * y[2] / ohm
                    };
                }
            };
            double endS = Double.isInfinite(ohm) ? 300e-6 : Math.max(300e-6, 20 * s.faradF() * (s.ohm() + ohm));
            double[] peak = {0};
            DormandPrince853Integrator integrator = new DormandPrince853Integrator(1e-12, 4e-8, 1e-6, 1e-9);
            integrator.addStepHandler(
                    step -> peak[0] = Math.max(peak[0], step.getCurrentState().getPrimaryState()[2]));
            ODEStateAndDerivative end =
                    integrator.integrate(network, new ODEState(0, new double[] {s.chargedV(), 0, 0, 0}), endS);
            return new Stepped(peak[0], end.getPrimaryState()[3]);
        }
    }

    /** A damping that a plate leaves room for keeps the plate; one that it does not is told apart, and more of it never raises a peak. */
    @Test
    void dampingThatSomebodySaysKeepsThePlateOrIsRefused() {
        EnergizerRating plate = Energizers.GENERIC.get(2);
        for (double ohm : new double[] {2000, 4000, 20_000}) {
            Source s = plate.source(new Damping(ohm, 2e-9)).orElseThrow();
            assertThat(new RlcDischarge(s, 500).peakV()).isCloseTo(plate.v500(), within(0.01));
            assertThat(new RlcDischarge(s, Double.POSITIVE_INFINITY).peakV()).isCloseTo(plate.openV(), within(0.01));
        }
        assertThat(plate.source(new Damping(1000, 200e-9))).as("no room").isEmpty();
        EnergizerRating impossible = EnergizerRating.of("x", 3, 2.2, 8000, 7900, 45);
        assertThat(impossible.contradiction())
                .hasValueSatisfying(why -> assertThat(why).isInstanceOf(RatingDoubt.NothingGivesIt.class));
        assertThat(EnergizerRating.of("x", 2, 2.2, 8000, 5200, 45).contradiction())
                .hasValueSatisfying(why -> assertThat(why).isInstanceOf(RatingDoubt.MoreOutThanStored.class));
        assertThat(EnergizerRating.of("x", 3, 2.2, 5000, 5200, 45).contradiction())
                .hasValueSatisfying(why -> assertThat(why).isInstanceOf(RatingDoubt.MoreUnderLoad.class));
        EnergizerRating doubtful =
                Records.with(EnergizerRating.of("p", 3, 2.2, 8000, 5200, 45), "v100", OptionalDouble.of(4500));
        assertThat(doubtful.doubt())
                .hasValueSatisfying(
                        why -> assertThat(((RatingDoubt.OffAt100) why).v100()).isEqualTo(4500));
    }

    /** E8: what one energy and the voltage at 100 Ω tell is found back; without that voltage the usual share. */
    @Test
    void oneEnergyIsEnough() {
        EnergizerRating whole = EnergizerRating.of("p", 3, 2.2, 8000, 5200, 45);
        OptionalDouble v100 = OptionalDouble.of(whole.peakAt100V());
        EnergizerRating stored = Records.with(Records.with(whole, "out500J", OptionalDouble.empty()), "v100", v100);
        assertThat(stored.energy().outJ()).isCloseTo(2.2, within(0.001));
        assertThat(stored.energy().found()).isEqualTo(EnergizerRating.Found.FROM_100);
        EnergizerRating out = Records.with(Records.with(whole, "storedJ", OptionalDouble.empty()), "v100", v100);
        assertThat(out.energy().storedJ()).isCloseTo(3, within(0.001));
        assertThat(out.source().henryH()).isCloseTo(whole.source().henryH(), within(1e-5));
        EnergizerRating usual = Records.with(out, "v100", OptionalDouble.empty());
        assertThat(usual.energy().storedJ()).isCloseTo(2.2 / 0.74, within(1e-9));
        assertThat(usual.energy().found()).isEqualTo(EnergizerRating.Found.USUAL_SHARE);
        // A voltage at 100 Ω that nothing gives: the usual share, and a doubt.
        EnergizerRating odd = Records.with(out, "v100", OptionalDouble.of(5000));
        assertThat(odd.energy().storedJ()).isCloseTo(2.2 / 0.74, within(1e-9));
        assertThat(odd.doubt()).isPresent();
        assertThatThrownBy(() -> Records.with(out, "out500J", OptionalDouble.empty()))
                .rootCause()
                .hasMessageContaining("the energy stored or the one into 500 Ω");
        assertThatThrownBy(() -> new EnergizerRating.Draw(OptionalDouble.of(1), OptionalDouble.of(2)))
                .hasMessageContaining("slow mode draws no more");
    }

    /** What a pulse leaves in 500 ohm is the plate's energy, for the smallest and for those that take milliseconds to empty. */
    @Test
    void theEnergyInFiveHundredOhmIsThePlates() {
        for (EnergizerRating plate : Energizers.GENERIC) {
            Circuit circuit = new Circuit(
                    "t",
                    LineModel.FREQUENCY_DEPENDENT,
                    plate.source(),
                    0,
                    false,
                    List.of(Run.of("a", Optional.empty(), 1, steel(0))),
                    List.of());
            Place end = new Place("a", 1);
            Waveform across = PulseSolver.slow(circuit, List.of(end))
                    .terminal(end, List.of())
                    .under(500);
            double out = plate.energy().outJ();
            assertThat(across.energyJ(500)).as(plate.name()).isCloseTo(out, within(0.01 * out));
            TheveninPort quick = new PulseSolver(circuit, List.of(end)).terminal(end, List.of());
            assertThat(quick.under(500).peakV()).isCloseTo(plate.v500(), within(0.003 * plate.v500()));
            assertThat(quick.under(Double.POSITIVE_INFINITY).peakV())
                    .as("nothing connected")
                    .isCloseTo(plate.openV(), within(0.02 * plate.openV()));
        }
    }

    /**
     * Source: any textbook on lines: one closed by its own wave impedance √(L'/C') sends nothing back. The source sees that
     * impedance and nothing else, and what it gives arrives whole after the way at the speed of light.
     */
    @Test
    void aMatchedLineReflectsNothing() {
        LineType bare = LineType.overGround(List.of(new LineWire(0.9, 0.0025, 1e-9, 1, true)), 0, 100);
        LineConstants.Perfect p = LineConstants.Perfect.of(bare);
        double wave = Math.sqrt(p.henryPerM() / p.faradPerM());
        double lengthM = 6000;
        Place far = new Place("a", lengthM);
        Circuit circuit = new Circuit(
                "matched",
                LineModel.CONSTANT,
                THREE_J,
                0,
                false,
                List.of(Run.of("a", Optional.empty(), lengthM, bare)),
                List.of(new Fault(Fault.Kind.SHUNT, far, wave)));
        Solution s = PulseSolver.solve(circuit, List.of(new Place("a", 0), new Place("a", 3000), far));
        double alone = new RlcDischarge(THREE_J, wave).peakV();
        for (Solution.Answer a : s.answers()) {
            assertThat(a.peakV()).isCloseTo(alone, within(0.002 * alone));
            double way = a.place().distanceM() / Constants.LIGHT_M_PER_S;
            assertThat(a.atS() - s.answers().getFirst().atS()).isCloseTo(way, within(0.3e-6));
        }
        // Current and voltage are in the ratio of the impedance.
        assertThat(s.answers().get(1).peakV() / s.answers().get(1).currentA().getAsDouble())
                .isCloseTo(wave, within(0.01 * wave));
    }

    /** A linear circuit: twice the charge, twice the volts and amperes, four times the energy. */
    @Test
    void twiceTheChargeIsTwiceTheVolts() {
        List<Place> places = List.of(new Place("b", 600), new Place("c", 400));
        Circuit one = tree(ring(), List.of());
        Source s = THREE_J;
        Circuit two = one.withSource(new Source(16_000, s.faradF(), s.henryH(), s.ohm(), s.bleedOhm(), s.terminalF()));
        Solution a = PulseSolver.solve(one, places);
        Solution b = PulseSolver.solve(two, places);
        for (int i = 0; i < 2; i++) {
            assertThat(b.answers().get(i).peakV() / a.answers().get(i).peakV()).isCloseTo(2, within(1e-9));
            assertThat(b.answers().get(i).currentA().getAsDouble()
                            / a.answers().get(i).currentA().getAsDouble())
                    .isCloseTo(2, within(1e-9));
            assertThat(b.answers().get(i).atS()).isCloseTo(a.answers().get(i).atS(), within(1e-12));
        }
        TheveninPort t = PulseSolver.slow(one, places).terminal(places.getFirst(), List.of());
        TheveninPort u = PulseSolver.slow(two, places).terminal(places.getFirst(), List.of());
        assertThat(u.under(700).energyJ(700) / t.under(700).energyJ(700)).isCloseTo(4, within(1e-6));
        // What is left in a load is never more than was stored.
        for (double ohm : new double[] {5, 50, 500, 5000}) {
            assertThat(t.under(ohm).energyJ(ohm)).isPositive().isLessThan(THREE_J.storedJ());
        }
    }

    /** Two equal wires side by side, far apart, halve resistance and nearly double capacitance; an earth wire adds capacitance. */
    @Test
    void moreWiresChangeTheConstantsAsTheyShould() {
        LineWire low = new LineWire(0.5, 0.0025, 0.035, 1, true);
        LineWire high = new LineWire(1.2, 0.0025, 0.035, 1, true);
        LineConstants.Perfect one = LineConstants.Perfect.of(LineType.overGround(List.of(high), 0, 100));
        LineConstants.Perfect both = LineConstants.Perfect.of(LineType.overGround(List.of(low, high), 0, 100));
        LineWire earth = new LineWire(0.5, 0.0025, 0.035, 1, false);
        LineConstants.Perfect guarded = LineConstants.Perfect.of(LineType.overGround(List.of(earth, high), 0, 100));
        assertThat(both.faradPerM() / one.faradPerM()).isBetween(1.5, 2.2);
        assertThat(guarded.faradPerM()).isGreaterThan(one.faradPerM());
        assertThat(guarded.henryPerM()).isLessThan(one.henryPerM());
        assertThat(guarded.share()).isBetween(0.0, 1.0);
        assertThat(one.share()).isZero();
        Complex slow = new Complex(0, 1);
        LineType pair = LineType.overGround(List.of(low, high), 0, 100);
        LineConstants direct = LineConstants.at(slow, pair, both, LineModel.FREQUENCY_DEPENDENT);
        assertThat(direct.seriesOhmPerM().getReal()).isCloseTo(0.0175, within(1e-4));
    }

    @Test
    void whatCannotBeIsRefusedAndLongFencesAreAnswered() {
        assertThatThrownBy(() -> new LineWire(0.9, 0.0025, 0, 100, true)).hasMessageContaining("resistance");
        assertThatThrownBy(() -> LineType.overGround(List.of(new LineWire(1, 0.002, 0.03, 1, true)), 0, 1e9))
                .hasMessageContaining("resistivity");
        assertThat(PulseSolver.solve(tree(List.of(), List.of()), List.of()).solved())
                .isFalse();
        Solution s = PulseSolver.solve(
                tree(List.of(Run.of("a", Optional.empty(), 100_000, steel(5e-8))), List.of()),
                List.of(new Place("a", 100_000)));
        assertThat(s.answers().getFirst().peakV()).isBetween(1.0, 8000.0);
    }

    /**
     * A small energizer on a ring of aluminium, from whose far side a short branch of one wire goes off: into that the pulse runs with
     * its edges. With 64 frequencies, as many as other fences of this length take, a clamp there shows half as much again.
     */
    @Test
    void aShortBranchBehindARingHasFrequenciesEnough() {
        LineType one = wires(1);
        LineType three = wires(3);
        List<Run> runs = List.of(
                Run.of("lead", Optional.empty(), 179, wires(4)),
                Run.of("near", Optional.of("lead"), 960, three),
                new Run("far", Optional.of("near"), 1150, three, false, Optional.of("lead")),
                Run.of("branch", Optional.of("far"), 220, one));
        Source small = new Source(5594, 1.022e-8, 1.4506e-3, 61.45, OptionalDouble.of(6000), OptionalDouble.of(5e-10));
        Circuit circuit = new Circuit("ring", LineModel.FREQUENCY_DEPENDENT, small, 2.26, false, runs, List.of());
        List<Place> places = runs.stream().map(r -> new Place(r.id(), 0)).toList();
        List<Meter> clamps = places.stream().<Meter>map(Meter.Amperes::new).toList();
        List<Supply> fedBy = List.of(new Supply(small, 2.26));
        PulseSolver.Span span = PulseSolver.span(circuit);
        double[] exact = PulseSolver.quick(circuit, places, new PulseSolver.Span(1.4 * span.windowS(), 2000))
                .readings(fedBy, clamps)[0];
        double[] quick = PulseSolver.quick(circuit, places, span).readings(fedBy, clamps)[0];
        double[] few = PulseSolver.quick(circuit, places, new PulseSolver.Span(span.windowS(), 64))
                .readings(fedBy, clamps)[0];
        assertThat(Math.abs(few[3])).isGreaterThan(1.3 * Math.abs(exact[3]));
        for (int i = 0; i < quick.length; i++) {
            assertThat(quick[i])
                    .as(runs.get(i).id())
                    .isCloseTo(exact[i], within(0.05 * Math.max(0.5, Math.abs(exact[i]))));
        }
    }

    private static LineType wires(int n) {
        List<LineWire> all = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            all.add(new LineWire(0.3 + 0.25 * i, 0.0025, 0.0057, 1, true));
        }
        return LineType.overGround(all, 1.4e-7 * n, 100);
    }

    /**
     * As many frequencies as a diagnosis takes against ten times as many over a longer time: on a fork of steel and on half a kilometre
     * of aluminium, with leaks and breaks.
     */
    @ParameterizedTest
    @CsvSource({"0.034, 1", "0.006, 0.15"})
    void aDiagnosisHasFrequenciesEnough(double ohmPerM, double scale) {
        LineType type = LineType.overGround(
                List.of(new LineWire(0.9, 0.0025, ohmPerM, ohmPerM > 0.01 ? 100 : 1, true)), 2e-7, 100);
        List<Run> runs = List.of(
                Run.of("a", Optional.empty(), 800 * scale, type),
                Run.of("b", Optional.of("a"), 1600 * scale, type),
                Run.of("c", Optional.of("a"), 1000 * scale, type));
        Circuit circuit = tree(runs, List.of());
        List<Place> meters =
                runs.stream().map(r -> new Place(r.id(), r.lengthM())).toList();
        List<Place> all = new ArrayList<>(meters);
        List<Fault> faults = new ArrayList<>();
        for (Run r : runs) {
            for (double part : new double[] {0.15, 0.6}) {
                Place at = new Place(r.id(), r.lengthM() * part);
                all.add(at);
                for (double ohm : new double[] {80, 500, 3000}) {
                    faults.add(new Fault(Fault.Kind.SHUNT, at, ohm));
                }
                for (double ohm : new double[] {1000, 20_000}) {
                    faults.add(new Fault(Fault.Kind.BREAK, at, ohm));
                }
            }
        }
        PulseSolver.Span span = PulseSolver.span(circuit);
        PulseSolver.Span fine = new PulseSolver.Span(1.4 * span.windowS(), 14 * span.frequencies());
        double[][] quick = PulseSolver.quick(circuit, all, span).peaksWithEach(faults, meters);
        double[][] exact = PulseSolver.quick(circuit, all, fine).peaksWithEach(faults, meters);
        double squares = 0;
        for (int f = 0; f < quick.length; f++) {
            for (int m = 0; m < meters.size(); m++) {
                double off = quick[f][m] / exact[f][m] - 1;
                assertThat(Math.abs(off))
                        .as("%s at %s", faults.get(f), meters.get(m))
                        .isLessThan(0.03);
                squares += off * off;
            }
        }
        assertThat(Math.sqrt(squares / faults.size() / meters.size())).isLessThan(0.005);
    }

    @Test
    void asMuchIsRememberedAsMayBeHeld() {
        List<Integer> made = new ArrayList<>();
        Recent<Integer, double[]> recent = new Recent<>(10, x -> x.length);
        Function<Integer, double[]> make = n -> {
            made.add(n);
            return new double[n];
        };
        for (int n : new int[] {4, 5, 4, 3, 4, 5, 20, 4}) {
            assertThat(recent.of(n, make)).hasSize(n);
        }
        // 3 puts out 5, which was asked for longest ago; 5 puts out 3; what is larger than all that may be held puts
        // out all.
        assertThat(made).containsExactly(4, 5, 3, 5, 20, 4);
    }
}
