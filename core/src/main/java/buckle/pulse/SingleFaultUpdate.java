package buckle.pulse;

import java.util.List;
import java.util.stream.IntStream;

/**
 * Many faults, each alone on the healthy circuit, by one change to its answer. A shunt draws {@code V/(R+Z)} and moves a meter by
 * {@code Z(meter, shunt)}; a resistance in series stands against the current there, {@code E = R I / (1 + R Y)}, and moves a meter
 * by the current that one ampere into the meter sends through the same place (reciprocity).
 */
final class SingleFaultUpdate {
    /** Faults taken at once, so that what is held stays small. */
    static final int AT_ONCE = 1024;

    private static final int COLUMNS = 8;
    private static final int SLICES = 4;

    private final Tree tree;
    private final LineTable[] tables;
    private final Spectrum spectrum;
    private final List<Fault> faults;
    /** Node of a shunt, segment that begins at a break, -1 for a break that cuts nothing. */
    private final int[] at;

    private final boolean[] shunt;
    private final List<Meter> meters;
    /** By frequency, meter and fault: neighbours in memory are faults, as they are written and read. */
    private final double[] re;

    private final double[] im;

    SingleFaultUpdate(Tree tree, LineTable[] tables, Spectrum spectrum, List<Fault> faults, List<Meter> meters) {
        this.tree = tree;
        this.tables = tables;
        this.spectrum = spectrum;
        this.faults = faults;
        shunt = new boolean[faults.size()];
        at = new int[faults.size()];
        for (int x = 0; x < at.length; x++) {
            Fault fault = faults.get(x);
            shunt[x] = fault.kind() == Fault.Kind.SHUNT;
            at[x] = shunt[x] ? tree.node(fault.at()) : tree.after(fault.at());
        }
        this.meters = meters;
        re = new double[spectrum.count() * meters.size() * at.length];
        im = new double[re.length];
    }

    /** What feeds the fence at one frequency. */
    interface Feeds {
        Feed at(int k, TreeSweep sweep);
    }

    /** @param feeds gives what feeds the fence once a frequency is set */
    double[][] peaks(Feeds feeds) {
        int n = spectrum.count();
        IntStream.range(0, SLICES)
                .parallel()
                .forEach(i -> new Slice().frequencies(feeds, n * i / SLICES, n * (i + 1) / SLICES));
        double[][] peaks = new double[at.length][meters.size()];
        int blocks = (meters.size() * at.length + COLUMNS - 1) / COLUMNS;
        IntStream.range(0, SLICES)
                .parallel()
                .forEach(i -> toTime(peaks, blocks * i / SLICES, blocks * (i + 1) / SLICES));
        return peaks;
    }

    /** Some of the frequencies, with its own room. */
    private final class Slice {
        private final TreeSweep sweep = new TreeSweep(tree, tables);
        private final Loops loops = new Loops(tree, sweep);
        private final double[] amountRe = new double[at.length];
        private final double[] amountIm = new double[at.length];
        private final double[] vRe = new double[tree.segments + 1];
        private final double[] vIm = new double[tree.segments + 1];
        private final double[] zRe = new double[tree.segments + 1];
        private final double[] zIm = new double[tree.segments + 1];
        private final double[] workRe = new double[tree.segments + 1];
        private final double[] workIm = new double[tree.segments + 1];
        private final Taps taps = new Taps(tree, sweep, meters);
        private final double[] pair = new double[2];

        void frequencies(Feeds feeds, int from, int to) {
            for (int k = from; k < to; k++) {
                sweep.frequency(k);
                Feed feed = feeds.at(k, sweep);
                sweep.carry(feed.rootV().getReal(), feed.rootV().getImaginary(), vRe, vIm);
                sweep.back();
                loops.close(vRe, vIm);
                taps.frequency(feed);
                for (int x = 0; x < at.length; x++) {
                    amount(x);
                }
                for (int m = 0; m < taps.count(); m++) {
                    taps.read(m, vRe, vIm, pair);
                    double meterRe = pair[0];
                    double meterIm = pair[1];
                    taps.column(m, loops, zRe, zIm, workRe, workIm);
                    int into = (k * taps.count() + m) * at.length;
                    for (int x = 0; x < at.length; x++) {
                        moved(x, meterRe, meterIm, into + x);
                    }
                }
            }
        }

        private void amount(int x) {
            if (at[x] < 0) {
                return;
            }
            double ohm = faults.get(x).ohm();
            double topRe;
            double topIm;
            double more;
            if (shunt[x]) {
                loops.self(at[x]);
                topRe = vRe[at[x]];
                topIm = vIm[at[x]];
                more = ohm;
            } else {
                sweep.currentIn(at[x], vRe, vIm, pair);
                loops.cut(at[x]);
                topRe = -pair[0];
                topIm = -pair[1];
                more = Double.isInfinite(ohm) ? 0 : 1 / ohm;
            }
            double bRe = loops.selfRe + more;
            double bIm = loops.selfIm;
            double inv = 1 / (bRe * bRe + bIm * bIm);
            amountRe[x] = (topRe * bRe + topIm * bIm) * inv;
            amountIm[x] = (topIm * bRe - topRe * bIm) * inv;
        }

        private void moved(int x, double meterRe, double meterIm, int into) {
            double byRe = 0;
            double byIm = 0;
            if (shunt[x]) {
                byRe = zRe[at[x]];
                byIm = zIm[at[x]];
            } else if (at[x] >= 0) {
                sweep.currentIn(at[x], zRe, zIm, pair);
                byRe = pair[0];
                byIm = pair[1];
            }
            re[into] = meterRe - (byRe * amountRe[x] - byIm * amountIm[x]);
            im[into] = meterIm - (byRe * amountIm[x] + byIm * amountRe[x]);
        }
    }

    /** Some blocks of columns: a few at a time are brought together and transformed in pairs. */
    private void toTime(double[][] peaks, int firstBlock, int lastBlock) {
        int n = spectrum.count();
        int columns = meters.size() * at.length;
        double[][] aRe = new double[COLUMNS][n];
        double[][] aIm = new double[COLUMNS][n];
        Transform transform = new Transform(spectrum);
        Taps taps = new Taps(tree, new TreeSweep(tree, tables), meters);
        for (int from = firstBlock * COLUMNS; from < Math.min(columns, lastBlock * COLUMNS); from += COLUMNS) {
            int some = Math.min(COLUMNS, columns - from);
            for (int k = 0; k < n; k++) {
                for (int c = 0; c < some; c++) {
                    aRe[c][k] = re[k * columns + from + c];
                    aIm[c][k] = im[k * columns + from + c];
                }
            }
            for (int c = 0; c < some; c += 2) {
                int next = Math.min(c + 1, some - 1);
                transform.toTime(aRe[c], aIm[c], aRe[next], aIm[next]);
                set(peaks, from + c, taps.shown((from + c) / at.length, transform, false));
                set(peaks, from + next, taps.shown((from + next) / at.length, transform, true));
            }
        }
    }

    private void set(double[][] peaks, int column, double value) {
        peaks[column % at.length][column / at.length] = value;
    }
}
