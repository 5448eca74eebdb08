package buckle.pulse;

import java.util.List;
import java.util.stream.IntStream;

/** What some meters read under each of many faults at every frequency, and what they show of it in time. */
final class MeterSpectra {
    private static final int COLUMNS = 8;
    static final int SLICES = 4;
    /** Numbers that are held at once, so that a fence with many meters stays small. */
    private static final int MOST_HELD = 1 << 22;

    private static final int MOST_AT_ONCE = 1024;

    private final Tree tree;
    private final LineTable[] tables;
    private final Spectrum spectrum;
    private final List<Meter> meters;
    private final int faults;
    /** By frequency, meter and fault: neighbours in memory are faults, as they are written and read. */
    private final double[] re;

    private final double[] im;

    MeterSpectra(Tree tree, LineTable[] tables, Spectrum spectrum, List<Meter> meters, int faults) {
        this.tree = tree;
        this.tables = tables;
        this.spectrum = spectrum;
        this.meters = meters;
        this.faults = faults;
        re = new double[spectrum.count() * meters.size() * faults];
        im = new double[re.length];
    }

    /** Faults whose peaks are looked for together. */
    static int atOnce(Spectrum spectrum, List<Meter> meters) {
        return Math.clamp(MOST_HELD / ((long) spectrum.count() * Math.max(1, meters.size())), 1, MOST_AT_ONCE);
    }

    /** Of one meter at one frequency, by fault. */
    void row(int k, int meter, double[] rowRe, double[] rowIm) {
        int into = (k * meters.size() + meter) * faults;
        System.arraycopy(rowRe, 0, re, into, faults);
        System.arraycopy(rowIm, 0, im, into, faults);
    }

    PulseSolver.Shown shown() {
        PulseSolver.Shown shown =
                new PulseSolver.Shown(new double[faults][meters.size()], new double[faults][meters.size()]);
        int blocks = (meters.size() * faults + COLUMNS - 1) / COLUMNS;
        IntStream.range(0, SLICES)
                .parallel()
                .forEach(i -> toTime(shown, blocks * i / SLICES, blocks * (i + 1) / SLICES));
        return shown;
    }

    /** Some blocks of columns: a few at a time are brought together and transformed in pairs. */
    private void toTime(PulseSolver.Shown into, int firstBlock, int lastBlock) {
        int n = spectrum.count();
        int columns = meters.size() * faults;
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
                set(into, from + c, taps.shown((from + c) / faults, transform, false));
                set(into, from + next, taps.shown((from + next) / faults, transform, true));
            }
        }
    }

    private void set(PulseSolver.Shown into, int column, Peak peak) {
        into.values()[column % faults][column / faults] = peak.value();
        into.atS()[column % faults][column / faults] = peak.atS();
    }
}
