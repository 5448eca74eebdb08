package buckle.circuit;

import buckle.pulse.Plate;
import buckle.spec.Overgrowth;
import buckle.spec.Power;

/**
 * What is assumed about a fence, each with its likely value; the range of an answer comes from moving one at a time.
 *
 * @param leakFactor on the assumed leakage
 * @param soilFactor on the resistivity of the ground, besides its season
 * @param steelMuR permeability of steel wire
 * @param voltFactor on the plate's voltages
 * @param earthFactor on the resistance of the rods
 */
public record Conditions(
        Plate plate,
        Overgrowth growth,
        Power.GroundState ground,
        double leakFactor,
        double soilFactor,
        double steelMuR,
        double voltFactor,
        double earthFactor,
        Plate.Damping damping) {
    public static Conditions likely(Plate plate, Power power) {
        return likely(plate, power.growth(), power.ground());
    }

    public static Conditions likely(Plate plate, Overgrowth growth, Power.GroundState ground) {
        return new Conditions(plate, growth, ground, 1, 1, 100, 1, 1, Plate.Damping.LIKELY);
    }

    Conditions withLeak(double factor) {
        return new Conditions(plate, growth, ground, factor, soilFactor, steelMuR, voltFactor, earthFactor, damping);
    }

    Conditions withSoil(double factor) {
        return new Conditions(plate, growth, ground, leakFactor, factor, steelMuR, voltFactor, earthFactor, damping);
    }

    Conditions withSteel(double muR) {
        return new Conditions(plate, growth, ground, leakFactor, soilFactor, muR, voltFactor, earthFactor, damping);
    }

    Conditions withVolts(double factor) {
        return new Conditions(plate, growth, ground, leakFactor, soilFactor, steelMuR, factor, earthFactor, damping);
    }

    Conditions withEarth(double factor) {
        return new Conditions(plate, growth, ground, leakFactor, soilFactor, steelMuR, voltFactor, factor, damping);
    }

    Conditions with(Plate.Damping other) {
        return new Conditions(plate, growth, ground, leakFactor, soilFactor, steelMuR, voltFactor, earthFactor, other);
    }
}
