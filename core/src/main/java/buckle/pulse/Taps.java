package buckle.pulse;

import java.util.List;
import org.hipparchus.complex.Complex;

/**
 * Meters as sums over a few nodes of a tree: at one frequency each reads {@code c + Σ a V(node)}. What a fault changes at a meter then
 * follows from what one ampere into these nodes does elsewhere (reciprocity).
 */
final class Taps {
    private static final int NO_NODE = -1;

    private final TreeSweep sweep;
    private final List<Meter> meters;
    /** Up to two nodes of each meter. */
    private final int[][] node;
    /** Segment by which a current is told, -1 of other meters. */
    private final int[] segment;

    private final boolean[] into;
    private final double[] constRe;
    private final double[] constIm;
    /** Factors of the two nodes, real and imaginary. */
    private final double[][] factor;

    Taps(Tree tree, TreeSweep sweep, List<Meter> meters) {
        this.sweep = sweep;
        this.meters = meters;
        int n = meters.size();
        node = new int[n][];
        segment = new int[n];
        into = new boolean[n];
        constRe = new double[n];
        constIm = new double[n];
        factor = new double[n][4];
        for (int m = 0; m < n; m++) {
            segment[m] = NO_NODE;
            node[m] = switch (meters.get(m)) {
                case Meter.Volts v -> new int[] {tree.node(v.at()), NO_NODE};
                case Meter.EarthVolts e -> new int[] {0, NO_NODE};
                case Meter.Amperes a -> {
                    into[m] = a.at().distanceM() == 0;
                    segment[m] = into[m] ? tree.after(a.at()) : tree.node(a.at()) - 1;
                    if (segment[m] < 0) {
                        yield new int[] {tree.node(a.at()), NO_NODE};
                    }
                    yield new int[] {tree.start[segment[m]], segment[m] + 1};
                }
            };
        }
    }

    int count() {
        return node.length;
    }

    /** At the frequency that the sweep is set to. */
    void frequency(Feed feed) {
        for (int m = 0; m < node.length; m++) {
            double[] f = factor[m];
            constRe[m] = 0;
            constIm[m] = 0;
            switch (meters.get(m)) {
                case Meter.Volts v -> {
                    f[0] = 1;
                    f[1] = 0;
                }
                case Meter.Amperes a -> {
                    if (segment[m] < 0) {
                        f[0] = 0;
                        f[1] = 0;
                    } else if (into[m]) {
                        sweep.inBy(segment[m], f);
                    } else {
                        sweep.outBy(segment[m], f);
                    }
                }
                case Meter.EarthVolts e -> {
                    Complex atRest = feed.current(0, 0).multiply(feed.rodsOhm());
                    constRe[m] = atRest.getReal();
                    constIm[m] = atRest.getImaginary();
                    Complex perVolt = feed.rodsPerRoot().negate();
                    f[0] = perVolt.getReal();
                    f[1] = perVolt.getImaginary();
                }
            }
        }
    }

    /** What a meter reads of voltages. */
    void read(int m, double[] vRe, double[] vIm, double[] out) {
        double[] f = factor[m];
        int a = node[m][0];
        out[0] = constRe[m] + f[0] * vRe[a] - f[1] * vIm[a];
        out[1] = constIm[m] + f[0] * vIm[a] + f[1] * vRe[a];
        int b = node[m][1];
        if (b >= 0) {
            out[0] += f[2] * vRe[b] - f[3] * vIm[b];
            out[1] += f[2] * vIm[b] + f[3] * vRe[b];
        }
    }

    /** What one ampere, taken by a meter's factors into its nodes, does everywhere. */
    void column(int m, Loops loops, double[] zRe, double[] zIm, double[] workRe, double[] workIm) {
        double[] f = factor[m];
        loops.column(node[m][0], zRe, zIm);
        boolean plain = node[m][1] < 0 && f[0] == 1 && f[1] == 0;
        if (plain) {
            return;
        }
        times(f[0], f[1], zRe, zIm);
        if (node[m][1] >= 0) {
            loops.column(node[m][1], workRe, workIm);
            times(f[2], f[3], workRe, workIm);
            for (int n = 0; n < zRe.length; n++) {
                zRe[n] += workRe[n];
                zIm[n] += workIm[n];
            }
        }
    }

    private static void times(double re, double im, double[] zRe, double[] zIm) {
        for (int n = 0; n < zRe.length; n++) {
            double keep = zRe[n];
            zRe[n] = keep * re - zIm[n] * im;
            zIm[n] = keep * im + zIm[n] * re;
        }
    }

    /** Of a signal in time, as the meter shows it, and when it is reached. */
    Peak shown(int m, Transform transform, boolean other) {
        return switch (meters.get(m)) {
            case Meter.Volts v -> other ? transform.otherPeak() : transform.peak();
            case Meter.Amperes a -> transform.largest(other);
            case Meter.EarthVolts e -> {
                Peak largest = transform.largest(other);
                yield new Peak(Math.abs(largest.value()), largest.atS());
            }
        };
    }

    /** Of a signal at one moment, as the meter shows it. */
    double shown(int m, double value) {
        return meters.get(m) instanceof Meter.EarthVolts ? Math.abs(value) : value;
    }
}
