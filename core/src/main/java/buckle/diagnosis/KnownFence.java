package buckle.diagnosis;

import buckle.diagnosis.FenceModel.Linear;
import buckle.diagnosis.FenceModel.Unknown;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/**
 * What is known of a fence today from its plan and its readings in order.
 *
 * @param theta most probable unknowns
 * @param covariance their spread
 * @param doubted readings in order that may be wrong
 */
record KnownFence(
        FenceModel model,
        List<Value> healthy,
        Calibration calibration,
        double[] theta,
        double[][] covariance,
        List<Doubted> doubted) {
    private static final double DEVIATIONS = 2;
    private static final int MOST_DOUBTED = 3;

    /**
     * A reading in order that may be wrong.
     *
     * @param gained how much more likely all of them are if it is, as a logarithm
     * @param without what would be known of the fence then
     */
    record Doubted(int reading, double gained, KnownFence without) {}

    static KnownFence of(Hunt hunt) {
        FenceModel model = new FenceModel(hunt);
        List<Value> healthy = Value.of(hunt.healthy(), hunt.meter());
        Calibration calibration = Calibration.of(model, healthy);
        return of(model, healthy, calibration, doubted(model, healthy, calibration));
    }

    /** A season after the readings. */
    private static KnownFence of(
            FenceModel model, List<Value> healthy, Calibration calibration, List<Doubted> doubted) {
        double[] today = calibration.theta().clone();
        today[Unknown.LEAKAGE.ordinal()] += healthy.isEmpty() ? 0 : Prior.MEAN_LEAKAGE_CHANGE;
        return new KnownFence(
                model,
                healthy,
                calibration,
                today,
                Gauss.sum(calibration.covariance(), Prior.change(model)),
                List.copyOf(doubted));
    }

    private static List<Doubted> doubted(FenceModel model, List<Value> healthy, Calibration calibration) {
        Set<Integer> some = new TreeSet<>();
        calibration.residuals().stream()
                .filter(r -> Math.abs(r.deviations()) > DEVIATIONS)
                .sorted(Comparator.comparingDouble(r -> -Math.abs(r.deviations())))
                .limit(MOST_DOUBTED)
                .forEach(r -> some.add(r.reading()));
        List<Doubted> all = new ArrayList<>();
        if (some.isEmpty()) {
            return all;
        }
        Linear plan = model.linear(new double[model.count()], healthy);
        double[] off = new double[healthy.size()];
        for (int i = 0; i < off.length; i++) {
            off[i] = healthy.get(i).off(plan.features()[i]);
        }
        double[][] known = Gauss.spread(plan.by(), Prior.fence(model), new double[off.length]);
        for (int wrong : some) {
            List<Value> others =
                    healthy.stream().filter(v -> v.reading() != wrong).toList();
            if (!others.isEmpty()) {
                double gained = Value.allButOne(healthy, wrong, plan.raw(), known, off) - calibration.logEvidence();
                all.add(new Doubted(wrong, gained, of(model, others, Calibration.of(model, others), List.of())));
            }
        }
        return all;
    }
}
