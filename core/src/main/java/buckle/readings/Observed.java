package buckle.readings;

import java.util.OptionalDouble;

/** What was measured or seen. */
public sealed interface Observed {
    /**
     * Peak of the pulse on a wire against the earth.
     *
     * @param wire number of the wire from the ground up, 1 the lowest; 0 for the joined hot wires
     */
    record Peak(int wire, double peakV, boolean overRange, OptionalDouble rangeV) implements Observed, Voltage {
        public Peak {
            checkWire(wire, 0);
            checkVoltage(peakV, rangeV);
        }
    }

    /** Peak at the earth terminal against a probe away from the rods: what the earth of the energizer drops. */
    record EarthTerminal(double peakV, boolean overRange, OptionalDouble rangeV) implements Observed, Voltage {
        public EarthTerminal {
            checkVoltage(peakV, rangeV);
        }
    }

    /** Peak on a wire that should carry none. */
    record Unpowered(int wire, double peakV, boolean overRange, OptionalDouble rangeV) implements Observed, Voltage {
        public Unpowered {
            checkWire(wire, 1);
            checkVoltage(peakV, rangeV);
        }
    }

    /** Peak of the current in the hot wires at a place, and which way the meter says it flows. */
    record Current(double peakA, Direction direction) implements Observed {
        /** No pulse drives more than this. */
        public static final double MOST_A = 500;

        public Current {
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

    /** Something seen that lets the pulse off, or will. */
    record Seen(Thing thing) implements Observed {}

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
        OTHER
    }

    /** What a peak voltmeter shows. */
    sealed interface Voltage permits Peak, EarthTerminal, Unpowered {
        /** No fence holds more than this; a larger number is a slip of the decimal point. */
        double MOST_V = 20_000;

        /** What the meter showed; for an over-range reading the end of its range. */
        double peakV();

        /** Whether the meter could show no more: there is at least this. */
        boolean overRange();

        /** End of the meter's range, when known. */
        OptionalDouble rangeV();
    }

    private static void checkVoltage(double peakV, OptionalDouble rangeV) {
        if (!(peakV >= 0 && peakV <= Voltage.MOST_V)) {
            throw new IllegalArgumentException(
                    "the peak is " + Math.round(peakV) + " V; a reading lies between 0 and 20 kV");
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

    private static void checkRange(String field, double value, double most, String unit) {
        if (!(value >= 0 && value <= most)) {
            throw new IllegalArgumentException(
                    field + " is " + value + "; it lies between 0 and " + (long) most + " " + unit);
        }
    }
}
