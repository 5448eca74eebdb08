package buckle.diagnosis;

import java.util.List;

/** What was read, as plain numbers: it is held against hundreds of thousands of faults. */
final class Observed {
    private final double[] read;
    private final boolean[] directed;

    Observed(List<Value> values) {
        read = values.stream().mapToDouble(Value::feature).toArray();
        directed = new boolean[read.length];
        for (int i = 0; i < read.length; i++) {
            directed[i] = values.get(i).directed();
        }
    }

    /**
     * Logarithm of how likely it is.
     *
     * @param expected on the scale of values, in their order
     * @param least where it is less than this it may be negative infinity
     */
    double logLikelihood(Gauss gauss, double[] expected, double least) {
        double[] off = new double[read.length];
        double turned = 0;
        for (int i = 0; i < off.length; i++) {
            off[i] = Value.off(directed[i], read[i], expected[i]);
            turned += Value.logTurned(directed[i], read[i], expected[i]);
        }
        return turned + gauss.logDensity(off, least - turned);
    }

    double logLikelihood(Gauss gauss, double[] expected) {
        return logLikelihood(gauss, expected, Double.NEGATIVE_INFINITY);
    }
}
