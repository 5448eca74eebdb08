package buckle.pulse;

import java.util.ArrayList;
import java.util.List;
import org.hipparchus.complex.Complex;

/**
 * The voltage of a pulse anywhere on a circuit. The source and every run are taken at complex frequencies, the tree is gone
 * through from leaf to root and back, closed loops are cut and closed again by one unknown each, and an inverse transform gives
 * the pulse in time. Linear: no sparks, no corona, a source that may ring below zero.
 */
public final class PulseSolver {
    private final Circuit circuit;
    private final List<Place> places;
    private final Tree tree;
    private final Spectrum spectrum;
    private final LineTable[] tables;
    private final Series first;
    private final Transform transform;

    public PulseSolver(Circuit circuit, List<Place> places) {
        this(circuit, places, window(circuit, circuit.model().highestHz()));
    }

    /** With fewer frequencies, for {@link #withEach}: peaks within about half a per cent more. */
    public static PulseSolver coarse(Circuit circuit, List<Place> places) {
        return new PulseSolver(circuit, places, window(circuit, circuit.model().highestHz() / 4));
    }

    private PulseSolver(Circuit circuit, List<Place> places, Spectrum spectrum) {
        this.circuit = circuit;
        this.places = List.copyOf(places);
        this.tree = new Tree(circuit, places);
        this.spectrum = spectrum;
        this.tables = new LineTable[tree.types.size()];
        for (int i = 0; i < tables.length; i++) {
            LineType type = tree.types.get(i);
            tables[i] = LineTable.of(Series.of(type, spectrum, circuit.model()), type, spectrum);
        }
        this.first = tree.firstType < 0 ? null : Series.of(tree.types.get(tree.firstType), spectrum, circuit.model());
        this.transform = new Transform(spectrum);
    }

    public static Solution solve(Circuit circuit, List<Place> places) {
        return new PulseSolver(circuit, places).solve();
    }

    /**
     * The time that holds the pulse and its echoes: half a swing of the coil against the capacitances, its settling into 500
     * ohm, twice there and back on the fence, and a reserve. In steps of a fifth, so that neighbours share their tables.
     */
    private static Spectrum window(Circuit circuit, double highestHz) {
        Source s = circuit.source();
        double fenceF = circuit.runs().stream()
                .mapToDouble(r -> LineConstants.Perfect.of(r.type()).faradPerM() * r.lengthM())
                .sum();
        double seriesF = fenceF == 0 ? 0 : 1 / (1 / s.faradF() + 1 / fenceF);
        double longest = new Tree(circuit, List.of()).longestM();
        double windowS = 2
                * (Math.PI * Math.sqrt(s.henryH() * seriesF)
                        + 3 * s.henryH() / 500
                        + 4 * longest / Constants.LIGHT_M_PER_S
                        + 60e-6);
        double step = Math.log(1.2);
        return Spectrum.of(Math.exp(Math.ceil(Math.log(windowS) / step) * step), highestHz);
    }

