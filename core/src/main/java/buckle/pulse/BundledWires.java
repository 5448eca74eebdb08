package buckle.pulse;

import java.util.List;
import org.hipparchus.complex.Complex;

/**
 * Several wires reduced to one: hot ones together at one volt, the others held at none. What flows then in the hot ones is the
 * reduced value, what flows back in the others is their share of the return.
 */
record BundledWires(Complex hot, Complex share) {
    /** Solves {@code M i = v} with v one on hot and none on earth wires. */
    static BundledWires of(Complex[][] m, List<LineWire> strands) {
        int n = m.length;
        Complex[][] a = new Complex[n][];
        Complex[] b = new Complex[n];
        for (int i = 0; i < n; i++) {
            a[i] = m[i].clone();
            b[i] = strands.get(i).hot() ? Complex.ONE : Complex.ZERO;
        }
        Complex[] x = Dense.solve(a, b);
        Complex hot = Complex.ZERO;
        Complex back = Complex.ZERO;
        for (int i = 0; i < n; i++) {
            if (strands.get(i).hot()) {
                hot = hot.add(x[i]);
            } else {
                back = back.subtract(x[i]);
            }
        }
        return new BundledWires(hot, back.divide(hot));
    }
}
