package buckle.pulse;

import java.util.List;
import java.util.stream.IntStream;

/**
 * Many faults, each alone on the healthy circuit, by one change to its answer. A shunt draws {@code V/(R+Z)} and moves a meter by
 * {@code Z(meter, shunt)}; a resistance in series stands against the current there, {@code E = R I / (1 + R Y)}, and moves a meter
 * by the current that one ampere into the meter sends through the same place (reciprocity).
 */
final class SingleFaultUpdate {
    private static final int SLICES = MeterSpectra.SLICES;

    private final Tree tree;
    private final LineTable[] tables;
    private final Spectrum spectrum;
    /** Node of a shunt, segment that begins at a break, -1 for a break that cuts nothing. */
    private final int[] at;

    private final boolean[] shunt;
    /** Ohms of a shunt, siemens of a break: they add to what the fence has there. */
    private final double[] more;
    /** Whether a fault differs from the one before it by its strength alone. */
    private final boolean[] likeBefore;

    private final List<Meter> meters;

    SingleFaultUpdate(Tree tree, LineTable[] tables, Spectrum spectrum, List<Fault> faults, List<Meter> meters) {
        this.tree = tree;
        this.tables = tables;
        this.spectrum = spectrum;
        shunt = new boolean[faults.size()];
        at = new int[faults.size()];
        more = new double[faults.size()];
        likeBefore = new boolean[faults.size()];
        for (int x = 0; x < at.length; x++) {
            Fault fault = faults.get(x);
            shunt[x] = fault.kind() == Fault.Kind.SHUNT;
            at[x] = shunt[x] ? tree.node(fault.at()) : tree.after(fault.at());
            more[x] = shunt[x] ? fault.ohm() : Double.isInfinite(fault.ohm()) ? 0 : 1 / fault.ohm();
            likeBefore[x] = x > 0 && at[x] == at[x - 1] && shunt[x] == shunt[x - 1];
        }
        this.meters = meters;
    }

    /** What becomes of a meter's answers at one frequency. */
    private interface Taken {
        void row(int k, int meter, double[] re, double[] im);
    }

    /** @param feeds gives what feeds the fence once a frequency is set */
    PulseSolver.Shown peaks(SoundFence.Feeds feeds) {
        int n = spectrum.count();
        MeterSpectra spectra = new MeterSpectra(tree, tables, spectrum, meters, at.length);
        IntStream.range(0, SLICES)
                .parallel()
                .forEach(i -> new Slice(feeds).frequencies(n * i / SLICES, n * (i + 1) / SLICES, spectra::row));
        return spectra.shown();
    }

    /** At one moment each: a sum over all frequencies instead of a transform. @param atS by fault and meter */
    double[][] at(SoundFence.Feeds feeds, double[][] atS) {
        int n = spectrum.count();
        int columns = meters.size() * at.length;
        List<double[]> sums = IntStream.range(0, SLICES)
                .parallel()
                .mapToObj(i -> {
                    Moments moments = new Moments(columns, n * i / SLICES, atS);
                    new Slice(feeds).frequencies(n * i / SLICES, n * (i + 1) / SLICES, moments);
                    return moments.sum;
                })
                .toList();
        Taps taps = new Taps(tree, new TreeSweep(tree, tables), meters);
        double[][] values = new double[at.length][meters.size()];
        for (int x = 0; x < at.length; x++) {
            for (int m = 0; m < meters.size(); m++) {
                double sum = 0;
                for (double[] some : sums) {
                    sum += some[m * at.length + x];
                }
                double gain = Math.exp(spectrum.sigma() * atS[x][m]) * spectrum.stepRadPerS() / Math.PI;
                values[x][m] = taps.shown(m, sum * gain);
            }
        }
        return values;
    }

    /** The sum {@code Re[V₀/2 + Σ V_k e^(jω_k t)]} of some frequencies, each answer at its own moment. */
    private final class Moments implements Taken {
        final double[] sum;
        private final double[] turnedRe;
        private final double[] turnedIm;
        private final double[] stepRe;
        private final double[] stepIm;

        Moments(int columns, int first, double[][] atS) {
            sum = new double[columns];
            turnedRe = new double[columns];
            turnedIm = new double[columns];
            stepRe = new double[columns];
            stepIm = new double[columns];
            for (int i = 0; i < columns; i++) {
                double angle = spectrum.stepRadPerS() * atS[i % at.length][i / at.length];
                turnedRe[i] = Math.cos(first * angle);
                turnedIm[i] = Math.sin(first * angle);
                stepRe[i] = Math.cos(angle);
                stepIm[i] = Math.sin(angle);
            }
        }

