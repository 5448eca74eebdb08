package buckle.pulse;

import buckle.task.Cancellation;
import java.util.ArrayList;
import java.util.List;
import java.util.OptionalDouble;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.hipparchus.complex.Complex;

/**
 * The voltage of a pulse anywhere on a circuit. The source and every run are taken at complex frequencies, the tree is gone
 * through from leaf to root and back, closed loops are cut and closed again by one unknown each, and an inverse transform gives
 * the pulse in time. Linear: no sparks, no corona, a source that may ring below zero.
 */
public final class PulseSolver {
    private static final long WORTH_SHARING = 50_000;
    private static final int SLICES = 4;
    /** Leakage and loads empty the capacitor through less than this. */
    private static final double MOST_BLEED_OHM = 10_000;

    private static final double DISCHARGES = 2.5;
    /** Hardly any of a pulse's energy lies above. */
    private static final double SLOW_HZ = 250e3;

    /** A small energizer's edge is seen up to this many times the frequency it rings at. */
    private static final double RINGS = 4;

    private static final double HIGHEST_HZ = 8e6;
    /** For tables of many faults; a short fence, which its edges go through many times in a pulse, takes more. */
    private static final double QUICK_HZ = 0.15e6;

    private static final int QUICK_LEAST = 64;
    /** Fewer frequencies are held against so many times the least. */
    private static final int REFERENCE_TIMES = 4;
    /** Where some do not do, so many times as many are tried. */
    private static final double NEXT_TIMES = 1.5;

    private final Circuit circuit;
    private final List<Place> places;
    private final int[] node;
    private final Tree tree;
    private final Spectrum spectrum;
    private final LineTable[] tables;
    /** Share of the return that passes no rod, where earth wires are tied to the terminal. */
    private final Complex[] tied;

    public PulseSolver(Circuit circuit, List<Place> places) {
        this(circuit, places, List.of());
    }

    /** @param others that {@link #peaks} will be asked for: the time looked at holds theirs as well */
    public PulseSolver(Circuit circuit, List<Place> places, List<Supply> others) {
        this(circuit, places, new Tree(circuit, places), others);
    }

    private PulseSolver(Circuit circuit, List<Place> places, Tree cut, List<Supply> others) {
        this(circuit, places, cut, window(circuit, cut.longestM(), others));
    }

    /** For energies: the time looked at holds the whole discharge, edges come out less sharp. */
    public static PulseSolver slow(Circuit circuit, List<Place> places) {
        Tree cut = new Tree(circuit, places);
        return new PulseSolver(circuit, places, cut, discharge(circuit, cut.longestM()));
    }

    private PulseSolver(Circuit circuit, List<Place> places, Tree tree, Spectrum spectrum) {
        this.circuit = circuit;
        this.places = List.copyOf(places);
        this.tree = tree;
        this.node = places.stream().mapToInt(tree::node).toArray();
        this.spectrum = spectrum;
        this.tables = new LineTable[tree.types.size()];
        for (int i = 0; i < tables.length; i++) {
            tables[i] = LineTable.of(tree.types.get(i), spectrum, circuit.model());
        }
        this.tied = new Complex[spectrum.count()];
        java.util.Arrays.fill(tied, Complex.ZERO);
        if (circuit.earthTied() && tree.firstType >= 0) {
            Series first = Series.of(tree.types.get(tree.firstType), spectrum, circuit.model());
            System.arraycopy(first.share(), 0, tied, 0, tied.length);
        }
    }

    /** The pulse at some places. */
    public static Solution solve(Circuit circuit, List<Place> places) {
        return new PulseSolver(circuit, places).solve();
    }

    /**
     * The time that holds the pulse and its echoes: half a swing of the coil against the capacitances, its settling into 500
     * ohm, twice there and back on the fence, and a reserve. In steps of a fifth, so that neighbours share their tables.
     */
    private static Spectrum window(Circuit circuit, double longestM, List<Supply> others) {
        double fenceF = fenceF(circuit);
        double swingS = swingS(circuit.source(), fenceF);
        double ringHz = ringHz(circuit.source(), fenceF);
        for (Supply other : others) {
            swingS = Math.max(swingS, swingS(other.source(), fenceF));
            ringHz = Math.max(ringHz, ringHz(other.source(), fenceF));
        }
        double windowS = 2 * (swingS + 4 * longestM / Constants.LIGHT_M_PER_S + 60e-6);
        double step = Math.log(1.2);
        return Spectrum.of(
                Math.exp(Math.ceil(Math.log(windowS) / step) * step),
                Math.max(circuit.model().highestHz(), Math.min(HIGHEST_HZ, RINGS * ringHz)));
    }

