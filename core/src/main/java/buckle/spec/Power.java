package buckle.spec;

import static buckle.spec.Ranges.between;

import buckle.power.Energizers;
import buckle.pulse.Plate;
import buckle.rulebook.Values;
import java.util.Optional;

/**
 * What drives the fence, and in what state it is judged.
 *
 * @param energizer empty until one is chosen: the recommended one is reckoned with
 * @param growth what is in the wires
 * @param insulators what state they are in
 * @param ground how wet the ground is
 * @param rodApartM between ground rods
 * @param sunshineShare of the hours of daylight, mean of the year
 * @param darkDays without sun the battery has to last
 * @param fitting how battery and panel are put up
 * @param model what no plate and no map tells of the pulse
 */
public record Power(
        Optional<Plate> energizer,
        Overgrowth growth,
        Insulators insulators,
        GroundState ground,
        Supply supply,
        Energizers.Mode mode,
        double rodApartM,
        double rodDiameterM,
        double batteryAh,
        double panelW,
        double tiltDeg,
        double sunshineShare,
        int darkDays,
        Fitting fitting,
        PulseModel model) {
    public static final Power USUAL = new Power(
            Optional.empty(),
            Overgrowth.LIGHT,
            Insulators.SOUND,
            GroundState.MOIST,
            Supply.MAINS,
            Energizers.Mode.FULL,
            3.05,
            0.016,
            70,
            30,
            60,
            0.4,
            7,
            Fitting.USUAL,
            PulseModel.USUAL);

    /**
     * How battery and panel are put up.
     *
     * @param cableM from panel to battery to energizer
     * @param cableMm2 of each of its two copper wires
     * @param dirtShare of the light that dirt, snow and shade keep off the panel
     */
    public record Fitting(double cableM, double cableMm2, double dirtShare) {
        public static final Fitting USUAL = new Fitting(5, 2.5, Values.E6_DIRT_SHARE);

        public Fitting {
            between("power.fitting.cableM", cableM, 0, 200);
            between("power.fitting.cableMm2", cableMm2, 0.2, 100);
            between("power.fitting.dirtShare", dirtShare, 0, 0.95);
        }
    }

    /** Where the energizer gets its power. */
    public enum Supply {
        MAINS,
        BATTERY,
        SOLAR
    }

    /** State of the ground in a season; the factor on its resistivity is assumed. */
    public enum GroundState {
        MOIST("moist", 1),
        DRY("dry", Values.G12_DRY_FACTOR),
        FROZEN("frozen", Values.G12_FROZEN_FACTOR);

        private final String text;
        private final double factor;

        GroundState(String text, double factor) {
            this.text = text;
            this.factor = factor;
        }

        /** As it is said on screen. */
        public String text() {
            return text;
        }

        /** Times the soil's usual resistivity. */
        public double factor() {
            return factor;
        }
    }

    public Power {
        between("power.rodApartM", rodApartM, 0.3, 30);
        between("power.rodDiameterM", rodDiameterM, 0.005, 0.1);
        between("power.batteryAh", batteryAh, 1, 2000);
        between("power.panelW", panelW, 0, 2000);
        between("power.tiltDeg", tiltDeg, 0, 90);
        between("power.sunshineShare", sunshineShare, 0, 1);
        between("power.darkDays", darkDays, 0, 60);
    }

    /** With an energizer chosen. */
    public Power with(Plate chosen) {
        return new Power(
                Optional.of(chosen),
                growth,
                insulators,
                ground,
                supply,
                mode,
                rodApartM,
                rodDiameterM,
                batteryAh,
                panelW,
                tiltDeg,
                sunshineShare,
                darkDays,
                fitting,
                model);
    }
}
