package buckle.pulse;

import org.hipparchus.complex.Complex;

/**
 * Loops of a circuit that was cut to a tree, closed again at one frequency: the current in each joint is found from the voltages
 * across all, {@code i = A⁻¹ u} with {@code A} the joints' own and mutual impedances. Without loops it does nothing but pass on.
 */
final class Loops {
    private final Tree tree;
    private final TreeSweep sweep;
    private final int count;
    /** By joint and node, what an ampere through the joint does there. */
    private final double[][] dRe;

    private final double[][] dIm;
    /** {@code A⁻¹}, which is symmetric. */
    private final double[][] inverseRe;

    private final double[][] inverseIm;
    /** Across each joint. */
    private final double[] uRe;

    private final double[] uIm;
    private final double[] other;
    private final double[] otherIm;
    private final boolean[] set;
    private final double[] pair = new double[2];
    double selfRe;
    double selfIm;

    Loops(Tree tree, TreeSweep sweep) {
        this.tree = tree;
        this.sweep = sweep;
        this.count = tree.loops.size();
        int nodes = tree.segments + 1;
        dRe = new double[count][nodes];
        dIm = new double[count][nodes];
        inverseRe = new double[count][count];
        inverseIm = new double[count][count];
        uRe = new double[count];
        uIm = new double[count];
        other = new double[count == 0 ? 0 : nodes];
        otherIm = new double[count == 0 ? 0 : nodes];
        set = new boolean[nodes];
    }

    /** Finds what each joint does everywhere, and lets the voltages follow. {@link TreeSweep#back} has been called. */
    void close(double[] vRe, double[] vIm) {
        if (count == 0) {
            return;
        }
        for (int l = 0; l < count; l++) {
            int[] ends = tree.loops.get(l);
            sweep.inject(ends[0], dRe[l], dIm[l], set);
            sweep.inject(ends[1], other, otherIm, set);
            for (int n = 0; n < other.length; n++) {
                dRe[l][n] -= other[n];
                dIm[l][n] -= otherIm[n];
            }
        }
        Complex[][] a = new Complex[count][count];
        for (int l = 0; l < count; l++) {
            across(dRe[l], dIm[l]);
            for (int i = 0; i < count; i++) {
                a[i][l] = new Complex(uRe[i], uIm[i]);
            }
        }
        Complex[][] inverse = Dense.inverse(a);
        for (int l = 0; l < count; l++) {
            for (int i = 0; i < count; i++) {
                inverseRe[l][i] = inverse[l][i].getReal();
                inverseIm[l][i] = inverse[l][i].getImaginary();
            }
        }
        follow(vRe, vIm);
    }

    private void across(double[] re, double[] im) {
        for (int l = 0; l < count; l++) {
            int[] ends = tree.loops.get(l);
            uRe[l] = re[ends[0]] - re[ends[1]];
            uIm[l] = im[ends[0]] - im[ends[1]];
        }
    }

    private void follow(double[] vRe, double[] vIm) {
        across(vRe, vIm);
        for (int l = 0; l < count; l++) {
            through(l);
            double re = pair[0];
            double im = pair[1];
            for (int n = 0; n < vRe.length; n++) {
                vRe[n] -= re * dRe[l][n] - im * dIm[l][n];
                vIm[n] -= re * dIm[l][n] + im * dRe[l][n];
            }
        }
    }

    /** The current through a joint, of what is across all. */
    private void through(int joint) {
        double re = 0;
        double im = 0;
        for (int i = 0; i < count; i++) {
            re += inverseRe[joint][i] * uRe[i] - inverseIm[joint][i] * uIm[i];
            im += inverseRe[joint][i] * uIm[i] + inverseIm[joint][i] * uRe[i];
        }
        pair[0] = re;
        pair[1] = im;
    }

    /** What one ampere into a node does everywhere, loops closed. */
    void column(int node, double[] zRe, double[] zIm) {
        sweep.inject(node, zRe, zIm, set);
        if (count > 0) {
            follow(zRe, zIm);
        }
    }

    /**
     * A node's own impedance, loops closed: an ampere into it puts across each joint what an ampere through the joint does there
     * (reciprocity).
     */
    void self(int node) {
        sweep.self(node, this);
        for (int l = 0; l < count; l++) {
            uRe[l] = dRe[l][node];
            uIm[l] = dIm[l][node];
        }
        more(-1);
    }

    /** Admittance that a voltage in series with the beginning of a segment sees, loops closed; as {@link #selfRe}. */
    void cut(int segment) {
        sweep.cut(segment, this);
        for (int l = 0; l < count; l++) {
            sweep.currentIn(segment, dRe[l], dIm[l], pair);
            uRe[l] = pair[0];
            uIm[l] = pair[1];
        }
        more(1);
    }

    /** Adds {@code ± uᵀ A⁻¹ u}. */
    private void more(double sign) {
        for (int l = 0; l < count; l++) {
            through(l);
            double re = pair[0];
            double im = pair[1];
            selfRe += sign * (re * uRe[l] - im * uIm[l]);
            selfIm += sign * (re * uIm[l] + im * uRe[l]);
        }
    }
}
