package buckle.pulse;

import org.hipparchus.complex.Complex;

/**
 * Loops of a circuit that was cut to a tree, closed again at one frequency: the current in each joint is found from the voltage
 * across it, {@code A i = u} with {@code A} the joints' own and mutual impedances. Without loops it does nothing but pass on.
 */
final class Loops {
    private final Tree tree;
    private final TreeSweep sweep;
    private final int count;
    private final double[][] dRe;
    private final double[][] dIm;
    private final double[] other;
    private final double[] otherIm;
    private final boolean[] set;
    private final double[] pair = new double[2];
    private Complex[][] a = new Complex[0][];
    double selfRe;
    double selfIm;

    Loops(Tree tree, TreeSweep sweep) {
        this.tree = tree;
        this.sweep = sweep;
        this.count = tree.loops.size();
        int nodes = tree.segments + 1;
        dRe = new double[count][nodes];
        dIm = new double[count][nodes];
        other = new double[count == 0 ? 0 : nodes];
        otherIm = new double[count == 0 ? 0 : nodes];
        set = new boolean[nodes];
    }

    /** Finds what each joint does everywhere, and lets the voltages follow. {@link TreeSweep#back} has been called. */
    void close(double[] vRe, double[] vIm) {
        if (count == 0) {
            return;
        }
        a = new Complex[count][count];
        for (int l = 0; l < count; l++) {
            int[] ends = tree.loops.get(l);
            sweep.inject(ends[0], dRe[l], dIm[l], set);
            sweep.inject(ends[1], other, otherIm, set);
            for (int n = 0; n < other.length; n++) {
                dRe[l][n] -= other[n];
                dIm[l][n] -= otherIm[n];
            }
        }
        for (int i = 0; i < count; i++) {
            for (int l = 0; l < count; l++) {
                a[i][l] = across(i, dRe[l], dIm[l]);
            }
        }
        follow(vRe, vIm);
    }

    private Complex across(int loop, double[] re, double[] im) {
        int[] ends = tree.loops.get(loop);
        return new Complex(re[ends[0]] - re[ends[1]], im[ends[0]] - im[ends[1]]);
    }

    private void follow(double[] vRe, double[] vIm) {
        Complex[][] m = new Complex[count][];
        Complex[] u = new Complex[count];
        for (int l = 0; l < count; l++) {
            m[l] = a[l].clone();
            u[l] = across(l, vRe, vIm);
        }
        Complex[] i = Dense.solve(m, u);
        for (int l = 0; l < count; l++) {
            double re = i[l].getReal();
            double im = i[l].getImaginary();
            for (int n = 0; n < vRe.length; n++) {
                vRe[n] -= re * dRe[l][n] - im * dIm[l][n];
                vIm[n] -= re * dIm[l][n] + im * dRe[l][n];
            }
        }
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
        if (count == 0) {
            return;
        }
        Complex[][] m = new Complex[count][];
        Complex[] u = new Complex[count];
        for (int l = 0; l < count; l++) {
            m[l] = a[l].clone();
            u[l] = new Complex(dRe[l][node], dIm[l][node]);
        }
        Complex[] i = Dense.solve(m, u);
        for (int l = 0; l < count; l++) {
            selfRe -= i[l].getReal() * dRe[l][node] - i[l].getImaginary() * dIm[l][node];
            selfIm -= i[l].getReal() * dIm[l][node] + i[l].getImaginary() * dRe[l][node];
        }
    }

    /** Admittance that a voltage in series with the beginning of a segment sees, loops closed; as {@link #selfRe}. */
    void cut(int segment) {
        Complex seen = sweep.cut(segment);
        if (count > 0) {
            Complex[][] m = new Complex[count][];
            Complex[] through = new Complex[count];
            for (int l = 0; l < count; l++) {
                m[l] = a[l].clone();
                sweep.currentIn(segment, dRe[l], dIm[l], pair);
                through[l] = new Complex(pair[0], pair[1]);
            }
            Complex[] drawn = Dense.solve(m, through.clone());
            for (int l = 0; l < count; l++) {
                seen = seen.add(drawn[l].multiply(through[l]));
            }
        }
        selfRe = seen.getReal();
        selfIm = seen.getImaginary();
    }
}
