package buckle.pulse;

import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import org.hipparchus.complex.Complex;

/**
 * What lies in series in a metre of one kind of run at every frequency, its capacitance, and the earth wires' share of the
 * return. Leakage is not in it, so one answer serves clean and overgrown; the last few are remembered.
 */
record Series(Complex[] ohmPerM, Complex[] share, double faradPerM) {
    private static final long MOST_FREQUENCIES = 1 << 19;

    private record Key(
            List<LineWire> strands,
            double soilOhmM,
            Optional<LineType.Cable> cable,
            Spectrum spectrum,
            LineModel model) {}

    private static final Recent<Key, Series> KNOWN = new Recent<>(MOST_FREQUENCIES, s -> s.ohmPerM.length);

    static Series of(LineType type, Spectrum spectrum, LineModel model) {
        Key key = new Key(type.strands(), type.soilOhmM(), type.cable(), spectrum, model);
        return KNOWN.of(key, k -> compute(type, spectrum, model));
    }

    static Series compute(LineType type, Spectrum spectrum, LineModel model) {
        LineConstants.Perfect perfect = LineConstants.Perfect.of(type);
        Complex[] ohm = new Complex[spectrum.count()];
        Complex[] share = new Complex[spectrum.count()];
        for (int k = 0; k < ohm.length; k++) {
            LineConstants c = LineConstants.at(spectrum.at(k), type, perfect, model);
            ohm[k] = c.seriesOhmPerM();
            share[k] = c.share();
        }
        return new Series(ohm, share, perfect.faradPerM());
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Series s && Arrays.equals(ohmPerM, s.ohmPerM) && faradPerM == s.faradPerM;
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(ohmPerM);
    }

    @Override
    public String toString() {
        return "Series of " + ohmPerM.length + " frequencies";
    }
}
