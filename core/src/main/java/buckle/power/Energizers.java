package buckle.power;

import buckle.pulse.EnergizerRating;
import buckle.rulebook.Values;
import java.util.List;
import java.util.OptionalDouble;

/** Invented energizers of no maker, from 0.1 to 20 J, to plan with until the supplier's plate is at hand. */
public final class Energizers {
    /** Over this output into 500 ohm an energizer is for trained people only. Source: IEC 60335-2-76, from memory. */
    public static final double MUCH_J = 5;

    private static final double PER_MINUTE = 45;

    private Energizers() {}

    /** Their prices are made up as they are. */
    public static final List<EnergizerRating> GENERIC = List.of(
            plate("0.1 J", 0.14, 0.1, 7000, 2400, 90),
            plate("0.25 J", 0.35, 0.25, 7500, 3400, 120),
            plate("0.5 J", 0.7, 0.5, 8000, 4000, 150),
            plate("1 J", 1.35, 1, 8000, 4600, 190),
            plate("2 J", 2.7, 2, 8000, 5000, 260),
            plate("3 J", 4, 3, 8200, 5300, 330),
            plate("5 J", 6.8, 5, 8600, 5800, 450),
            plate("8 J", 11, 8, 9000, 6200, 640),
            plate("12 J", 16.5, 12, 9500, 6600, 860),
            plate("20 J", 27, 20, 10000, 7000, 1250));

    private static EnergizerRating plate(
            String size, double storedJ, double out500J, double openV, double v500, double price) {
        return new EnergizerRating(
                "generic " + size,
                OptionalDouble.of(storedJ),
                OptionalDouble.of(out500J),
                openV,
                v500,
                OptionalDouble.empty(),
                PER_MINUTE,
                EnergizerRating.Draw.NOT_SAID,
                OptionalDouble.of(price));
    }

    /** Power modes and what they take. */
    public enum Mode {
        FULL("full, all day", 1, 1),
        /** The pulse comes half as often. */
        SLOW("slow pulse", 0.5, 1),
        /** By day only, or by night only. */
        HALF_DAY("half the day, by a light switch", 1, 0.5),
        /** Half the energy while the fence is clean, all of it when it is loaded. */
        ADAPTIVE("by the load on the fence", 1, 1);

        private final String text;
        private final double pulses;
        private final double hours;

        Mode(String text, double pulses, double hours) {
            this.text = text;
            this.pulses = pulses;
            this.hours = hours;
        }

        /** As it is said on screen. */
        public String text() {
            return text;
        }
    }

    /**
     * Mean power over a day: as the plate says, otherwise by pulses, energy and losses (E1).
     *
     * @param loaded 0 for a clean fence, 1 for one that takes all the energizer gives
     */
    public static double drawW(EnergizerRating plate, Mode mode, double loaded) {
        EnergizerRating.Draw said = plate.draw();
        if (mode == Mode.SLOW && said.slowW().isPresent()) {
            return said.slowW().getAsDouble();
        }
        double reckoned = reckonedW(plate, mode, loaded);
        return said.fullW().isEmpty()
                ? reckoned
                : said.fullW().getAsDouble() * reckoned / reckonedW(plate, Mode.FULL, loaded);
    }

    private static double reckonedW(EnergizerRating plate, Mode mode, double loaded) {
        double share = mode == Mode.ADAPTIVE ? 0.5 + 0.5 * Math.clamp(loaded, 0, 1) : 1;
        double pulsesPerS = plate.perMinute() / 60 * mode.pulses;
        return mode.hours
                * (Values.E1_ELECTRONICS_W + pulsesPerS * plate.energy().storedJ() * share / Values.E1_EFFICIENCY);
    }
}
