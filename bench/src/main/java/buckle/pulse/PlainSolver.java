package buckle.pulse;

import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import org.hipparchus.complex.Complex;
import org.hipparchus.transform.DftNormalization;
import org.hipparchus.transform.FastFourierTransformer;
import org.hipparchus.transform.TransformType;

/**
 * The same sum written straightforwardly, to compare with: a complex number an object, a run at a time by recursion, the
 * library's transform; kinds of wire are tabled once, as in the fast one. Peaks at the far ends of runs of a tree without loops and faults.
 */
public final class PlainSolver {
    private final Circuit circuit;
    private final Spectrum spectrum;
    private final Map<LineType, LineTable> tables = new HashMap<>();

    public PlainSolver(Circuit circuit, Solution like) {
        this.circuit = circuit;
        this.spectrum = new Spectrum(like.frequencies(), like.windowS());
        for (Run run : circuit.runs()) {
            tables.computeIfAbsent(run.type(), t -> LineTable.of(t, spectrum, circuit.model()));
        }
    }

    /** What lies behind a run at one frequency, and what of a volt at its beginning reaches its end. */
    private record Seen(Run run, Complex admittance, Complex ahead, List<Seen> branches) {}

    public double[] peaks(List<Place> ends) {
        Complex[][] spectra = new Complex[ends.size()][spectrum.count()];
        for (int k = 0; k < spectrum.count(); k++) {
            Complex s = spectrum.at(k);
            List<Seen> first = seen(Optional.empty(), k);
            Supply.Terminals feed = new Supply(circuit.source(), circuit.earthOhm()).terminals(s);
            Complex all = first.stream().map(Seen::admittance).reduce(Complex.ZERO, Complex::add);
            Complex root = feed.openV()
                    .divide(feed.innerOhm()
                            .add(circuit.earthOhm())
                            .multiply(all)
                            .add(1));
            for (Seen one : first) {
                write(one, root, ends, spectra, k);
            }
        }
        double[] peaks = new double[ends.size()];
        for (int i = 0; i < peaks.length; i++) {
            peaks[i] = peak(spectra[i]);
        }
        return peaks;
    }

    private List<Seen> seen(Optional<String> parent, int k) {
        List<Seen> all = new ArrayList<>();
        for (Run run : circuit.runs()) {
            if (run.parent().equals(parent)) {
                List<Seen> branches = seen(Optional.of(run.id()), k);
                Complex load = branches.stream().map(Seen::admittance).reduce(Complex.ZERO, Complex::add);
                LineTable table = Objects.requireNonNull(tables.get(run.type()));
                Complex gamma = new Complex(table.gammaRe()[k], table.gammaIm()[k]);
                Complex wave = new Complex(table.waveRe()[k], table.waveIm()[k]);
                Complex e = gamma.multiply(-run.lengthM()).exp();
                Complex echo = wave.subtract(load).multiply(e).multiply(e);
                Complex bottom = wave.add(load).add(echo);
                Complex in = wave.multiply(wave.add(load).subtract(echo)).divide(bottom);
                all.add(new Seen(run, in, wave.multiply(e).multiply(2).divide(bottom), branches));
            }
        }
        return all;
    }

    private void write(Seen at, Complex volts, List<Place> ends, Complex[][] spectra, int k) {
        Complex here = volts.multiply(at.ahead());
        for (int i = 0; i < spectra.length; i++) {
            if (ends.get(i).runId().equals(at.run().id())) {
                spectra[i][k] = here;
            }
        }
        for (Seen branch : at.branches()) {
            write(branch, here, ends, spectra, k);
        }
    }

    private double peak(Complex[] spectrumV) {
        int size = Transform.samples(spectrum);
        double[][] work = new double[2][size];
        for (int k = 0; k < spectrumV.length; k++) {
            work[0][k] = spectrumV[k].getReal() * (k == 0 ? 0.5 : 1);
            work[1][k] = spectrumV[k].getImaginary() * (k == 0 ? 0.5 : 1);
        }
        FastFourierTransformer.transformInPlace(work, DftNormalization.STANDARD, TransformType.INVERSE);
        double peak = 0;
        for (int i = 0; i < 0.6 * size; i++) {
            double t = i * spectrum.windowS() / size;
            double v = work[0][i] * size * Math.exp(spectrum.sigma() * t) * spectrum.stepRadPerS() / Math.PI;
            peak = Math.max(peak, v);
        }
        return peak;
    }
}