        @Override
        public void row(int k, int meter, double[] re, double[] im) {
            double weight = k == 0 ? 0.5 : 1;
            int from = meter * at.length;
            for (int x = 0; x < re.length; x++) {
                int i = from + x;
                sum[i] += weight * (re[x] * turnedRe[i] - im[x] * turnedIm[i]);
                double keep = turnedRe[i];
                turnedRe[i] = keep * stepRe[i] - turnedIm[i] * stepIm[i];
                turnedIm[i] = keep * stepIm[i] + turnedIm[i] * stepRe[i];
            }
        }
    }

    /** Some of the frequencies, with its own room. */
    private final class Slice {
        private final SoundFence sound;
        private final double[] amountRe = new double[at.length];
        private final double[] amountIm = new double[at.length];
        /** By what is drawn there a meter moves: of each fault, and of each break by the voltages at its segment's ends. */
        private final double[] byRe = new double[at.length];

        private final double[] byIm = new double[at.length];
        private final double[][] ends = new double[at.length][4];
        /** Voltage at a shunt or current at a break without it, of the fault seen last. */
        private double topRe;

        private double topIm;
        private final double[] rowRe = new double[at.length];
        private final double[] rowIm = new double[at.length];
        private final double[] pair = new double[2];

        Slice(SoundFence.Feeds feeds) {
            sound = new SoundFence(tree, tables, meters, feeds);
        }

        void frequencies(int from, int to, Taken taken) {
            for (int k = from; k < to; k++) {
                sound.frequency(k);
                for (int x = 0; x < at.length; x++) {
                    amount(x);
                }
                for (int m = 0; m < meters.size(); m++) {
                    sound.meter(m);
                    by();
                    for (int x = 0; x < at.length; x++) {
                        rowRe[x] = sound.readRe - (byRe[x] * amountRe[x] - byIm[x] * amountIm[x]);
                        rowIm[x] = sound.readIm - (byRe[x] * amountIm[x] + byIm[x] * amountRe[x]);
                    }
                    taken.row(k, m, rowRe, rowIm);
                }
            }
        }

        /** What a meter's column does at each fault; faults of other strengths at one place have it in common. */
        private void by() {
            for (int x = 0; x < at.length; x++) {
                if (likeBefore[x]) {
                    byRe[x] = byRe[x - 1];
                    byIm[x] = byIm[x - 1];
                } else if (at[x] < 0) {
                    byRe[x] = 0;
                    byIm[x] = 0;
                } else if (shunt[x]) {
                    byRe[x] = sound.zRe[at[x]];
                    byIm[x] = sound.zIm[at[x]];
                } else {
                    double[] f = ends[x];
                    int s = tree.start[at[x]];
                    int n = at[x] + 1;
                    byRe[x] = sound.zRe[s] * f[0] - sound.zIm[s] * f[1] + sound.zRe[n] * f[2] - sound.zIm[n] * f[3];
                    byIm[x] = sound.zRe[s] * f[1] + sound.zIm[s] * f[0] + sound.zRe[n] * f[3] + sound.zIm[n] * f[2];
                }
            }
        }

        private void amount(int x) {
            if (at[x] < 0) {
                return;
            }
            if (!likeBefore[x]) {
                if (shunt[x]) {
                    sound.loops.self(at[x]);
                    topRe = sound.vRe[at[x]];
                    topIm = sound.vIm[at[x]];
                } else {
                    sound.sweep.inBy(at[x], ends[x]);
                    sound.sweep.currentIn(at[x], sound.vRe, sound.vIm, pair);
                    sound.loops.cut(at[x]);
                    topRe = -pair[0];
                    topIm = -pair[1];
                }
            }
            double bRe = sound.loops.selfRe + more[x];
            double bIm = sound.loops.selfIm;
            double square = bRe * bRe + bIm * bIm;
            // An open wire where another is open already: nothing passes there anyway.
            double inv = square == 0 ? 0 : 1 / square;
            amountRe[x] = (topRe * bRe + topIm * bIm) * inv;
            amountIm[x] = (topIm * bRe - topRe * bIm) * inv;
        }
    }
}
