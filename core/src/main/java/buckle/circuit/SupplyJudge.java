package buckle.circuit;

import buckle.circuit.Electrics.BatteryAnswer;
import buckle.circuit.Electrics.SupplyAnswer;
import buckle.layout.FeedPlace;
import buckle.layout.Finding;
import buckle.layout.Layout;
import buckle.layout.Severity;
import buckle.message.CircuitMessage;
import buckle.power.Battery;
import buckle.power.Energizers;
import buckle.pulse.EnergizerRating;
import buckle.rulebook.Rule;
import buckle.spec.FenceSpec;
import buckle.spec.Plan;
import buckle.spec.Supply;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;

/** What the energizer asks of battery and sun, or of the mains. */
final class SupplyJudge {
    private static final double NO_SUN_MJ_PER_M2 = 0.05;

    private final Supply given;
    private final Supply.Battery own;
    private final FeedPlace feed;
    private final FenceSpec.Climate season;
    private final EnergizerRating plate;
    private final double drawW;

    SupplyJudge(Plan plan, Layout layout, EnergizerRating plate, double weakestV) {
        this.given = plan.spec().supply();
        this.own = given.battery();
        this.feed = layout.feed().orElseThrow();
        this.season = plan.spec().fence().climate();
        this.plate = plate;
        double loaded = 1 - Math.clamp(weakestV / plate.openV(), 0, 1);
        this.drawW = Energizers.drawW(plate, given.mode(), loaded);
    }

    SupplyAnswer judge() {
        if (given.source() == Supply.Source.MAINS) {
            return new SupplyAnswer(
                    drawW, Optional.empty(), new CircuitMessage.FromMains(drawW, feed.leadOutM()), List.of());
        }
        boolean sun = given.source() == Supply.Source.SOLAR;
        Battery.Plant plant = new Battery.Plant(
                drawW,
                own.batteryAh(),
                sun ? own.panelW() : 0,
                own.tiltDeg(),
                own.dirtShare(),
                own.sunshineShare(),
                Battery.cableOhm(own.cableM(), own.cableMm2()));
        Battery.Climate climate = new Battery.Climate(feed.latDeg(), season.coldC(), season.warmC());
        double used = Battery.usedAhPerDay(plant);
        double coldC = own.allYear() ? season.coldC() : Battery.coldestC(climate, own::up);
        double toHalf = Battery.daysToHalf(plant, coldC);
        double toEmpty = Battery.daysToEmpty(plant, coldC);
        double leastAh = Battery.leastAh(plant, own.darkDays(), coldC);
        double leastW = sun ? Battery.leastPanelW(plant, climate, own::up) : 0;
        List<Battery.Month> year = sun
                ? Battery.year(plant, climate, own::up).stream()
                        .filter(m -> own.up(m.month()))
                        .toList()
                : List.of();
        return new SupplyAnswer(
                drawW,
                Optional.of(new BatteryAnswer(
                        used,
                        toHalf,
                        toEmpty,
                        leastAh,
                        sun && Double.isFinite(leastW) ? OptionalDouble.of(leastW) : OptionalDouble.empty(),
                        Battery.cableDropV(plant),
                        year)),
                new CircuitMessage.FromBattery(
                        drawW,
                        plate.draw().fullW().isPresent(),
                        used,
                        own.batteryAh(),
                        coldC,
                        toHalf,
                        toEmpty,
                        own.inTurn()),
                findings(sun, toHalf, leastAh, leastW, year));
    }

    private List<Finding> findings(
            boolean sun, double toHalf, double leastAh, double leastW, List<Battery.Month> year) {
        List<Finding> findings = new ArrayList<>();
        // Batteries in turn are swapped when they are down, and have no dark days to bridge.
        if (toHalf < own.darkDays() && (sun || own.inTurn() == 1)) {
            findings.add(Finding.ofJob(
                    Rule.E4,
                    Severity.WARN,
                    new CircuitMessage.BatterySmall(own.batteryAh(), toHalf, own.darkDays(), leastAh)));
        }
        if (sun && Double.isInfinite(leastW)) {
            boolean dark = year.stream().anyMatch(m -> m.sunMjPerM2() < NO_SUN_MJ_PER_M2);
            findings.add(Finding.ofJob(Rule.E5, Severity.WARN, new CircuitMessage.NoPanelDoes(dark)));
        } else if (sun && leastW > own.panelW()) {
            findings.add(Finding.ofJob(Rule.E5, Severity.WARN, new CircuitMessage.PanelSmall(own.panelW(), leastW)));
        }
        year.stream()
                .filter(m -> m.lowestShare() <= 0)
                .findFirst()
                .ifPresent(m -> findings.add(
                        Finding.ofJob(Rule.E4, Severity.WARN, new CircuitMessage.BatteryEmpty(m.month()))));
        return findings;
    }
}
