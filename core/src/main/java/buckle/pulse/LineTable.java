package buckle.pulse;

import org.hipparchus.complex.Complex;

/**
 * Propagation {@code γ = √(ZY)} and wave admittance {@code Y/γ} of one kind of run at every frequency, as plain numbers. The last ones
 * are remembered: fences that differ in one run have the others in common.
 */
record LineTable(double[] gammaRe, double[] gammaIm, double[] waveRe, double[] waveIm) {
    private record Key(LineType type, Spectrum spectrum, LineModel model) {}

    private static final long MOST_FREQUENCIES = 1 << 19;
    private static final Recent<Key, LineTable> KNOWN = new Recent<>(MOST_FREQUENCIES, t -> t.gammaRe.length);

    static LineTable of(LineType type, Spectrum spectrum, LineModel model) {
        return KNOWN.of(new Key(type, spectrum, model), LineTable::computed);
    }

    private static LineTable computed(Key key) {
        Series series = Series.of(key.type, key.spectrum, key.model);
        int n = key.spectrum.count();
        LineTable t = new LineTable(new double[n], new double[n], new double[n], new double[n]);
        for (int k = 0; k < n; k++) {
            Complex y = key.spectrum.at(k).multiply(series.faradPerM()).add(key.type.leakSPerM());
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
