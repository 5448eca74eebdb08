package buckle.pulse;

import java.util.Arrays;

/** Volts at even steps of time. */
public record Waveform(double stepS, double[] volts) {
    /** Energy turned to heat in a resistance that has these volts across it. */
    public double energyJ(double ohm) {
        double sum = 0;
        for (double v : volts) {
            sum += v * v;
        }
        return sum * stepS / ohm;
    }

    /** The highest voltage. */
    public double peakV() {
        double peak = 0;
        for (double v : volts) {
            peak = Math.max(peak, v);
        }
        return peak;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Waveform w && w.stepS == stepS && Arrays.equals(w.volts, volts);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(volts);
    }

    @Override
    public String toString() {
        return volts.length + " steps of " + stepS + " s";
    }
}
