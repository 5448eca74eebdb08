package buckle.pulse;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Random;
import java.util.TreeMap;
import net.jqwik.api.ForAll;
import net.jqwik.api.Property;
import net.jqwik.api.constraints.IntRange;
import org.hipparchus.complex.Complex;
import org.hipparchus.complex.ComplexField;
import org.hipparchus.linear.ArrayFieldVector;
import org.hipparchus.linear.FieldLUDecomposition;
import org.hipparchus.linear.FieldMatrix;
import org.hipparchus.linear.FieldVector;
import org.hipparchus.linear.MatrixUtils;

/**
 * The sweep from leaf to root, its loops and its shortcuts against nodal analysis: every run as a two-port of hyperbolic functions
 * in one matrix of admittances, solved by the library. Source of the two-port: the telegraph equations of any textbook.
 */
class NodalTest {
    private static final Source SOURCE =
            new Source(8000, 9.375e-8, 2.307e-3, 181.8, OptionalDouble.of(6000), OptionalDouble.of(5e-10));

    /** A fence of up to eight runs with branches, loops, switches, cables and faults, by number. */
    private static Circuit fence(int seed) {
        Random random = new Random(seed);
        int n = 1 + random.nextInt(8);
        List<Run> runs = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            Optional<String> parent = i == 0 ? Optional.empty() : Optional.of("r" + random.nextInt(i));
            boolean joins = i > 1 && random.nextInt(4) == 0;
            runs.add(new Run(
                    "r" + i,
                    parent,
                    20 + random.nextInt(1500),
                    type(random),
                    i > 0 && random.nextInt(8) == 0,
                    joins ? Optional.of("r" + random.nextInt(i)) : Optional.empty()));
        }
        List<Fault> faults = new ArrayList<>();
        for (int f = random.nextInt(3); f > 0; f--) {
            Run run = runs.get(random.nextInt(n));
            faults.add(new Fault(
                    random.nextBoolean() ? Fault.Kind.SHUNT : Fault.Kind.BREAK,
                    new Place(run.id(), Math.floor(run.lengthM() * random.nextDouble(0.1, 0.9))),
                    Math.exp(random.nextDouble(3, 9))));
        }
        return new Circuit(
                "random",
                random.nextBoolean() ? LineModel.CONSTANT : LineModel.FREQUENCY_DEPENDENT,
                SOURCE,
                random.nextInt(300),
                false,
                runs,
                faults);
    }

    private static LineType type(Random random) {
        if (random.nextInt(6) == 0) {
            return LineType.of(new LineType.Cable(0.06, 0.5e-6, 150e-12));
        }
        List<LineWire> strands = new ArrayList<>();
        int wires = 1 + random.nextInt(4);
        for (int i = 0; i < wires; i++) {
            boolean hot = i == 0 || random.nextBoolean();
            strands.add(new LineWire(0.3 + 0.25 * i, 0.0025, random.nextBoolean() ? 0.035 : 0.0057, 100, hot));
        }
        return LineType.overGround(strands, Math.exp(random.nextDouble(-17, -11)), 20 + random.nextInt(2000));
    }

    @Property(tries = 120)
    void theSweepIsNodalAnalysis(@ForAll @IntRange(min = 1, max = 1_000_000) int seed) {
        Circuit circuit = fence(seed);
        List<Place> places = new ArrayList<>();
        for (Run run : circuit.runs()) {
            places.add(new Place(run.id(), run.lengthM()));
            places.add(new Place(run.id(), Math.floor(run.lengthM() / 3)));
        }
        Solution solution = PulseSolver.solve(circuit, places);
        assertThat(solution.solved()).isTrue();
        Spectrum spectrum = new Spectrum(solution.frequencies(), solution.windowS());
        Nodes nodes = new Nodes(circuit, places);
        int n = spectrum.count();
        double[][] re = new double[places.size()][n];
        double[][] im = new double[places.size()][n];
        for (int k = 0; k < n; k++) {
            FieldVector<Complex> v = nodes.solve(spectrum.at(k));
            for (int i = 0; i < places.size(); i++) {
                Complex at = v.getEntry(nodes.of(places.get(i)));
                re[i][k] = at.getReal();
                im[i][k] = at.getImaginary();
            }
        }
        Transform transform = new Transform(spectrum);
        for (int i = 0; i < places.size(); i++) {
            transform.toTime(re[i], im[i], re[i], im[i]);
            assertThat(solution.answers().get(i).peakV())
                    .as("%s of fence %d", places.get(i), seed)
                    .isCloseTo(transform.peak().value(), within(1e-6 * SOURCE.chargedV()));
        }
    }

    /** Numbered nodes, a few ohms of joint for each loop left out: ends that are joined are one node here. */
    private static final class Nodes {
        private final Circuit circuit;
        private final Map<Place, Integer> number = new HashMap<>();
        private final List<Piece> pieces = new ArrayList<>();
        private final Map<Integer, Double> shunts = new HashMap<>();
        private int count = 1;

        private record Piece(int from, int to, double lengthM, LineType type, double seriesOhm) {}

        Nodes(Circuit circuit, List<Place> places) {
            this.circuit = circuit;
            for (Run run : circuit.runs()) {
                number.put(end(run.id()), count++);
            }
            // A ring: two ends become one.
            for (Run run : circuit.runs()) {
                run.joins().ifPresent(j -> {
                    int gone = number.get(end(run.id()));
                    int stays = number.get(end(j));
                    number.replaceAll((p, x) -> x == gone ? stays : x);
                });
            }
            circuit.runs().forEach(run -> cut(run, places));
        }

        private Place end(String run) {
            double length = circuit.runs().stream()
                    .filter(r -> r.id().equals(run))
                    .findFirst()
                    .orElseThrow()
                    .lengthM();
            return new Place(run, length);
        }

        int of(Place place) {
            return number.get(place);
        }

        private void cut(Run run, List<Place> places) {
            TreeMap<Double, Double> at = new TreeMap<>();
            places.stream().filter(p -> p.runId().equals(run.id())).forEach(p -> at.put(p.distanceM(), 0.0));
            for (Fault f : circuit.faults()) {
                if (f.at().runId().equals(run.id())) {
                    at.merge(f.at().distanceM(), f.kind() == Fault.Kind.BREAK ? f.ohm() : 0, Double::sum);
                }
            }
            at.put(run.lengthM(), 0.0);
            int here = run.parent().map(p -> number.get(end(p))).orElse(0);
            double from = 0;
            double series = run.open() ? Double.POSITIVE_INFINITY : 0;
            for (var stop : at.entrySet()) {
                Place place = new Place(run.id(), stop.getKey());
                int next = number.computeIfAbsent(place, p -> count++);
                pieces.add(new Piece(here, next, stop.getKey() - from, run.type(), series));
                for (Fault f : circuit.faults()) {
                    if (f.at().equals(place) && f.kind() == Fault.Kind.SHUNT) {
                        shunts.merge(next, 1 / f.ohm(), Double::sum);
                    }
                }
                here = next;
                from = stop.getKey();
                series = stop.getValue();
            }
        }

        FieldVector<Complex> solve(Complex s) {
            int all =
                    count + (int) pieces.stream().filter(p -> p.seriesOhm() > 0).count();
            FieldMatrix<Complex> y = MatrixUtils.createFieldMatrix(ComplexField.getInstance(), all, all);
            int extra = count;
            for (Piece p : pieces) {
                int from = p.from();
                if (p.seriesOhm() > 0) {
                    int behind = extra++;
                    resistor(y, from, behind, p.seriesOhm());
                    from = behind;
                }
                line(y, from, p.to(), p.lengthM(), p.type(), s);
            }
            shunts.forEach((node, g) -> y.addToEntry(node, node, new Complex(g)));
            Supply supply = new Supply(circuit.source(), circuit.earthOhm());
            Supply.Terminals t = supply.terminals(s);
            Complex behind = t.innerOhm().add(circuit.earthOhm());
            y.addToEntry(0, 0, behind.reciprocal());
            for (int i = 0; i < all; i++) {
                // Nodes that a joint made one with another stand alone.
                if (y.getEntry(i, i).isZero()) {
                    y.setEntry(i, i, Complex.ONE);
                }
            }
            FieldVector<Complex> current = new ArrayFieldVector<>(ComplexField.getInstance(), all);
            current.setEntry(0, t.openV().divide(behind));
            return new FieldLUDecomposition<>(y).getSolver().solve(current);
        }

        private static void resistor(FieldMatrix<Complex> y, int a, int b, double ohm) {
            Complex g = new Complex(Double.isInfinite(ohm) ? 0 : 1 / ohm);
            y.addToEntry(a, a, g);
            y.addToEntry(b, b, g);
            y.addToEntry(a, b, g.negate());
            y.addToEntry(b, a, g.negate());
        }

        private void line(FieldMatrix<Complex> y, int a, int b, double lengthM, LineType type, Complex s) {
            LineConstants.Perfect perfect = LineConstants.Perfect.of(type);
            Complex z = LineConstants.at(s, type, perfect, circuit.model()).seriesOhmPerM();
            Complex across = s.multiply(perfect.faradPerM()).add(type.leakSPerM());
            Complex gammaL = z.multiply(across).sqrt().multiply(lengthM);
            Complex wave = across.divide(z).sqrt();
            Complex own = wave.divide(gammaL.tanh());
            Complex mutual = wave.divide(gammaL.sinh()).negate();
            y.addToEntry(a, a, own);
            y.addToEntry(b, b, own);
            y.addToEntry(a, b, mutual);
            y.addToEntry(b, a, mutual);
        }
    }
}
