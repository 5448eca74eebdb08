package buckle.message;

import static buckle.message.EnglishReadings.kv;

import buckle.message.CommissionMessage.*;
import buckle.units.Lengths;
import buckle.units.UnitSystem;
import java.util.Locale;

/** The list before power, the round, the yardstick and the certificate in words. */
final class EnglishCommission {
    private EnglishCommission() {}

    static String text(CommissionMessage message, UnitSystem units) {
        return switch (message) {
            case ToCheck m -> check(m, units);
            case Predicted m -> predicted(m);
            case UnpoweredIs m ->
                m.peakV() < m.leakV()
                        ? "nearly nothing, as it should be (X11)"
                        : kv(m.peakV()) + " on unpowered wire " + m.wire()
                                + (m.hotV().isPresent()
                                        ? " beside " + kv(m.hotV().getAsDouble()) + " on the hot ones"
                                        : "")
                                + ": a leak into it is worth a look (X11)";
            case EarthTested m -> earth(m);
            case BatteryIs m ->
                m.batteryV() >= m.fullV()
                        ? "charged"
                        : m.batteryV() >= m.halfV()
                                ? String.format(Locale.ROOT, "partly charged; full is about %.1f V at rest", m.fullV())
                                : String.format(
                                        Locale.ROOT,
                                        "under half charge (about %.1f V at rest): charge it (E4)",
                                        m.halfV());
            case NotPredicted m ->
                switch (m) {
                    case NOT_FED -> "nothing feeds this place as the plan joins the wires";
                    case OVER_RANGE -> "over the meter's range: a wider range tells";
                };
            case Found m ->
                switch (m) {
                    case LEAKAGE -> "Leakage of growth and insulators";
                    case EARTH -> "Resistance of the ground rods";
                    case SUPPLY -> "Voltage of the energizer";
                    case SOIL -> "Resistivity of the ground under the fence";
                    case STEEL -> "Permeability of steel wire";
                    case FAR_END -> "What the far end reads";
                };
            case Before m ->
                switch (m.what()) {
                    case LEAKAGE, SOIL -> m.as();
                    case SUPPLY -> "as its plate says";
                    case STEEL, EARTH -> "as usual";
                    case FAR_END -> "as computed";
                };
            case After m -> times(m.factor()) + " (" + number(m.low()) + " to " + number(m.high()) + ")";
            case Ohms m ->
                m.lowOhm() == m.highOhm()
                        ? number(m.ohm()) + " Ω as computed"
                        : number(m.ohm()) + " Ω (" + number(m.lowOhm()) + " to " + number(m.highOhm()) + ")";
            case LeaksLike m ->
                "This fence leaks like " + m.growth().text()
                        + (Math.abs(m.factor() - 1) < 0.05
                                ? ""
                                : ", " + number(m.factor()) + " times (" + number(m.low()) + " to " + number(m.high())
                                        + ")")
                        + ".";
            case NothingToFit m ->
                "No reading can be used: it takes voltages or currents on hot wires, within the meter's range, where the line runs today.";
            case FitsNothing m ->
                (m.volts()
                                ? kv(m.read()) + " where about " + kv(m.likely()) + " would fit the other readings"
                                : String.format(
                                        Locale.ROOT,
                                        "%.1f A where about %.1f A would fit the other readings",
                                        Math.abs(m.read()),
                                        Math.abs(m.likely())))
                        + (m.aboveFeed() ? "; it is higher than what feeds it" : "")
                        + ": read it again.";
            case OwnerDoes m ->
                switch (m) {
                    case METER -> "Use a meter, never a hand, to see whether the fence is live.";
                    case SWITCHES ->
                        "Know where the switches are, and open one only with the energizer off or with an insulated handle.";
                    case GROWTH ->
                        "Keep growth off the lowest hot wire; read the fence every week in the growing season.";
                    case AFTER_STORM ->
                        "Read the fence after storm, snow and frost, and look for limbs and slack wires.";
                    case EARTH -> "Keep the earth rods in moist ground, and look at their clamps once a year.";
                    case BATTERY -> "Look at the battery every week, and keep it above half charge.";
                    case OFF_BEFORE_WORK -> "Switch the energizer off and isolate it before hands touch the wire.";
                };
        };
    }

    private static String check(ToCheck check, UnitSystem units) {
        return switch (check) {
            case NobodyNear m -> "Nobody, and no animal, is at the fence; everybody there knows that it is put on";
            case WiresClear m ->
                "“" + m.line() + "” walked, " + Lengths.text(m.lengthM(), units)
                        + ": nothing lies on the wires or hangs in them";
            case HotWiresApart m ->
                "“" + m.line() + "”: no hot wire near barbed wire, old fence or metal"
                        + (m.braces() == 0 ? "" : ", nor touching a diagonal of its " + count(m.braces(), "brace"));
            case JointsTight m ->
                "“" + m.line() + "”: " + count(m.joints(), "joint") + " tight, all strands under the clamp";
            case GateRight m ->
                "“" + m.name() + "”: "
                        + (m.kind().cabled()
                                ? "cable led past it, leaf free of hot wires"
                                : m.kind().conducts()
                                        ? "handles hooked on, dead in the hand when open"
                                        : "wires end at both posts, leaf free of them");
            case CableWhole m ->
                (m.leadOut() ? "Lead-out" : "Cable at “" + m.name() + "”")
                        + ": both ends told by continuity, hot from earth, rated for the fence";
            case SwitchClosed m -> "Switch “" + m.name() + "” closed, its contacts clean";
            case RodsClamped m ->
                count(m.rods(), "ground rod") + ": lead clamped to each, tight, apart from the building's earth";
            case SignsUp m -> count(m.signs(), "warning sign") + " up, gates and public side first";
            case ConnectedInOrder m ->
                "Connected in order: fence, then earth, then the " + (m.mains() ? "plug" : "battery") + " last";
        };
    }

    private static String count(int n, String what) {
        return n + " " + what + (n == 1 ? "" : "s");
    }

    private static String predicted(Predicted m) {
        double unit = m.current() ? 1 : 1000;
        String range = String.format(
                Locale.ROOT, "%.1f to %.1f %s", Math.max(0, m.low()) / unit, m.high() / unit, m.current() ? "A" : "kV");
        return switch (m.how()) {
            case AS_PREDICTED -> "as predicted, " + range;
            case LOWER -> "lower than predicted, " + range;
            case MUCH_LOWER -> "much lower than predicted, " + range + ": look for what lets the pulse off";
            case HIGHER -> "higher than predicted, " + range;
            case MUCH_HIGHER ->
                "much higher than predicted, " + range + ": read again; an open wire beyond it lifts what is before it";
        };
    }

    private static String earth(EarthTested m) {
        String shorted = m.fenceV().isEmpty()
                ? "; short the fence far out until it reads about " + kv(m.shortV()) + ", or this says little"
                : m.fenceV().getAsDouble() > 2000
                        ? "; the fence still read " + kv(m.fenceV().getAsDouble()) + ": short it further"
                        : "";
        return (m.peakV() <= m.goodV()
                        ? "the earth holds"
                        : m.peakV() <= m.mostV()
                                ? "just within what is usual (" + kv(m.mostV()) + ")"
                                : "over " + kv(m.mostV()) + ": more or better ground rods")
                + " (G9)" + shorted;
    }

    private static String times(double factor) {
        return number(factor) + " times";
    }

    private static String number(double x) {
        return String.format(Locale.ROOT, x >= 10 ? "%.0f" : "%.2f", x);
    }
}