    /** How fast the coil rings with what stands behind it and before it: the edge of the pulse where the fence is short. */
    private static double ringHz(Source s, double fenceF) {
        double beforeF = fenceF + s.terminalF().orElse(0);
        if (beforeF == 0 || s.henryH() == 0) {
            return 0;
        }
        double seriesF = 1 / (1 / s.faradF() + 1 / beforeF);
        return 1 / (2 * Math.PI * Math.sqrt(s.henryH() * seriesF));
    }

    /** Two and a half times the slowest way the capacitor empties, through whatever lies across the terminals at the least. */
    private static Spectrum discharge(Circuit circuit, double longestM) {
        Source s = circuit.source();
        double throughOhm = s.ohm()
                + circuit.earthOhm()
                + Math.min(MOST_BLEED_OHM, s.bleedOhm().orElse(MOST_BLEED_OHM));
        double emptiesS = s.faradF() * throughOhm;
        double usualS = window(circuit, longestM, List.of()).windowS();
        return Spectrum.of(
                Math.max(usualS, DISCHARGES * emptiesS / Transform.LOOKED_AT),
                Math.min(SLOW_HZ, circuit.model().highestHz()));
    }

    private static double swingS(Source s, double fenceF) {
        double seriesF = fenceF == 0 ? 0 : 1 / (1 / s.faradF() + 1 / fenceF);
        return Math.PI * Math.sqrt(s.henryH() * seriesF) + 3 * s.henryH() / 500;
    }

    private Supply own() {
        return new Supply(circuit.source(), circuit.earthOhm());
    }

    private Feed feed(Supply supply, TreeSweep sweep, int k) {
        return Feed.of(supply, spectrum.at(k), tied[k], sweep);
    }

    /** Voltages and currents. */
    public Solution solve() {
        return solve(true);
    }

    /** Voltages alone, for which half the transforms are enough. */
    public Solution volts() {
        return solve(false);
    }

    private Solution solve(boolean currents) {
        if (tree.segments == 0) {
            return unsolved("There is no wire to carry the pulse.", 0);
        }
        Field field = new Field(places.size(), spectrum.count(), currents);
        field.fill();
        Transform transform = new Transform(spectrum);
        Peak[] peaks = new Peak[places.size()];
        OptionalDouble[] currentA = new OptionalDouble[places.size()];
        java.util.Arrays.fill(currentA, OptionalDouble.empty());
        for (int i = 0; i < peaks.length; i++) {
            if (currents) {
                transform.toTime(field.vRe[i], field.vIm[i], field.iRe[i], field.iIm[i]);
                peaks[i] = transform.peak();
                currentA[i] = OptionalDouble.of(transform.otherLargest());
            } else if (i % 2 == 0) {
                int next = Math.min(i + 1, peaks.length - 1);
                transform.toTime(field.vRe[i], field.vIm[i], field.vRe[next], field.vIm[next]);
                peaks[i] = transform.peak();
                peaks[next] = transform.otherPeak();
            }
        }
        List<Solution.Answer> answers = new ArrayList<>();
        for (int i = 0; i < peaks.length; i++) {
            if (!Double.isFinite(peaks[i].value()) || !Double.isFinite(currentA[i].orElse(0))) {
                return unsolved(
                        "The pulse at " + places.get(i) + " came out as no number; the circuit cannot be solved.",
                        spectrum.count());
            }
            answers.add(new Solution.Answer(places.get(i), peaks[i].value(), peaks[i].atS(), currentA[i]));
        }
        return new Solution(
                "",
                answers,
                currents ? field.earthV(transform) : OptionalDouble.empty(),
                spectrum.count(),
                spectrum.windowS());
    }

    private Solution unsolved(String why, int frequencies) {
        double windowS = frequencies == 0 ? 0 : spectrum.windowS();
        return new Solution(why, List.of(), OptionalDouble.empty(), frequencies, windowS);
    }

    /** Spectra at the places; with what arrives along their runs and at the rods when currents are asked for. */
    private final class Field {
        private static final double[][] NONE = {};

