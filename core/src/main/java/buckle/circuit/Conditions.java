package buckle.circuit;

import buckle.pulse.Damping;
import buckle.pulse.Plate;
import buckle.spec.Insulators;
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
        Insulators insulators,
        Power.GroundState ground,
        double leakFactor,
        double soilFactor,
        double steelMuR,
        double voltFactor,
        double earthFactor,
        Damping damping) {
    public static Conditions likely(Plate plate, Power power) {
        return new Conditions(
                plate,
                power.growth(),
                power.insulators(),
                power.ground(),
                1,
                1,
                power.model().steelMuR().likely(),
                1,
                1,
                power.model().likelyDamping());
    }

    Conditions with(Overgrowth other) {
        return new Conditions(
                plate, other, insulators, ground, leakFactor, soilFactor, steelMuR, voltFactor, earthFactor, damping);
    }

    Conditions with(Power.GroundState other) {
        return new Conditions(
                plate, growth, insulators, other, leakFactor, soilFactor, steelMuR, voltFactor, earthFactor, damping);
    }

    Conditions withLeak(double factor) {
        return new Conditions(
                plate, growth, insulators, ground, factor, soilFactor, steelMuR, voltFactor, earthFactor, damping);
    }

    Conditions withSoil(double factor) {
        return new Conditions(
                plate, growth, insulators, ground, leakFactor, factor, steelMuR, voltFactor, earthFactor, damping);
    }

    Conditions withSteel(double muR) {
        return new Conditions(
                plate, growth, insulators, ground, leakFactor, soilFactor, muR, voltFactor, earthFactor, damping);
    }

    Conditions withVolts(double factor) {
        return new Conditions(
                plate, growth, insulators, ground, leakFactor, soilFactor, steelMuR, factor, earthFactor, damping);
    }

    Conditions withEarth(double factor) {
        return new Conditions(
                plate, growth, insulators, ground, leakFactor, soilFactor, steelMuR, voltFactor, factor, damping);
    }

    Conditions with(Damping other) {
        return new Conditions(
                plate, growth, insulators, ground, leakFactor, soilFactor, steelMuR, voltFactor, earthFactor, other);
    }
}
