package buckle.pulse;

import java.util.List;
import org.hipparchus.complex.Complex;

/**
 * Maxwell's potential coefficients of wires one above the other, by images: {@code P = ln(D/d)}, distance to the other wire's
 * image over distance to the wire. The ground may lie deeper for the magnetic field: Deri's complex depth {@code p = 1/√(s μ₀ /
 * ρ)}, added to each height. Sources: Maxwell's images in any book on power lines; Deri et al., The Complex Ground Return Plane,
 * IEEE Trans. PAS 1981; both from memory. Limit: wires thin against their distance, displacement current in the ground
 * neglected.
 */
final class Images {
    private Images() {}

    static Complex depth(double soilOhmM, Complex s) {
        return s.multiply(Constants.MU_0 / soilOhmM).sqrt().reciprocal();
    }

    static Complex[][] coefficients(List<LineWire> strands, Complex depthM) {
        int n = strands.size();
        Complex[][] p = new Complex[n][n];
        for (int i = 0; i < n; i++) {
            LineWire a = strands.get(i);
            p[i][i] = depthM.add(a.heightM())
                    .multiply(2)
                    .divide(a.diameterM() / 2)
                    .log();
            for (int k = 0; k < i; k++) {
                LineWire b = strands.get(k);
                double apart = Math.max(Math.abs(a.heightM() - b.heightM()), (a.diameterM() + b.diameterM()) / 2);
                p[i][k] = depthM.multiply(2)
                        .add(a.heightM() + b.heightM())
                        .divide(apart)
                        .log();
                p[k][i] = p[i][k];
            }
        }
        return p;
    }
}