        final boolean currents;
        final double[][] vRe;
        final double[][] vIm;
        final double[][] iRe;
        final double[][] iIm;
        final double[] earthRe;
        final double[] earthIm;

        Field(int n, int frequencies, boolean currents) {
            this.currents = currents;
            vRe = new double[n][frequencies];
            vIm = new double[n][frequencies];
            iRe = currents ? new double[n][frequencies] : NONE;
            iIm = currents ? new double[n][frequencies] : NONE;
            earthRe = new double[frequencies];
            earthIm = new double[frequencies];
        }

        OptionalDouble earthV(Transform transform) {
            double[] none = new double[spectrum.count()];
            transform.toTime(none, none, earthRe, earthIm);
            return OptionalDouble.of(transform.otherLargest());
        }

        /** Frequencies know nothing of each other: a large circuit is gone through by several threads. */
        void fill() {
            int n = spectrum.count();
            int slices = (long) n * tree.segments < WORTH_SHARING ? 1 : SLICES;
            IntStream.range(0, slices).parallel().forEach(i -> fill(n * i / slices, n * (i + 1) / slices));
        }

        private void fill(int from, int to) {
            TreeSweep sweep = new TreeSweep(tree, tables);
            double[] re = new double[tree.segments + 1];
            double[] im = new double[tree.segments + 1];
            Loops loops = new Loops(tree, sweep);
            double[] current = new double[2];
            for (int k = from; k < to; k++) {
                Cancellation.check();
                sweep.frequency(k);
                Feed feed = feed(own(), sweep, k);
                carry(feed, sweep, loops, re, im);
                for (int i = 0; i < node.length; i++) {
                    vRe[i][k] = re[node[i]];
                    vIm[i][k] = im[node[i]];
                }
                if (currents) {
                    fillCurrents(k, feed, sweep, re, im, current);
                }
            }
        }

        private void fillCurrents(int k, Feed feed, TreeSweep sweep, double[] re, double[] im, double[] current) {
            Complex fence = feed.current(re[0], im[0]);
            for (int i = 0; i < node.length; i++) {
                if (node[i] == 0) {
                    current[0] = fence.getReal();
                    current[1] = fence.getImaginary();
                } else {
                    sweep.currentOut(node[i] - 1, re, im, current);
                }
                iRe[i][k] = current[0];
                iIm[i][k] = current[1];
            }
            Complex rods = fence.multiply(feed.rodsOhm());
            earthRe[k] = rods.getReal();
            earthIm[k] = rods.getImaginary();
        }
    }

    /** The healthy voltages at every node at the frequency the sweep is set to. */
    private void carry(Feed feed, TreeSweep sweep, Loops loops, double[] re, double[] im) {
        sweep.carry(feed.rootV().getReal(), feed.rootV().getImaginary(), re, im);
        if (!tree.loops.isEmpty()) {
            sweep.back();
            loops.close(re, im);
        }
    }

    /**
     * Peaks at the places when the same fence is fed by others: the fence is gone through once for all of them.
     *
     * @return volts by supply and place; 0 without a wire
     */
    public double[][] peaks(List<Supply> others) {
        int n = spectrum.count();
        double[][] peaks = new double[others.size()][places.size()];
        if (tree.segments == 0) {
            return peaks;
        }
        double[][][] re = new double[others.size()][places.size()][n];
        double[][][] im = new double[others.size()][places.size()][n];
        TreeSweep sweep = new TreeSweep(tree, tables);
        Loops loops = new Loops(tree, sweep);
        double[] vRe = new double[tree.segments + 1];
        double[] vIm = new double[tree.segments + 1];
        for (int k = 0; k < n; k++) {
            Cancellation.check();
            sweep.frequency(k);
            for (int s = 0; s < others.size(); s++) {
                carry(feed(others.get(s), sweep, k), sweep, loops, vRe, vIm);
                for (int i = 0; i < node.length; i++) {
                    re[s][i][k] = vRe[node[i]];
                    im[s][i][k] = vIm[node[i]];
                }
            }
        }
        Transform transform = new Transform(spectrum);
        for (int s = 0; s < others.size(); s++) {
            for (int i = 0; i < node.length; i += 2) {
                int next = Math.min(i + 1, node.length - 1);
                transform.toTime(re[s][i], im[s][i], re[s][next], im[s][next]);
                peaks[s][i] = transform.peak().value();
                peaks[s][next] = transform.otherPeak().value();
            }
        }
        return peaks;
    }

