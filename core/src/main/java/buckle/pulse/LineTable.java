package buckle.pulse;

import org.hipparchus.complex.Complex;

/** Propagation {@code γ = √(ZY)} and wave admittance {@code Y/γ} of one kind of run at every frequency, as plain numbers. */
record LineTable(double[] gammaRe, double[] gammaIm, double[] waveRe, double[] waveIm) {
    static LineTable of(Series series, LineType type, Spectrum spectrum) {
        int n = spectrum.count();
        LineTable t = new LineTable(new double[n], new double[n], new double[n], new double[n]);
        for (int k = 0; k < n; k++) {
            Complex y = spectrum.at(k).multiply(series.faradPerM()).add(type.leakSPerM());
            Complex gamma = series.ohmPerM()[k].multiply(y).sqrt();
            Complex wave = y.divide(gamma);
            t.gammaRe[k] = gamma.getReal();
            t.gammaIm[k] = gamma.getImaginary();
            t.waveRe[k] = wave.getReal();
            t.waveIm[k] = wave.getImaginary();
        }
        return t;
    }
}
