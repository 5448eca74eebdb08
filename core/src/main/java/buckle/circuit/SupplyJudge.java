package buckle.circuit;

import buckle.circuit.Electrics.Supply;
import buckle.layout.FeedPlace;
import buckle.layout.Finding;
import buckle.layout.Layout;
import buckle.layout.Severity;
import buckle.message.CircuitMessage;
import buckle.power.Battery;
import buckle.power.Energizers;
import buckle.pulse.Plate;
import buckle.rulebook.Rule;
import buckle.spec.Build;
import buckle.spec.Plan;
import buckle.spec.Power;
import java.util.List;

/** What the energizer asks of battery and sun, or of the mains. */
final class SupplyJudge {
    private static final double NO_SUN_MJ_PER_M2 = 0.05;

    private final Power power;
    private final FeedPlace feed;
    private final Build.Season season;
    private final Plate plate;
    private final double drawW;

    SupplyJudge(Plan plan, Layout layout, Plate plate, double weakestV) {
        this.power = plan.spec().power();
        this.feed = layout.feed().orElseThrow();
        this.season = plan.spec().build().season();
        this.plate = plate;
        double loaded = 1 - Math.clamp(weakestV / plate.openV(), 0, 1);
        this.drawW = Energizers.drawW(plate, power.mode(), loaded);
    }

    Supply judge(List<Finding> findings) {
        if (power.supply() == Power.Supply.MAINS) {
            return new Supply(
                    drawW,
                    drawW * 24 / Battery.VOLTS,
                    0,
                    0,
                    0,
                    0,
                    0,
                    List.of(),
                    new CircuitMessage.FromMains(drawW, feed.leadOutM()));
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
                new CircuitMessage.FromBattery(
                        drawW,
                        plate.draw().fullW().isPresent(),
                        used,
                        power.batteryAh(),
                        season.coldC(),
                        toHalf,
                        toEmpty));
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
                    Rule.E4,
                    Severity.WARN,
                    new CircuitMessage.BatterySmall(power.batteryAh(), toHalf, power.darkDays(), leastAh)));
        }
        if (sun && Double.isInfinite(leastW)) {
            boolean dark = year.stream().anyMatch(m -> m.sunMjPerM2() < NO_SUN_MJ_PER_M2);
            findings.add(Finding.ofJob(Rule.E5, Severity.WARN, new CircuitMessage.NoPanelDoes(dark)));
        } else if (sun && leastW > power.panelW()) {
            findings.add(Finding.ofJob(Rule.E5, Severity.WARN, new CircuitMessage.PanelSmall(power.panelW(), leastW)));
        }
        year.stream()
                .filter(m -> m.lowestShare() <= 0)
                .findFirst()
                .ifPresent(m -> findings.add(
                        Finding.ofJob(Rule.E4, Severity.WARN, new CircuitMessage.BatteryEmpty(m.month()))));
    }
}