    /** The fence as a load at one of the places sees it, with what that load does to others. */
    public TheveninPort terminal(Place at, List<Place> meters) {
        TheveninPort terminal = new TheveninPort(spectrum, meters.size() + 2);
        int here = tree.node(at);
        int[] meter = meters.stream().mapToInt(tree::node).toArray();
        TreeSweep sweep = new TreeSweep(tree, tables);
        Loops loops = new Loops(tree, sweep);
        double[] vRe = new double[tree.segments + 1];
        double[] vIm = new double[tree.segments + 1];
        double[] zRe = new double[tree.segments + 1];
        double[] zIm = new double[tree.segments + 1];
        for (int k = 0; k < spectrum.count(); k++) {
            Cancellation.check();
            sweep.frequency(k);
            Feed feed = feed(own(), sweep, k);
            sweep.carry(feed.rootV().getReal(), feed.rootV().getImaginary(), vRe, vIm);
            sweep.back();
            loops.close(vRe, vIm);
            loops.column(here, zRe, zIm);
            terminal.set(0, k, vRe[here], vIm[here], zRe[here], zIm[here]);
            for (int m = 0; m < meter.length; m++) {
                terminal.set(m + 1, k, vRe[meter[m]], vIm[meter[m]], zRe[meter[m]], zIm[meter[m]]);
            }
            Complex rods = feed.current(vRe[0], vIm[0]).multiply(feed.rodsOhm());
            Complex moved = feed.rodsPerRoot().multiply(new Complex(-zRe[0], -zIm[0]));
            terminal.set(
                    meter.length + 1, k, rods.getReal(), rods.getImaginary(), moved.getReal(), moved.getImaginary());
        }
        return terminal;
    }

    /**
     * At a hundred frequencies or so: within half a per cent as a rule, for tables of many faults.
     *
     * @param span that of {@link #span} for a fence like this one, so that answers beside each other differ by nothing else
     */
    public static PulseSolver quick(Circuit circuit, List<Place> places, Span span) {
        Tree cut = new Tree(circuit, places);
        return new PulseSolver(circuit, places, cut, new Spectrum(span.frequencies(), span.windowS()));
    }

    /** A time and the frequencies a pulse is taken apart into. */
    public record Span(double windowS, int frequencies) {
        private Span times(double more) {
            return new Span(windowS, (int) Math.min(Spectrum.MOST, Math.rint(frequencies * more)));
        }

        /** The lower half of the frequencies, but never very few. */
        public Span rough() {
            return new Span(windowS, Math.max(Math.min(QUICK_LEAST, frequencies), frequencies / 2));
        }
    }

    /**
     * For the pulse of a fence and of others a little unlike it: the fewest frequencies with which meters at the ends of its runs and
     * clamps where they begin show what they show with many more, in order and with a few faults.
     */
    public static Span span(Circuit circuit) {
        double windowS = window(circuit, new Tree(circuit, List.of()).longestM(), List.of())
                .windowS();
        double ringHz = ringHz(circuit.source(), fenceF(circuit));
        double highestHz = Math.max(QUICK_HZ, Math.min(HIGHEST_HZ, RINGS * ringHz));
        Span span = new Span(windowS, (int) Math.clamp(Math.ceil(highestHz * windowS), QUICK_LEAST, Spectrum.MOST));
        QuickCheck check = new QuickCheck(circuit);
        double[][] reference = check.shown(span.times(REFERENCE_TIMES));
        for (double times = 1; times < REFERENCE_TIMES; times *= NEXT_TIMES) {
            Span some = span.times(times);
            if (check.near(check.shown(some), reference)) {
                return some;
            }
        }
        return span.times(REFERENCE_TIMES);
    }

    private static double fenceF(Circuit circuit) {
        return circuit.runs().stream()
                .mapToDouble(r -> LineConstants.Perfect.of(r.type()).faradPerM() * r.lengthM())
                .sum();
    }

