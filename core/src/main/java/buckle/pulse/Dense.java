package buckle.pulse;

import java.util.Arrays;
import org.hipparchus.complex.Complex;

/** A few equations in complex unknowns, by elimination with the largest pivot. */
final class Dense {
    private Dense() {}

    /** By a column of one after the other. */
    static Complex[][] inverse(Complex[][] a) {
        int n = a.length;
        Complex[][] columns = new Complex[n][];
        for (int col = 0; col < n; col++) {
            Complex[][] own = new Complex[n][];
            Arrays.setAll(own, row -> a[row].clone());
            Complex[] one = new Complex[n];
            Arrays.fill(one, Complex.ZERO);
            one[col] = Complex.ONE;
            columns[col] = solve(own, one);
        }
        return columns;
    }

    /** Overwrites both. */
    static Complex[] solve(Complex[][] a, Complex[] b) {
        int n = b.length;
        for (int col = 0; col < n; col++) {
            int best = col;
            for (int row = col + 1; row < n; row++) {
                if (a[row][col].norm() > a[best][col].norm()) {
                    best = row;
                }
            }
            Complex[] row = a[best];
            a[best] = a[col];
            a[col] = row;
            Complex value = b[best];
            b[best] = b[col];
            b[col] = value;
            for (int r = col + 1; r < n; r++) {
                Complex factor = a[r][col].divide(a[col][col]);
                for (int c = col + 1; c < n; c++) {
                    a[r][c] = a[r][c].subtract(factor.multiply(a[col][c]));
                }
                b[r] = b[r].subtract(factor.multiply(b[col]));
            }
        }
        for (int r = n - 1; r >= 0; r--) {
            for (int c = r + 1; c < n; c++) {
                b[r] = b[r].subtract(a[r][c].multiply(b[c]));
            }
            b[r] = b[r].divide(a[r][r]);
        }
        return b;
    }
}
