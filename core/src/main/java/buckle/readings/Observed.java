package buckle.readings;

import buckle.site.GeoPoint;
import java.util.Optional;
import java.util.OptionalDouble;

/** What was measured or seen. */
public sealed interface Observed {
    /**
     * Peak of the pulse on a wire against the earth.
     *
     * @param wire number of the wire from the ground up, 1 the lowest; 0 for the joined hot wires
     */
    record Peak(int wire, double peakV, boolean overRange, OptionalDouble rangeV, OptionalDouble resolutionV)
            implements Observed, Voltage {
        public Peak(int wire, double peakV, boolean overRange, OptionalDouble rangeV) {
            this(wire, peakV, overRange, rangeV, OptionalDouble.empty());
        }

        public Peak {
            checkResolution("resolutionV", resolutionV, 2000, "V");
            checkWire(wire, 0);
            // A meter may send a zero below zero.
            peakV += 0.0;
            checkVoltage(peakV, rangeV);
        }
    }

    /** Peak at the earth terminal against a probe away from the rods: what the earth of the energizer drops. */
    record EarthTerminal(double peakV, boolean overRange, OptionalDouble rangeV, OptionalDouble resolutionV)
            implements Observed, Voltage {
        public EarthTerminal(double peakV, boolean overRange, OptionalDouble rangeV) {
            this(peakV, overRange, rangeV, OptionalDouble.empty());
        }

        public EarthTerminal {
            checkResolution("resolutionV", resolutionV, 2000, "V");
            // A meter may send a zero below zero.
            peakV += 0.0;
            checkVoltage(peakV, rangeV);
        }
    }

    /** Peak on a wire that should carry none. */
    record Unpowered(int wire, double peakV, boolean overRange, OptionalDouble rangeV, OptionalDouble resolutionV)
            implements Observed, Voltage {
        public Unpowered(int wire, double peakV, boolean overRange, OptionalDouble rangeV) {
            this(wire, peakV, overRange, rangeV, OptionalDouble.empty());
        }

        public Unpowered {
            checkResolution("resolutionV", resolutionV, 2000, "V");
            checkWire(wire, 1);
            // A meter may send a zero below zero.
            peakV += 0.0;
            checkVoltage(peakV, rangeV);
        }
    }

    /** Peak of the current in the hot wires at a place, and which way the meter says it flows. */
    record Current(double peakA, Direction direction, OptionalDouble resolutionA) implements Observed {
        /** No pulse drives more than this. */
        public static final double MOST_A = 500;

        public Current(double peakA, Direction direction) {
            this(peakA, direction, OptionalDouble.empty());
        }

        public Current {
            checkResolution("resolutionA", resolutionA, 10, "A");
            checkRange("peakA", peakA, MOST_A, "A");
        }
    }

    /** Voltage of the battery. */
    record BatteryVoltage(double batteryV) implements Observed {
        public BatteryVoltage {
            checkRange("batteryV", batteryV, 100, "V");
        }
    }

    /** Resistance as an earth tester or an ohmmeter shows it. */
    record Resistance(double ohm) implements Observed {
        public Resistance {
            checkRange("ohm", ohm, 1e8, "Ω");
        }
    }

    /**
     * G9: peak at the last rod while the fence is shorted far out.
     *
     * @param fenceV what the fence itself still read then
     */
    record EarthTest(double peakV, OptionalDouble fenceV) implements Observed {
        public EarthTest {
            checkRange("peakV", peakV, Voltage.MOST_V, "V");
            fenceV.ifPresent(v -> checkRange("fenceV", v, Voltage.MOST_V, "V"));
        }
    }

    /** What a light on the fence shows as the pulse passes. */
    record Indicator(Light light) implements Observed {}

    /**
     * Something seen that lets the pulse off, or will, or tells what became of the fence.
     *
     * @param touches whether it touches a hot wire; empty when nobody said
     */
    record Seen(Thing thing, Optional<Boolean> touches) implements Observed {
        public Seen(Thing thing) {
            this(thing, Optional.empty());
        }
    }

    /**
     * A point of the list before power, looked at.
     *
     * @param of id of the line, gate or switch meant; empty for the whole job
     * @param inOrder whether it is as it should be; if not, the note says why it was left so
     */
    record Checked(Check check, Optional<String> of, boolean inOrder) implements Observed {}

