package buckle.simulation;

import buckle.pulse.Circuit;
import buckle.pulse.Fault;
import buckle.pulse.LineType;
import buckle.pulse.LineWire;
import buckle.pulse.Run;
import buckle.pulse.Source;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.OptionalDouble;
import java.util.Random;

/**
 * A real fence drawn for a plan: leakage of all runs and of each, ground, steel, rods and energizer differ from what was planned, and
 * from one season to another. How far is ours, after what is assumed of plans (V13); it is not what a diagnosis believes.
 */
public final class TrueFence {
    private static final double LEAKAGE_SD = 0.35;
    private static final double FACTOR_TWO = Math.log(2);
    private static final double SOURCE_SHARE = 0.05;
    private static final double GROWING = 0.08;
    private static final double SEASON_SD = 0.15;
    private static final double SOIL_SD = 0.2;
    private static final double EARTH_SD = 0.15;
    private static final double SUPPLY_SD = 0.01;
    private static final double STEEL = 1.5;

    private final Circuit plan;
    private final Map<String, Double> leakage = new HashMap<>();
    private final Map<String, Double> leakageNow = new HashMap<>();
    private final double soil;
    private final double soilNow;
    private final double steelMuR;
    private final double earthOhm;
    private final double earthNow;
    private final Source source;
    private final double supplyNow;

    /** @param random the same seed draws the same fence */
    public TrueFence(Circuit plan, Random random) {
        this.plan = plan;
        double all = LEAKAGE_SD * random.nextGaussian();
        double season = GROWING + SEASON_SD * random.nextGaussian();
        for (Run run : plan.runs()) {
            double own = all + LEAKAGE_SD * random.nextGaussian();
            leakage.put(run.id(), Math.exp(own));
            leakageNow.put(run.id(), Math.exp(own + season + SEASON_SD * random.nextGaussian()));
        }
        soil = Math.exp(FACTOR_TWO * even(random));
        soilNow = soil * Math.exp(SOIL_SD * random.nextGaussian());
        steelMuR = Math.exp(FACTOR_TWO * even(random));
        earthOhm = plan.earthOhm() * Math.exp(FACTOR_TWO * even(random));
        earthNow = earthOhm * Math.exp(EARTH_SD * random.nextGaussian());
        Source s = plan.source();
        source = new Source(
                s.chargedV() * (1 + SOURCE_SHARE * even(random)),
                s.faradF() * (1 + SOURCE_SHARE * even(random)),
                s.henryH() * (1 + SOURCE_SHARE * even(random)),
                s.ohm() * (1 + SOURCE_SHARE * even(random)),
                OptionalDouble.of(2000 * Math.pow(15, random.nextDouble())),
                OptionalDouble.of(Math.max(1e-12, 2e-9 * random.nextDouble())));
        supplyNow = 1 + SUPPLY_SD * random.nextGaussian();
    }

    /** Between −1 and 1. */
    private static double even(Random random) {
        return 2 * random.nextDouble() - 1;
    }

    /** As it stood when it was commissioned. */
    public Circuit healthy() {
        return circuit(leakage, soil, earthOhm, 1, List.of());
    }

    /**
     * As it stands now.
     *
     * @param earthOhm of a poor earth; empty for what the season made of it
     * @param supply share of the voltage that the energizer still gives
     */
    public Circuit now(List<Fault> faults, OptionalDouble earthOhm, double supply) {
        return circuit(leakageNow, soilNow, earthOhm.orElse(earthNow), supplyNow * supply, faults);
    }

    /** Growth over a stretch as leaks side by side, a few metres apart. */
    public static List<Fault> growth(String run, double fromM, double toM, double siemensPerM) {
        int n = Math.max(2, (int) Math.ceil((toM - fromM) / 10));
        List<Fault> all = new ArrayList<>();
        for (int i = 0; i < n; i++) {
            double at = fromM + (toM - fromM) * (i + 0.5) / n;
            all.add(new Fault(Fault.Kind.SHUNT, new buckle.pulse.Place(run, at), n / (siemensPerM * (toM - fromM))));
        }
        return all;
    }

    private Circuit circuit(Map<String, Double> leak, double ground, double earth, double supply, List<Fault> faults) {
        List<Run> runs = new ArrayList<>();
        for (Run run : plan.runs()) {
            LineType t = run.type();
            LineType type = t.cable().isPresent()
                    ? t
                    : LineType.overGround(
                            t.strands().stream().map(this::wire).toList(),
                            t.leakSPerM() * Objects.requireNonNull(leak.get(run.id())),
                            t.soilOhmM() * ground);
            runs.add(new Run(run.id(), run.parent(), run.lengthM(), type, run.open(), run.joins()));
        }
        Source fed = new Source(
                source.chargedV() * supply,
                source.faradF(),
                source.henryH(),
                source.ohm(),
                source.bleedOhm(),
                source.terminalF());
        return new Circuit(plan.name(), plan.model(), fed, earth, plan.earthTied(), runs, faults);
    }

    private LineWire wire(LineWire w) {
        return w.muR() > STEEL ? new LineWire(w.heightM(), w.diameterM(), w.ohmPerM(), w.muR() * steelMuR, w.hot()) : w;
    }
}