    /**
     * What meters read when the fence is fed by several in turn.
     *
     * @param meters on the places given to the solver
     * @return by supply and meter
     */
    public double[][] readings(List<Supply> fedBy, List<Meter> meters) {
        int n = spectrum.count();
        double[][] shown = new double[fedBy.size()][meters.size()];
        if (tree.segments == 0) {
            return shown;
        }
        double[][][] re = new double[fedBy.size()][meters.size()][n];
        double[][][] im = new double[fedBy.size()][meters.size()][n];
        TreeSweep sweep = new TreeSweep(tree, tables);
        Loops loops = new Loops(tree, sweep);
        Taps taps = new Taps(tree, sweep, meters);
        double[] vRe = new double[tree.segments + 1];
        double[] vIm = new double[tree.segments + 1];
        double[] pair = new double[2];
        for (int k = 0; k < n; k++) {
            Cancellation.check();
            sweep.frequency(k);
            for (int s = 0; s < fedBy.size(); s++) {
                Feed feed = feed(fedBy.get(s), sweep, k);
                carry(feed, sweep, loops, vRe, vIm);
                taps.frequency(feed);
                for (int m = 0; m < meters.size(); m++) {
                    taps.read(m, vRe, vIm, pair);
                    re[s][m][k] = pair[0];
                    im[s][m][k] = pair[1];
                }
            }
        }
        Transform transform = new Transform(spectrum);
        for (int s = 0; s < fedBy.size(); s++) {
            for (int m = 0; m < meters.size(); m += 2) {
                int next = Math.min(m + 1, meters.size() - 1);
                transform.toTime(re[s][m], im[s][m], re[s][next], im[s][next]);
                shown[s][m] = taps.shown(m, transform, false).value();
                shown[s][next] = taps.shown(next, transform, true).value();
            }
        }
        return shown;
    }

    /**
     * Peaks at the meters when each of many faults stands alone, by one change to the healthy answer. A break stands where its run
     * has some way to go yet; one at a run's end parts nothing, as everywhere.
     *
     * @param faults and meters all on the places given to the solver as well
     * @return volts by fault and meter
     */
    public double[][] peaksWithEach(List<Fault> faults, List<Place> meters) {
        return withEach(faults, meters.stream().<Meter>map(Meter.Volts::new).toList())
                .values();
    }

    /**
     * What meters show under each of many faults.
     *
     * @param values by fault and meter
     * @param atS when after the pulse left the energizer each was reached
     */
    public record Shown(double[][] values, double[][] atS) {}

    /**
     * The same for meters of all kinds. A break does not lie at the beginning of the stretch by which a current is told: between it and
     * the meter there is another place.
     */
    public Shown withEach(List<Fault> faults, List<Meter> meters) {
        return each(
                faults,
                meters,
                some -> new SingleFaultUpdate(tree, tables, spectrum, some, meters)
                        .peaks((k, sweep) -> feed(own(), sweep, k)));
    }

    /**
     * What meters show when several leaks stand together, each set of them in turn.
     *
     * @param sets leaks alone, on the places given to the solver
     * @return by set and meter
     */
    public Shown withLeaks(List<List<Fault>> sets, List<Meter> meters) {
        return each(
                sets,
                meters,
                some -> new LeaksTogether(tree, tables, spectrum, some, meters)
                        .peaks((k, sweep) -> feed(own(), sweep, k)));
    }

    /** Some at once, so that what is held stays small. */
    private <T> Shown each(List<T> all, List<Meter> meters, Function<List<T>, Shown> shown) {
        Shown together = new Shown(new double[all.size()][], new double[all.size()][]);
        int atOnce = MeterSpectra.atOnce(spectrum, meters);
        for (int from = 0; from < all.size(); from += atOnce) {
            Cancellation.check();
            int to = Math.min(all.size(), from + atOnce);
            Shown some = shown.apply(all.subList(from, to));
            System.arraycopy(some.values(), 0, together.values(), from, to - from);
            System.arraycopy(some.atS(), 0, together.atS(), from, to - from);
        }
        return together;
    }

    /**
     * What meters show at given moments under each of many faults: where a peak is known, how it goes with anything that moves the
     * fence a little is told by its value at the same moment, for a small part of the work.
     *
     * @param atS by fault and meter
     * @return by fault and meter
     */
    public double[][] withEachAt(List<Fault> faults, List<Meter> meters, double[][] atS) {
        Cancellation.check();
        return new SingleFaultUpdate(tree, tables, spectrum, faults, meters)
                .at((k, sweep) -> feed(own(), sweep, k), atS);
    }
}
