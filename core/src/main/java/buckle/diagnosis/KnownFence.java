package buckle.diagnosis;

import buckle.diagnosis.FenceModel.Unknown;
import java.util.List;

/**
 * What is known of a fence today from its plan and its readings in order.
 *
 * @param theta most probable unknowns
 * @param covariance their spread
 */
record KnownFence(
        FenceModel model, List<Value> healthy, Calibration calibration, double[] theta, double[][] covariance) {

    static KnownFence of(Hunt hunt) {
        FenceModel model = new FenceModel(hunt);
        List<Value> healthy = Value.of(hunt.healthy(), hunt.meter());
        return of(model, healthy, Calibration.of(model, healthy));
    }

    /** A season after the readings. */
    static KnownFence of(FenceModel model, List<Value> healthy, Calibration calibration) {
        double[] today = calibration.theta().clone();
        today[Unknown.LEAKAGE.ordinal()] += healthy.isEmpty() ? 0 : Prior.MEAN_LEAKAGE_CHANGE;
        return new KnownFence(
                model, healthy, calibration, today, Gauss.sum(calibration.covariance(), Prior.change(model)));
    }
}