    /** The reading that this one corrects was wrong and nothing takes its place; the note says why. */
    record Voided() implements Observed {}

    /**
     * A stretch of the line looked over without finding anything, from the spot of the observation on.
     *
     * @param toM station where it ended then; the place itself is in {@code toPlace}
     */
    record LookedOver(double toM, GeoPoint toPlace) implements Observed {}

    /** The energizer, its supply and its rods gone over without finding anything. */
    record SupplyChecked() implements Observed {}

    /** Of an indicator. */
    enum Light {
        LIT,
        WEAK,
        DARK
    }

    /** What is looked at before power is put on. */
    enum Check {
        NOBODY_NEAR,
        WIRES_CLEAR,
        HOT_WIRES_APART,
        JOINTS_TIGHT,
        GATE_RIGHT,
        CABLE_WHOLE,
        SWITCH_CLOSED,
        RODS_CLAMPED,
        SIGNS_UP,
        CONNECTED_IN_ORDER
    }

    /** Of a current, as the stations of the line run. */
    enum Direction {
        TOWARDS_FINISH,
        TOWARDS_START,
        UNKNOWN
    }

    /** What can be seen along a fence. */
    enum Thing {
        INSULATOR_CRACKED,
        INSULATOR_MISSING,
        WIRE_ON_POST,
        WIRE_BROKEN,
        WIRE_ON_GROUND,
        SOIL_ON_WIRE,
        GROWTH_IN_WIRES,
        JOINT_LOOSE,
        SWITCH_BURNT,
        CABLE_DAMAGED,
        POST_DOWN,
        LIMB_ON_WIRE,
        WIRE_SLACK,
        ROD_LOOSE,
        GROUND_DRY,
        ANIMAL_THROUGH,
        OTHER
    }

    /** What a peak voltmeter shows. */
    sealed interface Voltage permits Peak, EarthTerminal, Unpowered {
        /** No fence holds more than this; a larger number is a slip of the decimal point. */
        double MOST_V = 20_000;

        /** A peak of some volts is a slip of the unit: no meter of fences shows less. */
        double LEAST_V = 10;

        /** What the meter showed; for an over-range reading the end of its range. */
        double peakV();

        /** Whether the meter could show no more: there is at least this. */
        boolean overRange();

        /** End of the meter's range, when known. */
        OptionalDouble rangeV();

        /** Smallest step the meter shows, when known. */
        OptionalDouble resolutionV();
    }

    private static void checkVoltage(double peakV, OptionalDouble rangeV) {
        if (!(peakV >= 0 && peakV <= Voltage.MOST_V)) {
            throw new IllegalArgumentException(
                    "the peak is " + Math.round(peakV)
                            + " V; a reading lies between 0 and 20 kV, and a meter that shows more, as 99.9 kV, is over its range: mark it so");
        }
        if (rangeV.isPresent() && !(rangeV.getAsDouble() > 0 && rangeV.getAsDouble() <= Voltage.MOST_V)) {
            throw new IllegalArgumentException("rangeV must lie between 0 and 20 000 V");
        }
        if (rangeV.isPresent() && peakV > rangeV.getAsDouble()) {
            throw new IllegalArgumentException("the reading of " + peakV + " V is beyond the meter's range of "
                    + rangeV.getAsDouble()
                    + " V; mark it as over range instead");
        }
    }

    private static void checkWire(int wire, int least) {
        if (wire < least || wire > 16) {
            throw new IllegalArgumentException("wire must lie between " + least + " and 16");
        }
    }

    private static void checkResolution(String field, OptionalDouble step, double most, String unit) {
        if (step.isPresent() && !(step.getAsDouble() > 0 && step.getAsDouble() <= most)) {
            throw new IllegalArgumentException(
                    field + " is " + step.getAsDouble() + "; it lies above 0 and up to " + (long) most + " " + unit);
        }
    }

    private static void checkRange(String field, double value, double most, String unit) {
        if (!(value >= 0 && value <= most)) {
            throw new IllegalArgumentException(
                    field + " is " + value + "; it lies between 0 and " + (long) most + " " + unit);
        }
    }
}
