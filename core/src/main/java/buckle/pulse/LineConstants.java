package buckle.pulse;

import org.hipparchus.complex.Complex;

/** What lies in series in one metre of a run, and the earth wires' share of the return. */
record LineConstants(Complex seriesOhmPerM, Complex share) {
    /** Inductance and capacitance per metre over perfect ground: {@code L = μ₀/(2πK)}, {@code C = 2πε₀K}. */
    record Perfect(double henryPerM, double faradPerM, double share) {
        static Perfect of(LineType type) {
            if (type.cable().isPresent()) {
                return new Perfect(
                        type.cable().get().henryPerM(), type.cable().get().faradPerM(), 0);
            }
            BundledWires joined = BundledWires.of(Images.coefficients(type.strands(), Complex.ZERO), type.strands());
            double k = joined.hot().getReal();
            return new Perfect(
                    Constants.MU_0 / (2 * Math.PI * k),
                    2 * Math.PI * Constants.EPSILON_0 * k,
                    joined.share().getReal());
        }
    }

    static LineConstants at(Complex s, LineType type, Perfect perfect, LineModel model) {
        if (type.cable().isPresent()) {
            return new LineConstants(
                    s.multiply(perfect.henryPerM()).add(type.cable().get().ohmPerM()), Complex.ZERO);
        }
        if (model == LineModel.CONSTANT) {
            double conductance = type.strands().stream()
                    .filter(LineWire::hot)
                    .mapToDouble(w -> 1 / w.ohmPerM())
                    .sum();
            return new LineConstants(
                    s.multiply(perfect.henryPerM()).add(1 / conductance), new Complex(perfect.share()));
        }
        Complex[][] m = Images.coefficients(type.strands(), Images.depth(type.soilOhmM(), s));
        Complex scale = s.multiply(Constants.MU_0 / (2 * Math.PI));
        for (int i = 0; i < m.length; i++) {
            for (int k = 0; k < m.length; k++) {
                m[i][k] = m[i][k].multiply(scale);
            }
            LineWire w = type.strands().get(i);
            m[i][i] = m[i][i].add(InternalImpedance.perM(w.ohmPerM(), w.muR(), s));
        }
        BundledWires joined = BundledWires.of(m, type.strands());
        return new LineConstants(joined.hot().reciprocal(), joined.share());
    }
}
