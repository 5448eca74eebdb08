package buckle.diagnosis;

import buckle.diagnosis.Hunt.MeterNoise;
import buckle.diagnosis.Hunt.Reading;
import buckle.pulse.Meter;
import buckle.pulse.Place;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * One number of a reading, on a scale on which its error is about the same everywhere: {@code asinh(V / 100 V)} and
 * {@code asinh(A / 0.3 A)}, which bear zeros.
 *
 * @param reading its number among the readings
 * @param feature as it was read
 */
record Value(int reading, Meter meter, Set<String> open, boolean directed, double feature, Scale scale) {
    private static final double ONE_PLACE_M = 0.01;

    private static final double VOLTS = 100;
    private static final double AMPERES = 0.3;
    /** What the model itself leaves out at a single point: posts, joints, ground that changes. Ours. */
    private static final double POINT_SHARE = 0.007;

    /** Direction of so few of a hundred currents is wrong. Ours. */
    private static final double LOG_TURNED = Math.log(0.03);
    /** As a product on the scale: of currents of some hundredths of an ampere the direction says nothing. */
    private static final double NEARLY_NONE = 0.03;

    /** A wrong reading is mostly a low one, sometimes anything from nothing to twelve kilovolts; on the scale of values. */
    private static final double LOW = 1.4;

    private static final double HIGH = 0.6;
    private static final double MOSTLY = 0.8;
    private static final double WHOLE_SCALE = 5.5;

    /** How a meter's error looks on the scale. */
    record Scale(double unit, double share, double resolution) {
        double feature(double raw) {
            double x = raw / unit;
            return Math.signum(x) * Math.log(Math.abs(x) + Math.sqrt(x * x + 1));
        }

        /** The other way round. */
        double raw(double feature) {
            return unit * Math.sinh(feature);
        }

        /** Of what a meter shows where it ought to read so much. */
        double variance(double raw) {
            double size2 = raw * raw + unit * unit;
            double error2 = (share * share + POINT_SHARE * POINT_SHARE) * raw * raw + resolution * resolution / 12;
            return error2 / size2;
        }
    }

    static List<Value> of(List<Reading> readings, MeterNoise noise) {
        Scale volts = new Scale(VOLTS, noise.share(), noise.resolutionV());
        Scale amperes = new Scale(AMPERES, noise.shareA(), noise.resolutionA());
        List<Value> all = new ArrayList<>();
        for (int i = 0; i < readings.size(); i++) {
            Reading r = readings.get(i);
            if (r.ignored()) {
                continue;
            }
            int number = i;
            r.peakV().ifPresent(v -> {
                Meter meter = r.at().<Meter>map(Meter.Volts::new).orElseGet(Meter.EarthVolts::new);
                all.add(new Value(number, meter, r.open(), true, volts.feature(v), volts));
            });
            if (r.currentA().isPresent() && r.at().isPresent()) {
                all.add(new Value(
                        number,
                        new Meter.Amperes(r.at().get()),
                        r.open(),
                        r.directed(),
                        amperes.feature(r.currentA().getAsDouble()),
                        amperes));
            }
        }
        return all;
    }

    boolean atSpotOf(Value other) {
        return open.equals(other.open) && near(meter, other.meter);
    }

    /** Stations turned into places of runs and back differ by a hair. */
    private static boolean near(Meter one, Meter other) {
        return switch (one) {
            case Meter.Volts v -> other instanceof Meter.Volts w && near(v.at(), w.at());
            case Meter.Amperes a -> other instanceof Meter.Amperes b && near(a.at(), b.at());
            case Meter.EarthVolts e -> other.equals(e);
        };
    }

    private static boolean near(Place one, Place other) {
        return one.runId().equals(other.runId()) && Math.abs(one.distanceM() - other.distanceM()) < ONE_PLACE_M;
    }

    /** As it would be read with all switches closed. */
    Value withoutSwitches() {
        return new Value(reading, meter, Set.of(), directed, feature, scale);
    }

    /** The spot alone, with whatever may be read there. */
    Value asSpot() {
        return new Value(-1, meter, open, true, Double.NaN, scale);
    }

    /** On the scale, of what the meter would show; without a direction the size alone. */
    double expected(double raw) {
        return scale.feature(directed ? raw : Math.abs(raw));
    }

    /**
     * How far what was read lies above what is expected; the other way round where a current was told the wrong way round.
     *
     * @param expected on the scale
     */
    double off(double expected) {
        return off(directed, feature, expected);
    }

    static double off(boolean directed, double read, double expected) {
        return (turned(directed, read, expected) ? -read : read) - expected;
    }

    /** How much less probable it is for that, as a logarithm. */
    double logTurned(double expected) {
        return logTurned(directed, feature, expected);
    }

    static double logTurned(boolean directed, double read, double expected) {
        return turned(directed, read, expected) ? LOG_TURNED : 0;
    }

    /**
     * A meter is held the wrong way round now and then, and where a pulse swings back as far as it went the greatest current may be that of
     * either swing: on short branches nobody can tell which.
     */
    private static boolean turned(boolean directed, double read, double expected) {
        return directed && read * expected < -NEARLY_NONE;
    }

    /** Log density of all values but one reading's, which may be anything. */
    static double allButOne(List<Value> values, int wrong, double[] raw, double[][] known, double[] off) {
        int[] kept = IntStream.range(0, values.size())
                .filter(i -> values.get(i).reading() != wrong)
                .toArray();
        double anything = 0;
        for (int i = 0; i < values.size(); i++) {
            if (values.get(i).reading() == wrong) {
                boolean near = off[i] > -LOW && off[i] < HIGH;
                anything += Math.log((1 - MOSTLY) / WHOLE_SCALE + (near ? MOSTLY / (LOW + HIGH) : 0));
            }
        }
        if (kept.length == 0) {
            return anything;
        }
        double[][] some = new double[kept.length][kept.length];
        double[] rest = new double[kept.length];
        for (int i = 0; i < kept.length; i++) {
            rest[i] = off[kept[i]];
            for (int j = 0; j < kept.length; j++) {
                some[i][j] = known[kept[i]][kept[j]];
            }
            some[i][i] += values.get(kept[i]).scale().variance(raw[kept[i]]);
        }
        return anything + new Gauss(some).logDensity(rest);
    }
}
