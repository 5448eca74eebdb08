package buckle.circuit;

import buckle.circuit.Electrics.Supply;
import buckle.layout.FeedPlace;
import buckle.layout.Finding;
import buckle.layout.Layout;
import buckle.layout.Severity;
import buckle.power.Battery;
import buckle.power.Energizers;
import buckle.pulse.Plate;
import buckle.spec.Build;
import buckle.spec.Plan;
import buckle.spec.Power;
import buckle.units.Lengths;
import buckle.units.Temperatures;
import java.util.List;
import java.util.Locale;

/** What the energizer asks of battery and sun, or of the mains. */
final class SupplyJudge {
    private static final double NO_SUN_MJ_PER_M2 = 0.05;

    private final Plan plan;
    private final Power power;
    private final FeedPlace feed;
    private final Build.Season season;
    private final Plate plate;
    private final double drawW;

    SupplyJudge(Plan plan, Layout layout, Plate plate, double weakestV) {
        this.plan = plan;
        this.power = plan.spec().power();
        this.feed = layout.feed().orElseThrow();
        this.season = plan.spec().build().season();
        this.plate = plate;
        double loaded = 1 - Math.clamp(weakestV / plate.openV(), 0, 1);
        this.drawW = Energizers.drawW(plate, power.mode(), loaded);
    }

    Supply judge(List<Finding> findings) {
        if (power.supply() == Power.Supply.MAINS) {
            return new Supply(drawW, drawW * 24 / Battery.VOLTS, 0, 0, 0, 0, 0, List.of(), mains());
        }
        boolean sun = power.supply() == Power.Supply.SOLAR;
        Battery.Plant plant = new Battery.Plant(
                drawW,
                power.batteryAh(),
                sun ? power.panelW() : 0,
                power.tiltDeg(),
                power.fitting().dirtShare(),
                power.sunshineShare(),
                Battery.cableOhm(power.fitting().cableM(), power.fitting().cableMm2()));
        Battery.Climate climate = new Battery.Climate(feed.latDeg(), season.coldC(), season.warmC());
        double used = Battery.usedAhPerDay(plant);
        double toHalf = Battery.daysToHalf(plant, season.coldC());
        double toEmpty = Battery.daysToEmpty(plant, season.coldC());
        double leastAh = Battery.leastAh(plant, power.darkDays(), season.coldC());
        double leastW = sun ? Battery.leastPanelW(plant, climate) : 0;
        List<Battery.Month> year = sun ? Battery.year(plant, climate) : List.of();
        findings(findings, sun, toHalf, leastAh, leastW, year);
        return new Supply(
                drawW,
                used,
                toHalf,
                toEmpty,
                leastAh,
                Double.isInfinite(leastW) ? 0 : leastW,
                Battery.cableDropV(plant),
                year,
                String.format(
                        Locale.ROOT,
                        "%.1f W%s takes %.2f Ah a day; %.0f Ah at %s lasts %.1f days to half charge, %.1f to empty, without sun.",
                        drawW,
                        plate.draw().fullW().isPresent() ? " by the plate" : "",
                        used,
                        power.batteryAh(),
                        Temperatures.text(season.coldC(), plan.spec().units()),
                        toHalf,
                        toEmpty));
    }

    private String mains() {
        String way = feed.leadOutM() > 0
                ? " The lead-out to the fence is "
                        + Lengths.text(feed.leadOutM(), plan.spec().units())
                        + " of cable rated for the fence's voltage, never mains cable (C9)."
                : " Give the energizer its place on the plan, and the lead-out is measured.";
        return String.format(
                Locale.ROOT,
                "From the mains, %.1f W. The energizer stands dry, out of the sun and beyond the reach of stock, with a switch that is reached without touching the fence; its earth keeps clear of the building's (C10).%s",
                drawW,
                way);
    }

    private void findings(
            List<Finding> findings,
            boolean sun,
            double toHalf,
            double leastAh,
            double leastW,
            List<Battery.Month> year) {
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
            boolean dark = year.stream().anyMatch(m -> m.sunMjPerM2() < NO_SUN_MJ_PER_M2);
            findings.add(Finding.ofJob(
                    "E5",
                    Severity.WARN,
                    dark
                            ? "In the darkest month no sun rises here: no panel keeps the battery up."
                            : "The cable takes what a larger panel would bring: make it shorter or thicker."));
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
