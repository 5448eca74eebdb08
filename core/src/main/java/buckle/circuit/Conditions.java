package buckle.circuit;

import buckle.pulse.Damping;
import buckle.pulse.Plate;
import buckle.pulse.Source;
import buckle.spec.Insulators;
import buckle.spec.Overgrowth;
import buckle.spec.Power;
import java.util.Optional;

/**
 * What is assumed about a fence, each with its likely value; the range of an answer comes from moving one at a time.
 *
 * @param leakFactor on the assumed leakage
 * @param soilFactor on the resistivity of the ground, besides its season
 * @param steelMuR permeability of steel wire
 * @param damping across the energizer's terminals; empty where the plate decides
 * @param wire where in their tolerance the wires' resistances lie: −1 as low as they may, 0 as they should, 1 as high
 */
public record Conditions(
        Plate plate,
        Overgrowth growth,
        Insulators insulators,
        Power.GroundState ground,
        double leakFactor,
        double soilFactor,
        double steelMuR,
        int wire,
        Optional<Damping> damping) {
    /** As the job says they are, nothing varied. */
    public static Conditions likely(Plate plate, Power power) {
        return new Conditions(
                plate,
                power.growth(),
                power.insulators(),
                power.ground(),
                1,
                1,
                power.model().steelMuR().likely(),
                0,
                power.model().likelyDamping());
    }

    /** Whether the plate leaves room for the damping somebody said. */
    boolean dampingFits() {
        return damping.isEmpty() || plate.source(damping.get()).isPresent();
    }

    /** What drives the fence: with the damping somebody said where the plate leaves room for it. */
    Source source() {
        return damping.flatMap(plate::source).orElseGet(plate::source);
    }

    Conditions with(Overgrowth other) {
        return new Conditions(plate, other, insulators, ground, leakFactor, soilFactor, steelMuR, wire, damping);
    }

    Conditions with(Power.GroundState other) {
        return new Conditions(plate, growth, insulators, other, leakFactor, soilFactor, steelMuR, wire, damping);
    }

    Conditions withLeak(double factor) {
        return new Conditions(plate, growth, insulators, ground, factor, soilFactor, steelMuR, wire, damping);
    }

    Conditions withSoil(double factor) {
        return new Conditions(plate, growth, insulators, ground, leakFactor, factor, steelMuR, wire, damping);
    }

    Conditions withSteel(double muR) {
        return new Conditions(plate, growth, insulators, ground, leakFactor, soilFactor, muR, wire, damping);
    }

    Conditions withWire(int end) {
        return new Conditions(plate, growth, insulators, ground, leakFactor, soilFactor, steelMuR, end, damping);
    }
}
