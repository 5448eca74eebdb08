package buckle.units;

import java.util.Locale;
import java.util.OptionalDouble;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Reads and writes lengths: {@code 84 ft 6 in}, {@code 84' 6 1/2"}, {@code 25.76 m}, {@code 510 mm}. */
public final class Lengths {
    /** Source: international foot, 1959 agreement: exactly 0.3048 m. */
    public static final double M_PER_FT = 0.3048;

    public static final double M_PER_IN = M_PER_FT / 12;

    /** No tape reads finer. */
    public static final double TAPE_M = 0.001;

    private static final String NUMBER = "(\\d+(?:[.,]\\d+)?)";
    private static final Pattern METRIC = Pattern.compile("^" + NUMBER + "\\s*(m|cm|mm|km)?$");
    private static final Pattern FEET = Pattern.compile("^" + NUMBER + "\\s*(?:ft|feet|foot|'|′)$");
    private static final Pattern FEET_INCHES = Pattern.compile("^(?:" + NUMBER + "\\s*(?:ft|feet|foot|'|′)\\s*)?(?:"
            + NUMBER + "(?:\\s+(\\d+)/(\\d+))?|(\\d+)/(\\d+))\\s*(?:in|inch|inches|\"|″)$");

    private Lengths() {}

    /** Feet in metres. */
    public static double ft(double feet) {
        return feet * M_PER_FT;
    }

    /** Inches in metres. */
    public static double in(double inches) {
        return inches * M_PER_IN;
    }

    /**
     * Length in metres of what a person typed; empty when it is not a length.
     *
     * @param bare how a number without unit is read: feet or metres
     */
    public static OptionalDouble parseM(String text, UnitSystem bare) {
        String t = text.trim().toLowerCase(Locale.ROOT);
        Matcher metric = METRIC.matcher(t);
        if (metric.matches()) {
            return OptionalDouble.of(number(metric.group(1)) * metricFactor(metric.group(2), bare));
        }
        Matcher feet = FEET.matcher(t);
        if (feet.matches()) {
            return OptionalDouble.of(ft(number(feet.group(1))));
        }
        Matcher both = FEET_INCHES.matcher(t);
        return both.matches() ? feetInchesM(both) : OptionalDouble.empty();
    }

    private static OptionalDouble feetInchesM(Matcher m) {
        double feet = m.group(1) == null ? 0 : number(m.group(1));
        double inches = m.group(2) == null ? 0 : number(m.group(2));
        String top = m.group(3) != null ? m.group(3) : m.group(5);
        String bottom = m.group(4) != null ? m.group(4) : m.group(6);
        if (bottom != null && number(bottom) == 0) {
            return OptionalDouble.empty();
        }
        double fraction = top == null ? 0 : number(top) / number(bottom);
        return OptionalDouble.of(ft(feet) + in(inches + fraction));
    }

    private static double metricFactor(String unit, UnitSystem bare) {
        return switch (unit) {
            case "mm" -> 0.001;
            case "cm" -> 0.01;
            case "km" -> 1000;
            case "m" -> 1;
            case null, default -> bare == UnitSystem.METRIC ? 1 : M_PER_FT;
        };
    }

    private static double number(String text) {
        return Double.parseDouble(text.replace(',', '.'));
    }

    /** A length for a sentence: {@code 812 ft 4 in} or {@code 247.6 m}; short lengths in inches or millimetres. */
    public static String text(double lengthM, UnitSystem units) {
        if (units == UnitSystem.METRIC) {
            long mm = Math.round(lengthM * 1000);
            if (mm == 0) {
                return "0 m";
            }
            return Math.abs(mm) < 2000 ? mm + " mm" : fixed(lengthM, 1) + " m";
        }
        if (Math.abs(lengthM) < in(0.05)) {
            return "0 ft";
        }
        return Math.abs(lengthM) < ft(4) ? trimmed(lengthM / M_PER_IN) + " in" : feetAndInches(lengthM);
    }

    /** How many parts of at most so much a length takes; a millimetre over makes no further part. */
    public static int parts(double lengthM, double eachM) {
        return (int) Math.max(1, Math.ceil((lengthM - TAPE_M) / eachM - 1e-9));
    }

    /** What a saw is set to: up to the next 10 mm or the next inch, never short. */
    public static double sawnM(double lengthM, UnitSystem units) {
        double step = units == UnitSystem.METRIC ? 0.01 : M_PER_IN;
        return Math.ceil(lengthM / step - 1e-6) * step;
    }

    /** A long length where inches say nothing: {@code 2,060 ft} or {@code 628 m}. */
    public static String whole(double lengthM, UnitSystem units) {
        return units == UnitSystem.METRIC
                ? String.format(Locale.ROOT, "%,d m", Math.round(lengthM))
                : String.format(Locale.ROOT, "%,d ft", Math.round(lengthM / M_PER_FT));
    }

    /** A length as it is read off a tape: to 5 mm ({@code 25.805 m}) or the 1/8 in ({@code 84 ft 6 1/8 in}). */
    public static String taped(double lengthM, UnitSystem units) {
        if (units == UnitSystem.METRIC) {
            double rounded = Math.round(lengthM / 0.005) * 0.005;
            return Math.abs(rounded) < 1 ? Math.round(rounded * 1000) + " mm" : fixed(rounded, 3) + " m";
        }
        long eighths = Math.round(Math.abs(lengthM) / M_PER_IN * 8);
        long feet = eighths / 96;
        long inches = eighths % 96 / 8;
        long part = eighths % 8;
        int divisor = part % 4 == 0 ? 4 : part % 2 == 0 ? 2 : 1;
        StringBuilder text = new StringBuilder(lengthM < 0 && eighths > 0 ? "-" : "");
        if (feet > 0) {
            text.append(String.format(Locale.ROOT, "%,d ft", feet));
        }
        if (inches > 0 || part > 0 || feet == 0) {
            text.append(feet > 0 ? " " : "");
            text.append(inches > 0 || part == 0 ? String.valueOf(inches) : "");
            text.append(part == 0 ? "" : (inches > 0 ? " " : "") + part / divisor + "/" + 8 / divisor);
            text.append(" in");
        }
        return text.toString();
    }

    private static String feetAndInches(double lengthM) {
        long inches = Math.round(Math.abs(lengthM) / M_PER_IN);
        String sign = lengthM < 0 ? "-" : "";
        String feet = String.format(Locale.ROOT, "%,d ft", inches / 12);
        return sign + (inches % 12 == 0 ? feet : feet + " " + inches % 12 + " in");
    }

    private static String trimmed(double value) {
        String one = fixed(value, 1);
        return one.endsWith(".0") ? one.substring(0, one.length() - 2) : one;
    }

    private static String fixed(double value, int places) {
        return String.format(Locale.ROOT, "%,." + places + "f", value);
    }
}
