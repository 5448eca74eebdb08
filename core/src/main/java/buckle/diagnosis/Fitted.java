package buckle.diagnosis;

import buckle.diagnosis.FenceModel.Linear;
import buckle.diagnosis.FenceModel.Unknown;
import buckle.diagnosis.Hunt.MeterNoise;
import buckle.diagnosis.Hunt.Reading;
import buckle.pulse.Place;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.IntStream;
import org.hipparchus.linear.Array2DRowRealMatrix;
import org.hipparchus.linear.EigenDecompositionSymmetric;

/** A fence drawn toward its readings in order: what was found, what they left open, and what a meter ought to show. */
public final class Fitted {
    private static final double SAID = 0.995;
    private static final int MOST_MOVES = 8;
    /** Moves of a voltage by less than this share are none. */
    private static final double LEAST_SHARE = 0.002;

    private final FenceModel model;
    private final MeterNoise meter;
    private final Calibration calibration;
    private final double[][] covariance;

    private Fitted(FenceModel model, MeterNoise meter, Calibration calibration, double[][] covariance) {
        this.model = model;
        this.meter = meter;
        this.calibration = calibration;
        this.covariance = covariance;
    }

    /** Toward the healthy readings of a hunt; without any the fence is as planned, with all that a plan leaves open. */
    public static Fitted of(Hunt hunt) {
        FenceModel model = new FenceModel(hunt);
        Calibration calibration = Calibration.of(model, Value.of(hunt.healthy(), hunt.meter()));
        return new Fitted(model, hunt.meter(), calibration, calibration.covariance());
    }

    /** In another season than that of its readings. */
    public Fitted later() {
        return new Fitted(model, meter, calibration, Gauss.sum(covariance, Prior.change(model)));
    }

    /**
     * What a plan cannot know, as logarithms of factors on what it says.
     *
     * @param byRun what single runs leak beside the leakage of all; cables are not in it
     */
    public record Unknowns(
            double leakage,
            double soil,
            double steel,
            double earth,
            double volts,
            double capacitor,
            double coil,
            double resistance,
            double bleed,
            double terminal,
            double drift,
            Map<String, Double> byRun) {
        public Unknowns {
            byRun = Map.copyOf(byRun);
        }
    }

    /** Most probable. */
    public Unknowns found() {
        return unknowns(calibration.theta());
    }

    /** One standard deviation of each by itself. */
    public Unknowns deviations() {
        return unknowns(IntStream.range(0, model.count())
                .mapToDouble(i -> Math.sqrt(Math.max(0, covariance[i][i])))
                .toArray());
    }

    private Unknowns unknowns(double[] t) {
        Map<String, Double> byRun = new LinkedHashMap<>();
        model.runs().stream()
                .filter(r -> r.type().cable().isEmpty())
                .forEach(r -> byRun.put(r.id(), t[Unknown.FIXED + model.groupNumber(r.id())]));
        return new Unknowns(
                t[Unknown.LEAKAGE.ordinal()],
                t[Unknown.SOIL.ordinal()],
                t[Unknown.STEEL.ordinal()],
                t[Unknown.EARTH.ordinal()],
                t[Unknown.VOLTS.ordinal()],
                t[Unknown.CAPACITOR.ordinal()],
                t[Unknown.COIL.ordinal()],
                t[Unknown.RESISTANCE.ordinal()],
                t[Unknown.BLEED.ordinal()],
                t[Unknown.TERMINAL.ordinal()],
                t[Unknown.DRIFT.ordinal()],
                byRun);
    }

    /** Readings, by their number among those given, that fit nothing physical. */
    public List<Integer> misfits() {
        return calibration.suspect();
    }

    /**
     * What a meter ought to show.
     *
     * @param low {@code high}: two standard deviations of what is not known of the fence and of the meter
     */
    public record Expected(double likely, double low, double high, double feature, double deviation) {}

    /** What a meter ought to show for each reading: of a voltage or of a current, the first that it has. */
    public List<Expected> expected(List<Reading> asked) {
        List<Value> values = Value.of(asked, meter);
        if (values.size() != asked.size()) {
            throw new IllegalArgumentException("a reading asks for one number");
        }
        if (values.isEmpty()) {
            return List.of();
        }
        Linear at = model.linear(calibration.theta(), values);
        List<Expected> all = new ArrayList<>();
        for (int i = 0; i < values.size(); i++) {
            Value.Scale scale = values.get(i).scale();
            double variance = scale.variance(at.raw()[i]);
            for (int a = 0; a < covariance.length; a++) {
                for (int b = 0; b < covariance.length; b++) {
                    variance += at.by()[i][a] * covariance[a][b] * at.by()[i][b];
                }
            }
            double sd = Math.sqrt(variance);
            double feature = at.features()[i];
            all.add(new Expected(
                    scale.raw(feature), scale.raw(feature - 2 * sd), scale.raw(feature + 2 * sd), feature, sd));
        }
        return all;
    }

    /** How many standard deviations what was read lies above what was expected. */
    public double off(Expected expected, Reading read) {
        return Value.of(List.of(read), meter).getFirst().off(expected.feature()) / expected.deviation();
    }

    /** Voltage as it is asked for at a place. */
    public static Reading volts(Place at) {
        return new Reading(Optional.of(at), OptionalDouble.of(0), OptionalDouble.empty(), true, Set.of(), false);
    }

    /** Independent moves of one standard deviation each that make up what is not known of voltages, the largest first. */
    public List<Unknowns> moves(List<Reading> asked) {
        List<Value> values = Value.of(asked, meter);
        Linear at = model.linear(calibration.theta(), values);
        double[][] root = Gauss.root(covariance);
        int p = covariance.length;
        double[][] moved = new double[values.size()][p];
        for (int i = 0; i < values.size(); i++) {
            for (int k = 0; k < p; k++) {
                for (int a = 0; a < p; a++) {
                    moved[i][k] += at.by()[i][a] * root[a][k];
                }
            }
        }
        double[][] square = new double[p][p];
        double whole = 0;
        for (int a = 0; a < p; a++) {
            for (int b = 0; b < p; b++) {
                for (double[] m : moved) {
                    square[a][b] += m[a] * m[b];
                }
            }
            whole += square[a][a];
        }
        EigenDecompositionSymmetric axes = new EigenDecompositionSymmetric(new Array2DRowRealMatrix(square));
        List<Integer> largest = IntStream.range(0, p)
                .boxed()
                .sorted(Comparator.comparingDouble((Integer i) -> -axes.getEigenvalue(i)))
                .toList();
        List<Unknowns> moves = new ArrayList<>();
        double said = 0;
        for (int i : largest) {
            double share = Math.sqrt(Math.max(0, axes.getEigenvalue(i)) / values.size());
            if (moves.size() == MOST_MOVES || said > SAID * whole || share < LEAST_SHARE) {
                break;
            }
            said += axes.getEigenvalue(i);
            double[] axis = axes.getEigenvector(i).toArray();
            double[] by = new double[p];
            for (int a = 0; a < p; a++) {
                for (int k = 0; k < p; k++) {
                    by[a] += root[a][k] * axis[k];
                }
            }
            moves.add(unknowns(by));
        }
        return moves;
    }
}
