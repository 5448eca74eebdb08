package buckle.message;

import static buckle.message.English.animals;
import static buckle.message.English.kv;

import buckle.message.CircuitMessage.*;
import buckle.pulse.RatingDoubt;
import buckle.pulse.Source;
import java.text.DecimalFormat;
import java.text.DecimalFormatSymbols;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;

/** What the pulse, the energizer, the earth and the battery have to say, in words. */
final class EnglishCircuit {
    private static final double AS_NONE_OHM = 1e6;

    private final English en;

    EnglishCircuit(English en) {
        this.en = en;
    }

    String text(CircuitMessage message) {
        return switch (message) {
            case PlateDoubted m -> doubt(m.doubt()) + (m.replaced() ? " The recommended one is used instead." : "");
            case OneEnergyComputed m ->
                String.format(
                        Locale.ROOT,
                        "The rating plate gives one energy; %.3g J %s are computed %s",
                        m.energyJ(),
                        m.stored() ? "stored" : "into 500 Ω",
                        m.share().isEmpty()
                                ? "from its voltage at 100 Ω."
                                : "as usual, " + Math.round(100 * m.share().getAsDouble())
                                        + " % of what is stored come out.");
            case DampingDoesNotFit m ->
                "The rating plate of " + m.plate()
                        + " leaves no room for the damping across its terminals that this job says; the pair that fits the plate is used instead.";
            case OverFiveJoules m ->
                m.plate() + " puts out more than 5 J. Ask whether the local code allows it where people come near.";
            case Recommended m -> recommended(m);
            case NotSolved m -> m.reason();
            case PulseVeryHigh m ->
                "Here the pulse is predicted at " + kv(m.peakV())
                        + ", more than is met in practice; a reading there tells.";
            case PulseTooLow m ->
                "Here the pulse peaks at " + kv(m.likelyV()) + " (" + kv(m.lowV()) + " to " + kv(m.highV())
                        + "), the animals need " + kv(m.needV())
                        + ". A stronger energizer, less growth, better wire or a second lead-out.";
            case NoJumper m -> "no jumper joins " + wires(m.wires()) + " to a wire that is fed";
            case NoJoint m -> "no joint leads the pulse here";
            case DeadFrom m ->
                (m.allWires() ? "From here nothing is fed: " : "From here a wire is dead: ") + text(m.why()) + ".";
            case ReserveNone m ->
                switch (m.none()) {
                    case NO_NEED -> "The voltage these animals need is not known.";
                    case UNDER_NEED -> "None: the weakest point is already under what the animals need.";
                    case ENDLESS -> "Leakage may grow a thousandfold and the animals still get what they need.";
                };
            case ReserveFactor m ->
                String.format(
                        Locale.ROOT,
                        "Leakage may grow to %.3g times that of %s before the weakest point falls under what the animals need.",
                        m.factor(),
                        m.read() ? "the fence as it was read" : m.growth().text());
            case Assumed m ->
                switch (m) {
                    case LEAKAGE -> "Leakage of growth and insulators";
                    case GROUND_RESISTIVITY -> "Resistivity of the ground under the fence";
                    case STEEL_PERMEABILITY -> "Permeability of steel wire";
                    case CONDUCTORS -> "Resistance of the conductors and their joints";
                    case PLATE_VOLTAGES -> "Voltages on the rating plate";
                    case ALONG -> "What is read far along the fence";
                    case ROD_RESISTANCE -> "Resistance of the ground rods";
                    case DAMPING -> "Damping across the energizer's terminals";
                    case READINGS -> "Leakage, ground, rods and energizer by the readings in order";
                };
            case Setting m -> setting(m);
            case Change m -> change(m, "");
            case Instead m -> change(m.change(), m.of());
            case ChangeDoes m -> does(m.change());
            case SecondWay m ->
                m.none()
                        ? "the weakest end lies where the fence is fed: a second way in cannot help it"
                        : en.length(m.lengthM()) + " of cable; never a second energizer (C3)";
            case SectionFalls m ->
                "the pulse stays as it is; the longest section falls from " + en.length(m.beforeM()) + " to "
                        + en.length(m.afterM()) + ": a fault there is found in fewer steps";
            case LastRodTooHigh m ->
                "In " + m.ground().text() + " ground the last rod would read " + Math.round(m.testV())
                        + " V in the earth test, over " + Math.round(m.mostV())
                        + " V: more rods, longer ones, wetter ground, or earth wires.";
            case Rods m ->
                switch (m) {
                    case ONE_MORE -> "one more rod";
                    case LONGER -> "rods half as long again";
                    case WATERED -> "the ground at the rods kept wet";
                };
            case RodsIn m -> "the same rods in “" + m.ground() + "”";
            case CableNotCounted m -> "the cable there is left out";
            case ShortRod m ->
                m.iron() ? "one angle iron of " + en.length(m.lengthM()) : "one stub of " + en.length(m.lengthM());
            case ShortRodWhy m ->
                m.iron()
                        ? "where stone stops a rod (G6)"
                        : "all that rock lets in (G7): several, kept wet, or earth wires";
            case MoistGround m ->
                "The nearest ground that stays moist, “" + m.feature() + "”, is " + en.length(m.distanceM())
                        + " from the energizer; rods can go there, with insulated cable to the energizer.";
            case NoMoistGround m -> "No ground that stays moist is drawn on the property.";
            case EarthWires m ->
                switch (m) {
                    case ARE_TIED ->
                        "Earth wires are tied to the energizer's earth terminal: they carry the return where the ground does not.";
                    case ARE_GROUNDED ->
                        "Earth wires are merely grounded along the way: what returns in them passes through the ground and the rods all the same.";
                    case WOULD_CARRY ->
                        "In bad seasons rods alone do not carry the return: earth wires tied to the energizer would.";
                    case NOT_NEEDED -> "The ground carries the return; earth wires are not needed for it.";
                };
            case Contact m -> contact(m);
            case ContactHow m -> how(m.contact());
            case Bodies m -> animals(m.animals());
            case FromMains m ->
                String.format(
                        Locale.ROOT,
                        "From the mains, %.1f W. The energizer stands dry, out of the sun and beyond the reach of stock, with a switch that is reached without touching the fence; its earth keeps clear of the building's (C10).%s",
                        m.drawW(),
                        m.leadOutM() > 0
                                ? " The lead-out to the fence is " + en.length(m.leadOutM())
                                        + " of cable rated for the fence's voltage, never mains cable (C9)."
                                : " Give the energizer its place on the plan, and the lead-out is measured.");
            case FromBattery m ->
                String.format(
                                Locale.ROOT,
                                "%.1f W%s takes %.2f Ah a day; %s Ah at %s lasts %.1f days to half charge, %.1f to empty, without sun.",
                                m.drawW(),
                                m.byPlate() ? " from the rating plate" : "",
                                m.usedAhPerDay(),
                                English.number(m.batteryAh()),
                                en.temperature(m.coldC()),
                                m.daysToHalf(),
                                m.daysToEmpty())
                        + (m.inTurn() > 1
                                ? String.format(
                                        Locale.ROOT,
                                        " %d in turn: swap them every %.1f days at half charge (E4); some swap them empty, every %.1f days, which wears them out (X8).",
                                        m.inTurn(),
                                        m.daysToHalf(),
                                        m.daysToEmpty())
                                : "");
            case BatterySmall m ->
                String.format(
                        Locale.ROOT,
                        "A %s Ah battery lasts %.1f days above half charge in the cold, %d are asked for: at least %.0f Ah.",
                        English.number(m.batteryAh()),
                        m.daysToHalf(),
                        m.darkDays(),
                        m.leastAh());
            case NoPanelDoes m ->
                m.dark()
                        ? "In the darkest month no sun rises here: no panel keeps the battery up."
                        : "The cable takes what a larger panel would bring: make it shorter or thicker.";
            case PanelSmall m ->
                String.format(
                        Locale.ROOT,
                        "A %.0f W panel does not make what the darkest month takes: at least %.0f W.",
                        m.panelW(),
                        m.leastW());
            case BatteryEmpty m -> "The battery runs empty in month " + m.month() + " and may freeze.";
        };
    }

