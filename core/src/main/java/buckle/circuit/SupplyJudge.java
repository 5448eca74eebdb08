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
import buckle.site.FenceLine;
import buckle.spec.FenceSpec;
import buckle.spec.Plan;
import buckle.spec.Supply;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.IntStream;

/** What the energizer asks of battery and sun, or of the mains. */
final class SupplyJudge {
    private static final int SWAPS_TOLD = 8;
    private static final double NO_SUN_MJ_PER_M2 = 0.05;

    private final Supply given;
    private final Supply.Battery own;
    private final FeedPlace feed;
    private final FenceSpec.Climate season;
    private final EnergizerRating plate;
    private final double drawW;
    private final List<FenceLine> lines;

    SupplyJudge(Plan plan, Layout layout, EnergizerRating plate, double weakestV) {
        this.lines = plan.site().lines();
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
        boolean allYear = IntStream.rangeClosed(1, 12).allMatch(this::up);
        double coldC = allYear ? season.coldC() : Battery.coldestC(climate, this::up);
        double toHalf = Battery.daysToHalf(plant, coldC);
        double toEmpty = Battery.daysToEmpty(plant, coldC);
        double leastAh = Battery.leastAh(plant, own.darkDays(), coldC);
        double leastW = sun ? Battery.leastPanelW(plant, climate, this::up) : 0;
        List<Battery.Month> year = sun
                ? Battery.year(plant, climate, this::up).stream()
                        .filter(m -> up(m.month()))
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
                        sun ? List.of() : swaps(plant, climate),
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

    /** Whether the energizer runs in a month: while any line stands, where all of them are seasonal; otherwise as was said of the supply. */
    private boolean up(int month) {
        boolean seasonal = lines.stream().allMatch(l -> l.book().season().isPresent());
        return seasonal
                ? lines.stream().anyMatch(l -> l.book().season().orElseThrow().standsIn(month))
                : own.up(month);
    }

    /** Each time the battery at the fence comes down to half, as cold as the season is then. */
    private List<LocalDate> swaps(Battery.Plant plant, Battery.Climate climate) {
        List<LocalDate> days = new ArrayList<>();
        own.lastSwap().filter(d -> own.inTurn() > 1).ifPresent(last -> {
            double gone = 0;
            for (int i = 0; i < SWAPS_TOLD; i++) {
                int day = last.plusDays((long) gone).getDayOfYear();
                gone += Battery.daysToHalf(plant, climate.temperatureC(day));
                days.add(last.plusDays((long) gone));
            }
        });
        return days;
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
