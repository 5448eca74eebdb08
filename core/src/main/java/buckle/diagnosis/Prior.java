package buckle.diagnosis;

import buckle.diagnosis.FenceModel.Unknown;
import buckle.rulebook.Values;
import java.util.EnumMap;
import java.util.Map;

/**
 * What is believed before anything is read, as standard deviations of logarithms: how far a real fence lies from its plan, and how far
 * it moves from one season to another. Ours, after the assumptions of the range (V13).
 */
final class Prior {
    private static final double RUN_LEAKAGE = 0.36;
    private static final double RUN_CHANGE = 0.15;
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

    /** Of a fence that was built: what one plate leaves open of its energizer, and how what is read drifts along it. */
    private static final Map<Unknown, Double> BUILT = Map.of(
            Unknown.VOLTS, 0.08,
            Unknown.CAPACITOR, 0.05,
            Unknown.COIL, 0.25,
            Unknown.RESISTANCE, 0.1,
            Unknown.DRIFT, Values.V13_DRIFT_SHARE / 2);

    private static final Map<Unknown, Double> CHANGE =
            Map.of(Unknown.LEAKAGE, 0.15, Unknown.SOIL, 0.2, Unknown.EARTH, 0.15, Unknown.VOLTS, 0.01);

    private static final Map<Unknown, Double> CHANGE_BUILT = Map.of(Unknown.DRIFT, Values.V13_DRIFT_SHARE / 8);

    private Prior() {}

    static double[][] fence(FenceModel model) {
        return diagonal(model, FENCE, BUILT, RUN_LEAKAGE);
    }

    static double[][] change(FenceModel model) {
        return diagonal(model, CHANGE, CHANGE_BUILT, RUN_CHANGE);
    }

    private static double[][] diagonal(
            FenceModel model, Map<Unknown, Double> usual, Map<Unknown, Double> built, double run) {
        Map<Unknown, Double> fixed = new EnumMap<>(usual);
        if (model.hunt().built()) {
            fixed.putAll(built);
        }
        double[][] all = new double[model.count()][model.count()];
        for (int i = 0; i < model.count(); i++) {
            double sd = i < Unknown.FIXED ? fixed.getOrDefault(Unknown.values()[i], 0.0) : run;
            all[i][i] = sd * sd;
        }
        if (!model.steel()) {
            all[Unknown.STEEL.ordinal()][Unknown.STEEL.ordinal()] = 0;
        }
        return all;
    }
}