    private static String wires(List<Integer> wires) {
        String numbers = wires.stream().map(String::valueOf).collect(Collectors.joining(", "));
        return (wires.size() == 1 ? "wire " : "wires ") + numbers + " from the ground";
    }

    static String doubt(RatingDoubt doubt) {
        return switch (doubt) {
            case RatingDoubt.MoreUnderLoad d ->
                "The rating plate gives more voltage under load (" + Math.round(d.v500()) + " V) than open ("
                        + Math.round(d.openV()) + " V).";
            case RatingDoubt.MoreOutThanStored d ->
                "The rating plate gives " + d.outJ() + " J out of " + d.storedJ() + " J stored: no energizer does.";
            case RatingDoubt.NothingGivesIt d ->
                String.format(
                        Locale.ROOT,
                        "No capacitor, coil and resistance give %s together with %.0f V open and %.0f V at 500 Ω.",
                        d.storedJ().isPresent()
                                ? d.storedJ().getAsDouble() + " J stored and "
                                        + d.outJ().orElseThrow() + " J into 500 Ω"
                                : "the energy on this rating plate",
                        d.openV(),
                        d.v500());
            case RatingDoubt.OffAt100 d ->
                "The rating plate says " + Math.round(d.v100()) + " V at 100 Ω; from its other numbers "
                        + Math.round(d.fittedV())
                        + " V would stand there. Short or overgrown fences are computed by those.";
        };
    }

