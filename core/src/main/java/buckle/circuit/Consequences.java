package buckle.circuit;

import buckle.circuit.Electrics.Earth;
import buckle.circuit.Electrics.EarthCase;
import buckle.circuit.Electrics.Supply;
import buckle.circuit.Solver.Spot;
import buckle.land.Contacts;
import buckle.land.LandFeature;
import buckle.land.LandKind;
import buckle.land.Surroundings;
import buckle.land.Traits.Soil;
import buckle.layout.FeedPlace;
import buckle.layout.Finding;
import buckle.layout.Layout;
import buckle.layout.Severity;
import buckle.power.Battery;
import buckle.power.Energizers;
import buckle.pulse.Place;
import buckle.pulse.Plate;
import buckle.rulebook.Values;
import buckle.site.GeoPoint;
import buckle.spec.GroundSchool;
import buckle.spec.Plan;
import buckle.spec.Power;
import buckle.spec.WireRole;
import buckle.units.Lengths;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/** What the circuit asks of the earth, and of battery and sun. */
final class Consequences {
    private static final double LONGER_ROD = 1.5;
    private static final double CABLE_M = 5;
    private static final double CABLE_MM2 = 2.5;

    private final Plan plan;
    private final Surroundings around;
    private final Layout layout;
    private final Trial trial;
    private final Solver solver;
    private final Conditions likely;
    private final List<Finding> findings;

    Consequences(
            Plan plan,
            Layout layout,
            Surroundings around,
            Trial trial,
            Solver solver,
            Conditions likely,
            List<Finding> findings) {
        this.plan = plan;
        this.layout = layout;
        this.around = around;
        this.trial = trial;
        this.solver = solver;
        this.likely = likely;
        this.findings = findings;
    }

    Earth noEarth() {
        return new Earth("", 0, 0, 0, Values.G9_ROD_V, false, List.of(), List.of(), List.of(), "", "", List.of());
    }

    Earth earth(ElectricsPlanner.Depth depth, Optional<Spot> weakest) {
        FeedPlace feed = layout.feed().orElseThrow();
        Power.GroundState state = likely.ground();
        double soil = solver.feedSoilOhmM(state);
        FenceCircuit fence = solver.fence(likely, Trial.NONE);
        Optional<Place> far = fence.farthest();
        double ohm = solver.rodsOhm(state);
        boolean all = depth == ElectricsPlanner.Depth.ALL;
        double test = far.filter(p -> all)
                .map(p -> Solver.earthTestV(fence, ohm, p, Values.G9_FENCE_V))
                .orElse(0.0);
        boolean good = test <= Values.G9_ROD_V;
        if (!good) {
            findings.add(Finding.ofJob(
                    "G9",
                    Severity.WARN,
                    "In " + state.text() + " ground the last rod would read " + Math.round(test)
                            + " V in the earth test, over " + Math.round(Values.G9_ROD_V)
                            + " V: more rods, longer ones, wetter ground, or earth wires."));
        }
        List<EarthCase> schools = new ArrayList<>();
        List<EarthCase> improvements = new ArrayList<>();
        List<EarthCase> seasons = new ArrayList<>();
        if (all) {
            for (FeedPlace.RodCount school : feed.schools()) {
                schools.add(rods(
                        school.school().rule(),
                        Optional.of(school.school()),
                        school.rods(),
                        school.rodM(),
                        soil,
                        fence,
                        far));
            }
            improvements.add(rods("one more rod", Optional.empty(), feed.rods() + 1, feed.rodM(), soil, fence, far));
            improvements.add(rods(
                    "rods half as long again",
                    Optional.empty(),
                    feed.rods(),
                    feed.rodM() * LONGER_ROD,
                    soil,
                    fence,
                    far));
            for (Power.GroundState s : Power.GroundState.values()) {
                seasons.add(rods(
                        s.text(),
                        Optional.empty(),
                        feed.rods(),
                        feed.rodM(),
                        solver.feedSoilOhmM(s),
                        solver.fence(likely.with(s), Trial.NONE),
                        far));
            }
        }
        return new Earth(
                state.text(),
                soil,
                ohm,
                test,
                Values.G9_ROD_V,
                good,
                schools,
                improvements,
                seasons,
                moist(feed),
                wires(seasons, good),
                all && weakest.isPresent() ? new Shocks(plan, solver, likely, trial).at(weakest.get()) : List.of());
    }

    private EarthCase rods(
            String name,
            Optional<GroundSchool> school,
            int rods,
            double rodM,
            double soil,
            FenceCircuit fence,
            Optional<Place> far) {
        double ohm = solver.rodsOhm(rods, rodM, soil);
        double test = far.map(p -> Solver.earthTestV(fence, ohm, p, Values.G9_FENCE_V))
                .orElse(0.0);
        return new EarthCase(name, school, rods, rodM, soil, ohm, test, test <= Values.G9_ROD_V);
    }

