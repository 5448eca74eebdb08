package buckle.spec;

import static buckle.spec.Ranges.between;

import buckle.power.Energizers;
import buckle.pulse.EnergizerRating;
import buckle.rulebook.Values;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/**
 * What drives the fence: energizer, ground rods, and where the power comes from.
 *
 * @param energizer empty until one is chosen: the recommended one is calculated with
 * @param countedJ output in joules for the rod school that counts by it, until an energizer is chosen
 * @param leadOutSpareM added to the straight way from energizer to fence
 * @param leadOutSwitch whether a switch in the lead-out, beside the gate, turns all off (X7)
 */
@RecordBuilder
public record Supply(
        Optional<EnergizerRating> energizer,
        double countedJ,
        Energizers.Mode mode,
        Source source,
        double leadOutSpareM,
        boolean leadOutSwitch,
        Earth earth,
        Battery battery)
        implements SupplyBuilder.With {
    public static final Supply USUAL = new Supply(
            Optional.empty(),
            3,
            Energizers.Mode.FULL,
            Source.MAINS,
            5,
            false,
            new Earth(GroundSchool.THREE_RODS, 3.05, 0.016, List.of(), OptionalDouble.empty()),
            new Battery(70, 30, 60, 0.4, 7, 5, 2.5, Values.E6_DIRT_SHARE, 1, 1, 12, Optional.empty()));

    public Supply {
        between("supply.countedJ", countedJ, 0.01, 100);
        between("supply.leadOutSpareM", leadOutSpareM, 0, 1000);
    }

    /** Output the rods are counted by: the chosen energizer's, otherwise as said. */
    public double outputJ() {
        return energizer.map(e -> e.energy().outJ()).orElse(countedJ);
    }

    /** Where the energizer gets its power. */
    public enum Source {
        MAINS,
        BATTERY,
        SOLAR
    }

    /**
     * Ground rods.
     *
     * @param rodApartM between two rods
     * @param found rods one by one, as found or wanted (X4); empty where the school says how many
     * @param leadM how much lead there is from the energizer to the last rod; empty where it is cut to length
     */
    @RecordBuilder
    public record Earth(
            GroundSchool school, double rodApartM, double rodDiameterM, List<EarthRod> found, OptionalDouble leadM)
            implements SupplyEarthBuilder.With {
        private static final int MOST_FOUND = 12;

        public Earth {
            found = List.copyOf(found);
            if (found.size() > MOST_FOUND) {
                throw new IllegalArgumentException("at most " + MOST_FOUND + " kinds of rods are told one by one");
            }
            leadM.ifPresent(m -> between("supply.earth.leadM", m, 0.5, 1000));
            between("supply.earth.rodApartM", rodApartM, 0.3, 30);
            between("supply.earth.rodDiameterM", rodDiameterM, 0.005, 0.1);
        }
    }

    /**
     * Battery and panel, and how they are put up.
     *
     * @param sunshineShare of the hours of daylight, mean of the year
     * @param darkDays without sun the battery has to last
     * @param cableM from panel to battery to energizer
     * @param cableMm2 of each of its two copper wires
     * @param dirtShare of the light that dirt, snow and shade keep off the panel
     * @param inTurn batteries that are swapped in turn, one at the fence and the others charging
     * @param lastSwap day on which a full battery was last brought
     * @param fromMonth first month in which the fence is up, {@code toMonth} the last; over the new year where it is the earlier one
     */
    @RecordBuilder
    public record Battery(
            double batteryAh,
            double panelW,
            double tiltDeg,
            double sunshineShare,
            int darkDays,
            double cableM,
            double cableMm2,
            double dirtShare,
            int inTurn,
            int fromMonth,
            int toMonth,
            Optional<LocalDate> lastSwap)
            implements SupplyBatteryBuilder.With {
        public Battery {
            between("supply.battery.batteryAh", batteryAh, 1, 2000);
            between("supply.battery.panelW", panelW, 0, 2000);
            between("supply.battery.tiltDeg", tiltDeg, 0, 90);
            between("supply.battery.sunshineShare", sunshineShare, 0, 1);
            between("supply.battery.darkDays", darkDays, 0, 60);
            between("supply.battery.cableM", cableM, 0, 200);
            between("supply.battery.cableMm2", cableMm2, 0.2, 100);
            between("supply.battery.dirtShare", dirtShare, 0, 0.95);
            between("supply.battery.inTurn", inTurn, 1, 10);
            between("supply.battery.fromMonth", fromMonth, 1, 12);
            between("supply.battery.toMonth", toMonth, 1, 12);
            lastSwap.ifPresent(d -> between("year of supply.battery.lastSwap", d.getYear(), 1990, 2200));
        }

        /** Whether the fence is up in a month, from 1 to 12. */
        public boolean up(int month) {
            return fromMonth <= toMonth
                    ? fromMonth <= month && month <= toMonth
                    : month >= fromMonth || month <= toMonth;
        }

        /** Whether it is up all the year. */
        public boolean allYear() {
            return fromMonth == 1 && toMonth == 12;
        }
    }
}