    private static String recommended(Recommended m) {
        String because = switch (m.because()) {
            case SMALLEST_WITH_SPARE ->
                "the smallest that holds and reaches that in heavy growth with a fifth to spare";
            case NONE_BETTER -> "none does better; the fence itself needs to change";
            case NONE_REACHES -> "none up to 5 J brings more into the animal; earth wires or better ground would";
            case LITTLE_SPARE -> "it holds in heavy growth with little to spare, and none up to 5 J holds more";
            case HOLDS_TODAY ->
                "it holds in today's growth; in heavy growth none up to 5 J does, so keep the fence mown";
        };
        String need = English.orElse(m.needV(), v -> " against the " + kv(v) + " needed", "");
        String energy = m.inAnimal()
                .map(a -> ", and " + joules(a.bodyJ()) + " J in the animal there, which wants " + joules(a.needJ())
                        + " J (V14)")
                .orElse("");
        return "The " + m.plate() + " energizer: " + kv(m.cleanV()) + " clean and " + kv(m.heavyV())
                + " in heavy growth at the weakest point" + need + energy + "; " + because + "."
                + (m.leastOutputJ() > 0
                        ? String.format(
                                Locale.ROOT, " Pigs take an energizer of %.0f J or more (V5).", m.leastOutputJ())
                        : "");
    }

    private static String joules(double energyJ) {
        return String.format(Locale.ROOT, energyJ < 1 ? "%.2f" : "%.1f", energyJ);
    }

    private static String setting(Setting setting) {
        return switch (setting) {
            case GrowthIs s -> s.growth().text();
            case GroundIs s -> s.state().text();
            case Times s -> times(s.factor());
            case Percent s -> percent(s.percent());
            case NumberIs s -> digits(s.value());
            case As s ->
                switch (s) {
                    case MADE -> "as made";
                    case PLATE -> "as it says";
                    case COMPUTED -> "as computed";
                    case READ -> "as found";
                    case LEFT_OPEN -> "what they left open";
                };
            case WireAndWoven s -> share(s.wirePercent()) + "; woven " + (s.wovenFactor() < 1 ? "half" : "double");
            case Dampings s ->
                s.pairs().isEmpty()
                        ? "no other fits"
                        : s.pairs().stream().map(EnglishCircuit::damping).collect(Collectors.joining(", "));
        };
    }

    private static String times(double factor) {
        if (factor == 1.0 / 3) {
            return "a third";
        }
        return factor == 3
                ? "three times"
                : factor == 0.5 ? "half" : factor == 2 ? "double" : digits(factor) + " times";
    }

    private static String percent(double percent) {
        return digits(Math.abs(percent)) + " % " + (percent < 0 ? "less" : "more");
    }

    private static String share(double percent) {
        return Math.abs(percent) == 10 ? "a tenth " + (percent < 0 ? "less" : "more") : percent(percent);
    }

    private static String digits(double value) {
        return new DecimalFormat("0.##", DecimalFormatSymbols.getInstance(Locale.ROOT)).format(value);
    }

    private static String damping(Source s) {
        return s.bleedOhm().orElse(AS_NONE_OHM) >= AS_NONE_OHM && s.terminalF().isEmpty()
                ? "none"
                : digits(s.bleedOhm().orElse(AS_NONE_OHM) / 1000) + " kΩ with "
                        + digits(s.terminalF().orElse(0) * 1e9) + " nF";
    }

    private static String change(Change change, String of) {
        return switch (change) {
            case AS_PLANNED -> "as planned";
            case ALUMINIUM -> "aluminium instead of " + of;
            case HIGH_TENSILE -> "high-tensile steel instead of " + of;
            case ALL_HOT -> "all wires hot";
            case EARTH_ALONG -> "earth wires merely grounded along the way";
            case EARTH_TIED -> "earth wires tied to the energizer's earth";
            case EVERY_SECOND_EARTH -> "every second wire earth, tied to the energizer";
            case SECOND_LEAD_OUT ->
                of.isEmpty() ? "a second lead-out" : "a second lead-out to the weakest end or switch";
            case ONE_MORE_CUT_OUT -> "one more cut-out";
        };
    }

    private static String does(Change change) {
        return switch (change) {
            case AS_PLANNED, SECOND_LEAD_OUT, ONE_MORE_CUT_OUT -> "";
            case ALUMINIUM ->
                "less lost along the wire (S7), softer to strain; lines with a conductor of their own keep it";
            case HIGH_TENSILE -> "holds the pull; lines with a conductor of their own keep it";
            case ALL_HOT -> "the ground carries the return";
            case EARTH_ALONG -> "what returns in the earth wires then goes through the rods all the same (G14)";
            case EARTH_TIED -> "what returns in the earth wires then goes through no rod (G14)";
            case EVERY_SECOND_EARTH -> "the wire carries the return where dry, stony or frozen ground does not";
        };
    }

    private static String contact(Contact contact) {
        return switch (contact) {
            case StandardLoad c -> "the standard's 500 Ω";
            case OnGround c -> "wire and " + c.state().text() + " ground";
            case OnSnow c -> "wire and dry snow";
            case OnEarthWire c -> c.tied() ? "hot wire and tied earth wire" : "hot wire and merely grounded earth wire";
        };
    }

    private static String how(Contact contact) {
        return switch (contact) {
            case StandardLoad c -> "to compare energizers by";
            case OnGround c -> "the return is the ground under the feet: all-hot wiring";
            case OnSnow c -> "dry snow insulates";
            case OnEarthWire c ->
                c.tied()
                        ? "the return is the earth wire back to the energizer: true hot and earth"
                        : "the return is the nearest rod of the earth wire and the ground";
        };
    }
}
