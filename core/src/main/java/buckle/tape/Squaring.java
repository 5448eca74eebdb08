package buckle.tape;

import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * Squaring a rectangle A B C D with front A–B: the diagonal to tape, 3-4-5 marks, and what to move when the two diagonals
 * differ.
 *
 * <p>Source: Pythagoras; for a parallelogram with front a sheared by s, AC² − BD² = 4 a s.
 *
 * @param diagonalM the true diagonal; {@code diagonal} is it to the 1/8 in or 5 mm
 * @param markFrontM 3-4-5 mark along the front from A; {@code markSideM} along the side, {@code markAcrossM} between them
 * @param shiftM how far C and D go along the back, positive from C towards D; empty without measured diagonals
 */
public record Squaring(
        double frontM,
        double sideM,
        double diagonalM,
        String diagonal,
        double markFrontM,
        double markSideM,
        double markAcrossM,
        String marks,
        OptionalDouble shiftM,
        Optional<String> move) {
    private static final double LEAST_M = 0.3;
    private static final double MOST_M = 2000;

    /**
     * The numbers for a rectangle.
     *
     * @param acM measured diagonal from front corner A to the far corner C, when there is one yet; with {@code bdM}
     */
    public static Squaring of(double frontM, double sideM, OptionalDouble acM, OptionalDouble bdM, UnitSystem units) {
        between("front", frontM);
        between("side", sideM);
        double diagonal = Math.hypot(frontM, sideM);
        double unit = markUnitM(Math.min(frontM / 4, sideM / 3), units);
        String marks = "From A, mark " + Lengths.text(4 * unit, units) + " along the front and "
                + Lengths.text(3 * unit, units) + " along the side; between the marks it is "
                + Lengths.text(5 * unit, units) + " when the corner is square (3-4-5).";
        OptionalDouble shift = OptionalDouble.empty();
        Optional<String> move = Optional.empty();
        if (acM.isPresent() && bdM.isPresent()) {
            double ac = acM.getAsDouble();
            double bd = bdM.getAsDouble();
            if (!(ac > Math.abs(frontM - sideM) && ac < frontM + sideM)
                    || !(bd > Math.abs(frontM - sideM) && bd < frontM + sideM)) {
                throw new IllegalArgumentException(
                        "a diagonal is shorter than front and side together and longer than their difference");
            }
            double s = (ac * ac - bd * bd) / (4 * frontM);
            shift = OptionalDouble.of(s);
            move = Optional.of(sentence(s, ac, bd, diagonal, units));
        }
        return new Squaring(
                frontM,
                sideM,
                diagonal,
                Lengths.taped(diagonal, units),
                4 * unit,
                3 * unit,
                5 * unit,
                marks,
                shift,
                move);
    }

    private static String sentence(double s, double ac, double bd, double diagonal, UnitSystem units) {
        double fine = units == UnitSystem.METRIC ? 0.0025 : Lengths.in(1.0 / 16);
        if (Math.abs(s) < fine) {
            double out = (ac + bd) / 2 - diagonal;
            return Math.abs(out) < 2 * fine
                    ? "Square: both diagonals are right. Leave it."
                    : "Square, but both diagonals are " + Lengths.taped(Math.abs(out), units)
                            + (out > 0 ? " too long" : " too short") + ": check front and side.";
        }
        String towards = s > 0 ? "from C towards D" : "from D towards C";
        return "Leave A and B. Move C and D both " + Lengths.taped(Math.abs(s), units) + " along the back, " + towards
                + "; then both diagonals are " + Lengths.taped(diagonal, units) + ".";
    }

    private static void between(String what, double lengthM) {
        if (!(lengthM >= LEAST_M && lengthM <= MOST_M)) {
            throw new IllegalArgumentException("the " + what + " must lie between 0.3 m and 2000 m");
        }
    }

    /** The largest handy unit that fits: whole feet or metres, else half ones, else what there is. */
    private static double markUnitM(double roomM, UnitSystem units) {
        double one = units == UnitSystem.METRIC ? 1 : Lengths.M_PER_FT;
        for (double unit : new double[] {10 * one, 5 * one, 3 * one, 2 * one, one, one / 2, one / 4}) {
            if (unit <= roomM) {
                return unit;
            }
        }
        return roomM;
    }
}