    public Solution solve() {
        if (tree.segments == 0) {
            return new Solution("There is no wire to carry the pulse.", List.of(), 0, 0, 0);
        }
        int n = places.size();
        Field field = new Field(n);
        sweep(field);
        double[] a = new double[transform.shown()];
        double[] b = new double[transform.shown()];
        double[] none = new double[spectrum.count()];
        List<Solution.Answer> answers = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            transform.toTime(field.vRe[i], field.vIm[i], field.iRe[i], field.iIm[i], a, b);
            Peak v = transform.peak(a);
            double current = 0;
            for (double x : b) {
                current = Math.max(current, Math.abs(x));
            }
            if (!Double.isFinite(v.value()) || !Double.isFinite(current)) {
                return new Solution(
                        "The pulse at " + places.get(i) + " came out as no number; the circuit cannot be solved.",
                        List.of(),
                        0,
                        spectrum.count(),
                        spectrum.windowS());
            }
            answers.add(new Solution.Answer(places.get(i), v.value(), v.atS(), current));
        }
        transform.toTime(field.earthRe, field.earthIm, none, none, a, b);
        double earth = 0;
        for (double x : a) {
            earth = Math.max(earth, Math.abs(x));
        }
        return new Solution("", answers, earth, spectrum.count(), spectrum.windowS());
    }

    /** The pulse in time at one of the places: volts at even steps from its start. */
    public Waveform waveform(Place place) {
        return under(place, Double.POSITIVE_INFINITY);
    }

    /** The pulse across a load to earth at one of the places; with an infinite one, the pulse itself. */
    public Waveform under(Place place, double ohm) {
        int at = places.indexOf(place);
        Field field = new Field(places.size());
        field.loaded = at;
        sweep(field);
        double[] re = field.vRe[at];
        double[] im = field.vIm[at];
        if (!Double.isInfinite(ohm)) {
            for (int k = 0; k < re.length; k++) {
                Complex v = new Complex(re[k], im[k])
                        .multiply(ohm)
                        .divide(new Complex(field.selfRe[k] + ohm, field.selfIm[k]));
                re[k] = v.getReal();
                im[k] = v.getImaginary();
            }
        }
        double[] a = new double[transform.shown()];
        double[] none = new double[spectrum.count()];
        transform.toTime(re, im, none, none, a, new double[transform.shown()]);
        return new Waveform(transform.stepS(), a);
    }

    /** Spectra at the places. */
    private final class Field {
        final double[][] vRe;
        final double[][] vIm;
        final double[][] iRe;
        final double[][] iIm;
        final double[] earthRe = new double[spectrum.count()];
        final double[] earthIm = new double[spectrum.count()];
        final double[] selfRe = new double[spectrum.count()];
        final double[] selfIm = new double[spectrum.count()];
        /** Place whose own impedance is wanted, -1 for none. */
        int loaded = -1;

        Field(int n) {
            vRe = new double[n][spectrum.count()];
            vIm = new double[n][spectrum.count()];
            iRe = new double[n][spectrum.count()];
            iIm = new double[n][spectrum.count()];
        }
    }

    private void sweep(Field field) {
        int[] node = places.stream().mapToInt(tree::node).toArray();
        Sweep sweep = new Sweep(tree, tables);
        double[] vRe = new double[tree.segments + 1];
        double[] vIm = new double[tree.segments + 1];
        Loops loops = new Loops(tree, sweep);
        double[] current = new double[2];
        for (int k = 0; k < spectrum.count(); k++) {
            Feed feed = feed(sweep, k);
            sweep.carry(feed.rootV().getReal(), feed.rootV().getImaginary(), vRe, vIm);
            if (!tree.loops.isEmpty() || field.loaded >= 0) {
                sweep.back();
            }
            loops.close(vRe, vIm);
            for (int i = 0; i < node.length; i++) {
                field.vRe[i][k] = vRe[node[i]];
                field.vIm[i][k] = vIm[node[i]];
                if (node[i] == 0) {
                    Complex fence = feed.current(vRe[0], vIm[0]);
                    current[0] = fence.getReal();
                    current[1] = fence.getImaginary();
                } else {
                    sweep.currentOut(node[i] - 1, vRe, vIm, current);
                }
                field.iRe[i][k] = current[0];
                field.iIm[i][k] = current[1];
            }
            Complex rods = feed.current(vRe[0], vIm[0]).multiply(feed.rodsOhm());
            field.earthRe[k] = rods.getReal();
            field.earthIm[k] = rods.getImaginary();
            if (field.loaded >= 0) {
                Complex self = loops.transfer(node[field.loaded], node[field.loaded]);
                field.selfRe[k] = self.getReal();
                field.selfIm[k] = self.getImaginary();
            }
        }
    }

    /** What feeds the fence at one frequency. */
    private record Feed(Complex openV, Complex innerOhm, Complex rodsOhm, Complex rootV) {
        Complex current(double rootRe, double rootIm) {
            return openV.subtract(new Complex(rootRe, rootIm)).divide(innerOhm.add(rodsOhm));
        }
    }

    private Feed feed(Sweep sweep, int k) {
        sweep.frequency(k);
        Complex s = spectrum.at(k);
        Source source = circuit.source();
        Complex inner = s.multiply(source.henryH())
                .add(source.ohm())
                .add(s.multiply(source.faradF()).reciprocal());
        Complex across = s.multiply(source.terminalF().orElse(0))
                .add(source.bleedOhm().isPresent() ? 1 / source.bleedOhm().getAsDouble() : 0);
        Complex lost = inner.multiply(across).add(1);
        Complex openV = s.reciprocal().multiply(source.chargedV()).divide(lost);
        inner = inner.divide(lost);
        Complex rods = new Complex(circuit.earthOhm());
        if (circuit.earthTied() && first != null) {
            rods = rods.multiply(first.share()[k].negate().add(1));
        }
        Complex behind = inner.add(rods);
        Complex fence = new Complex(sweep.fenceRe(), sweep.fenceIm());
        Complex root = openV.divide(behind.multiply(fence).add(1));
        Complex seen = behind.reciprocal();
        sweep.source(seen.getReal(), seen.getImaginary());
        return new Feed(openV, inner, rods, root);
    }

    /**
     * Peaks at the places when each of many shunts stands alone, from the healthy answer by one change: {@code V_m − Z(m,x)
     * V(x) / (R + Z(x,x))}.
     *
     * @param shunts all on the places given to the solver as well
     * @return volts by shunt and place
     */
    public double[][] withEach(List<Fault> shunts, List<Place> meters) {
        int n = spectrum.count();
        double[][][] re = new double[shunts.size()][meters.size()][n];
        double[][][] im = new double[shunts.size()][meters.size()][n];
        Sweep sweep = new Sweep(tree, tables);
        Loops loops = new Loops(tree, sweep);
        double[] vRe = new double[tree.segments + 1];
        double[] vIm = new double[tree.segments + 1];
        double[] zRe = new double[tree.segments + 1];
        double[] zIm = new double[tree.segments + 1];
        int[] at = shunts.stream().mapToInt(f -> tree.node(f.at())).toArray();
        double[] perRe = new double[at.length];
        double[] perIm = new double[at.length];
        for (int k = 0; k < n; k++) {
            Feed feed = feed(sweep, k);
            sweep.carry(feed.rootV().getReal(), feed.rootV().getImaginary(), vRe, vIm);
            sweep.back();
            loops.close(vRe, vIm);
            for (int x = 0; x < at.length; x++) {
                loops.self(at[x]);
                double bRe = loops.selfRe + shunts.get(x).ohm();
                double bIm = loops.selfIm;
                double inv = 1 / (bRe * bRe + bIm * bIm);
                perRe[x] = (vRe[at[x]] * bRe + vIm[at[x]] * bIm) * inv;
                perIm[x] = (vIm[at[x]] * bRe - vRe[at[x]] * bIm) * inv;
            }
            for (int m = 0; m < meters.size(); m++) {
                int meter = tree.node(meters.get(m));
                loops.column(meter, zRe, zIm);
                for (int x = 0; x < at.length; x++) {
                    re[x][m][k] = vRe[meter] - (zRe[at[x]] * perRe[x] - zIm[at[x]] * perIm[x]);
                    im[x][m][k] = vIm[meter] - (zRe[at[x]] * perIm[x] + zIm[at[x]] * perRe[x]);
                }
            }
        }
        double[][] peaks = new double[at.length][meters.size()];
        double[] a = new double[transform.shown()];
        double[] b = new double[transform.shown()];
        for (int x = 0; x < at.length; x++) {
            for (int m = 0; m < meters.size(); m += 2) {
                int next = Math.min(m + 1, meters.size() - 1);
                transform.toTime(re[x][m], im[x][m], re[x][next], im[x][next], a, b);
                peaks[x][m] = transform.peak(a).value();
                peaks[x][next] = transform.peak(b).value();
            }
        }
        return peaks;
    }
}
