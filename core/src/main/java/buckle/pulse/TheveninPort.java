package buckle.pulse;

import java.util.List;

/**
 * A fence seen from one place: the pulse there and the impedance behind it, and the same of other places as the current drawn
 * here moves them, at every frequency. Any load at the place then takes no new solution.
 */
public final class TheveninPort {
    private final Transform transform;
    private final double[][] vRe;
    private final double[][] vIm;
    private final double[][] zRe;
    private final double[][] zIm;

    /** Signals: the place itself, the meters, and last the ground rods. */
    TheveninPort(Spectrum spectrum, int signals) {
        transform = new Transform(spectrum);
        vRe = new double[signals][spectrum.count()];
        vIm = new double[signals][spectrum.count()];
        zRe = new double[signals][spectrum.count()];
        zIm = new double[signals][spectrum.count()];
    }

    void set(int signal, int k, double volts, double voltsIm, double ohm, double ohmIm) {
        vRe[signal][k] = volts;
        vIm[signal][k] = voltsIm;
        zRe[signal][k] = ohm;
        zIm[signal][k] = ohmIm;
    }

    /** The pulse in time across a load from here to earth; with an infinite one, the pulse itself. */
    public Waveform under(double ohm) {
        transform(0, 0, ohm);
        return new Waveform(transform.stepS(), transform.one());
    }

    /** Highest volts at a meter, and over the ground rods, while a load is here. */
    public List<Double> peaksUnder(double ohm, int meter) {
        transform(meter + 1, vRe.length - 1, ohm);
        return List.of(transform.peak().value(), transform.otherLargest());
    }

    private void transform(int one, int other, double ohm) {
        double[][] spectra = new double[4][];
        loaded(one, ohm, spectra, 0);
        loaded(other, ohm, spectra, 2);
        transform.toTime(spectra[0], spectra[1], spectra[2], spectra[3]);
    }

    private void loaded(int signal, double ohm, double[][] into, int at) {
        int n = vRe[0].length;
        double[] re = vRe[signal].clone();
        double[] im = vIm[signal].clone();
        for (int k = 0; k < n && !Double.isInfinite(ohm); k++) {
            double bRe = zRe[0][k] + ohm;
            double bIm = zIm[0][k];
            double size = bRe * bRe + bIm * bIm;
            double iRe = (vRe[0][k] * bRe + vIm[0][k] * bIm) / size;
            double iIm = (vIm[0][k] * bRe - vRe[0][k] * bIm) / size;
            re[k] -= zRe[signal][k] * iRe - zIm[signal][k] * iIm;
            im[k] -= zRe[signal][k] * iIm + zIm[signal][k] * iRe;
        }
        into[at] = re;
        into[at + 1] = im;
    }
}
