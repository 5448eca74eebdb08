package buckle.diagnosis;

import buckle.diagnosis.FenceModel.Unknown;
import buckle.rulebook.Values;
import java.util.Map;

/**
 * What is believed before anything is read, as standard deviations of logarithms: how far a real fence lies from its plan, and how far
 * it moves from one season to another. Ours, after the assumptions of the range (V13).
 */
final class Prior {
    private static final double RUN_LEAKAGE = 0.36;
    private static final double RUN_CHANGE = 0.15;
    /** Along a kilometre of a fence that was built; over other ways by their root. */
    private static final double DRIFT = Values.V13_DRIFT_SHARE / 2;

    private static final double DRIFT_CHANGE = DRIFT / 4;
    /** Growth gains on whoever does not cut it. */
    static final double MEAN_LEAKAGE_CHANGE = 0.08;

    private static final Map<Unknown, Double> FENCE = Map.of(
            Unknown.LEAKAGE, 0.36,
            Unknown.SOIL, 0.42,
            Unknown.STEEL, 0.4,
            Unknown.EARTH, 0.42,
            Unknown.VOLTS, 0.03,
            Unknown.CAPACITOR, 0.03,
            Unknown.COIL, 0.03,
            Unknown.RESISTANCE, 0.03,
            Unknown.BLEED, 0.7,
            Unknown.TERMINAL, 0.7);

    /** What one plate leaves open of the energizer, beside what stands across its terminals. */
    private static final Map<Unknown, Double> PLATE = Map.of(
            Unknown.VOLTS, 0.08,
            Unknown.CAPACITOR, 0.05,
            Unknown.COIL, 0.25,
            Unknown.RESISTANCE, 0.1);

    private static final Map<Unknown, Double> CHANGE =
            Map.of(Unknown.LEAKAGE, 0.15, Unknown.SOIL, 0.2, Unknown.EARTH, 0.15, Unknown.VOLTS, 0.01);

    private Prior() {}

    static double[][] fence(FenceModel model) {
        double[][] all = diagonal(model, FENCE, RUN_LEAKAGE, DRIFT);
        if (model.hunt().built()) {
            PLATE.forEach((u, sd) -> all[u.ordinal()][u.ordinal()] = sd * sd);
        }
        return all;
    }

    static double[][] change(FenceModel model) {
        return diagonal(model, CHANGE, RUN_CHANGE, DRIFT_CHANGE);
    }

    private static double[][] diagonal(FenceModel model, Map<Unknown, Double> fixed, double run, double drift) {
        double[][] all = new double[model.count()][model.count()];
        for (int i = 0; i < model.count(); i++) {
            double sd = run;
            if (i < Unknown.FIXED) {
                sd = fixed.getOrDefault(Unknown.values()[i], 0.0);
            } else if (model.isDrift(i)) {
                sd = drift * Math.sqrt(model.driftsOverM(i) / 1000);
            }
            all[i][i] = sd * sd;
        }
        if (!model.steel()) {
            all[Unknown.STEEL.ordinal()][Unknown.STEEL.ordinal()] = 0;
        }
        return all;
    }
}
