package buckle.circuit;

import buckle.pulse.Damping;
import buckle.pulse.EnergizerRating;
import buckle.pulse.Source;
import buckle.spec.Circumstances;
import buckle.spec.Deviation;
import buckle.spec.GroundState;
import buckle.spec.Growth;
import buckle.spec.Insulators;
import buckle.spec.Yardstick;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.Optional;

/**
 * What is assumed about a fence, each with its likely value; the range of an answer comes from moving one at a time.
 *
 * @param leakFactor on the assumed leakage
 * @param soilFactor on the resistivity of the ground, besides its season
 * @param steelMuR permeability of steel wire
 * @param damping across the energizer's terminals; empty where the plate decides
 * @param deviation of this fence from all that, by readings of it in order; that of its earth is the {@link Solver}'s
 * @param wire where in their tolerance the wires' resistances lie: −1 as low as they may, 0 as they should, 1 as high
 */
@RecordBuilder
public record Conditions(
        EnergizerRating plate,
        Growth growth,
        Insulators insulators,
        GroundState ground,
        double leakFactor,
        double soilFactor,
        double steelMuR,
        int wire,
        Optional<Damping> damping,
        Deviation deviation)
        implements ConditionsBuilder.With {
    /** As the job says they are, nothing varied. */
    public static Conditions likely(EnergizerRating plate, Circumstances circumstances) {
        return new Conditions(
                plate,
                circumstances.growth(),
                circumstances.insulators(),
                circumstances.ground(),
                1,
                1,
                circumstances.model().steelMuR().likely(),
                0,
                circumstances.model().likelyDamping(),
                circumstances
                        .yardstick()
                        .map(y -> of(y, y.found(), plate).withEarth(0))
                        .orElse(Deviation.NONE));
    }

    /** What a yardstick says of the energizer holds for the one it was read with. */
    static Deviation of(Yardstick yardstick, Deviation deviation, EnergizerRating plate) {
        return yardstick.plate().equals(plate) ? deviation : deviation.withoutEnergizer();
    }

    Conditions moved(Deviation by, double part) {
        return withDeviation(deviation.plus(by, part));
    }

    /** Times what is reckoned to leak there. */
    double leakFactor(String lineId, double stationM) {
        return leakFactor * Math.exp(deviation.leakage(lineId, stationM));
    }

    double steel() {
        return Math.clamp(steelMuR * Math.exp(deviation.steel()), 1, 10_000);
    }

    double soil() {
        return soilFactor * Math.exp(deviation.soil());
    }

    /** Of the earth rods, besides what the yardstick found. */
    double earth() {
        return Math.exp(deviation.earth());
    }

    /** Whether the plate leaves room for the damping somebody said. */
    boolean dampingFits() {
        return damping.isEmpty() || plate.source(damping.get()).isPresent();
    }

    /** What drives the fence: with the damping somebody said where the plate leaves room for it. */
    Source source() {
        Deviation d = deviation;
        return damping.flatMap(plate::source)
                .orElseGet(plate::source)
                .times(
                        Math.exp(d.volts()),
                        Math.exp(d.capacitor()),
                        Math.exp(d.coil()),
                        Math.exp(d.resistance()),
                        Math.exp(d.bleed()),
                        Math.exp(d.terminal()));
    }
}