    /** The nearest ground that stays moist. */
    private String moist(FeedPlace feed) {
        GeoPoint at = GeoPoint.of(feed.lonDeg(), feed.latDeg());
        var plane = plan.site().plane();
        return around.land().features().stream()
                .filter(Consequences::staysMoist)
                .min(Comparator.comparingDouble(f -> Contacts.distanceM(f, at, plane)))
                .map(f -> "The nearest ground that stays moist, “" + f.title() + "”, is "
                        + Lengths.text(
                                Contacts.distanceM(f, at, plane), plan.spec().units())
                        + " from the energizer; rods there serve through an insulated cable.")
                .orElse("No ground that stays moist is drawn on the property.");
    }

    private static boolean staysMoist(LandFeature f) {
        return f.kind() == LandKind.CREEK
                || f.kind() == LandKind.STANDING_WATER
                || f.traits()
                        .soil()
                        .filter(s -> s == Soil.WET || s == Soil.CLAY)
                        .isPresent();
    }

    private String wires(List<EarthCase> seasons, boolean good) {
        boolean has = layout.lines().stream().anyMatch(l -> l.schedule().count(WireRole.EARTH) > 0);
        boolean badSeason = seasons.stream().anyMatch(s -> !s.good());
        if (has) {
            return plan.spec().build().wires().earthTied()
                    ? "Earth wires are tied to the energizer's earth terminal: they carry the return where the ground does not."
                    : "Earth wires are merely grounded along the way: what returns in them passes through the ground and the rods all the same (G14).";
        }
        return !good || badSeason
                ? "In bad seasons rods alone do not carry the return: earth wires tied to the energizer would (G14)."
                : "The ground carries the return; earth wires are not needed for it.";
    }

    Supply supply(Plate plate, double weakestV) {
        Power power = plan.spec().power();
        double loaded = 1 - Math.clamp(weakestV / plate.openV(), 0, 1);
        double draw = Energizers.drawW(plate, power.mode(), loaded);
        double used = draw * 24 / Battery.VOLTS;
        double drop = Battery.cableDropV(draw, CABLE_M, CABLE_MM2);
        var season = plan.spec().build().season();
        if (power.supply() == Power.Supply.MAINS) {
            return new Supply(
                    draw,
                    used,
                    0,
                    0,
                    0,
                    0,
                    0,
                    List.of(),
                    String.format(
                            Locale.ROOT,
                            "From the mains, %.1f W. The energizer stands dry, out of the sun, and its earth keeps clear of the building's (C10).",
                            draw));
        }
        boolean sun = power.supply() == Power.Supply.SOLAR;
        Battery.Plant plant = new Battery.Plant(
                draw,
                power.batteryAh(),
                sun ? power.panelW() : 0,
                power.tiltDeg(),
                Values.E6_DIRT_SHARE,
                power.sunshineShare());
        Battery.Climate climate =
                new Battery.Climate(layout.feed().orElseThrow().latDeg(), season.coldC(), season.warmC());
        double toHalf = Battery.daysToHalf(plant, season.coldC());
        double toEmpty = Battery.daysToEmpty(plant, season.coldC());
        double leastAh = Battery.leastAh(draw, power.darkDays(), season.coldC());
        double leastW = sun ? Battery.leastPanelW(plant, climate) : 0;
        List<Battery.Month> year = sun ? Battery.year(plant, climate) : List.of();
        supplyFindings(power, sun, toHalf, leastAh, leastW, year);
        return new Supply(
                draw,
                used,
                toHalf,
                toEmpty,
                leastAh,
                Double.isInfinite(leastW) ? 0 : leastW,
                drop,
                year,
                String.format(
                        Locale.ROOT,
                        "%.1f W takes %.2f Ah a day; %.0f Ah at %.0f °C lasts %.1f days to half charge, %.1f to empty, without sun.",
                        draw,
                        used,
                        power.batteryAh(),
                        season.coldC(),
                        toHalf,
                        toEmpty));
    }

    private void supplyFindings(
            Power power, boolean sun, double toHalf, double leastAh, double leastW, List<Battery.Month> year) {
        if (toHalf < power.darkDays()) {
            findings.add(Finding.ofJob(
                    "E4",
                    Severity.WARN,
                    String.format(
                            Locale.ROOT,
                            "A %.0f Ah battery lasts %.1f days above half charge in the cold, %d are asked for: at least %.0f Ah.",
                            power.batteryAh(),
                            toHalf,
                            power.darkDays(),
                            leastAh)));
        }
        if (sun && Double.isInfinite(leastW)) {
            findings.add(Finding.ofJob(
                    "E5", Severity.WARN, "In the darkest month no sun rises here: no panel keeps the battery up."));
        } else if (sun && leastW > power.panelW()) {
            findings.add(Finding.ofJob(
                    "E5",
                    Severity.WARN,
                    String.format(
                            Locale.ROOT,
                            "A %.0f W panel does not make what the darkest month takes: at least %.0f W.",
                            power.panelW(),
                            leastW)));
        }
        year.stream()
                .filter(m -> m.lowestShare() <= 0)
                .findFirst()
                .ifPresent(m -> findings.add(Finding.ofJob(
                        "E4", Severity.WARN, "The battery runs empty in month " + m.month() + " and may freeze.")));
    }
}
