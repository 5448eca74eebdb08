package buckle.commissioning;

import buckle.circuit.ElectricsPlanner;
import buckle.circuit.FenceCircuit;
import buckle.circuit.FenceCircuit.LiveStretch;
import buckle.diagnosis.Fitted;
import buckle.diagnosis.Hunt.Reading;
import buckle.land.Surroundings;
import buckle.layout.Layout;
import buckle.message.CommissionMessage;
import buckle.message.CommissionMessage.Found;
import buckle.message.Message;
import buckle.pulse.Drift;
import buckle.pulse.EnergizerRating;
import buckle.pulse.Place;
import buckle.pulse.Run;
import buckle.readings.Observation;
import buckle.readings.OnFence;
import buckle.review.Laid;
import buckle.spec.Circumstances;
import buckle.spec.Deviation;
import buckle.spec.Plan;
import buckle.spec.Yardstick;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.function.Supplier;

/**
 * A yardstick made of readings in order, with what it says beside what the plan said.
 *
 * @param yardstick empty when no reading could be used
 * @param used readings that took part
 * @param leftOut readings of the pulse that could not: beyond the range, not on a hot wire, off the line (V15)
 * @param rows each unknown before and after
 * @param says all of it in a sentence
 */
public record YardstickFit(
        Optional<Yardstick> yardstick, int used, int leftOut, List<FitRow> rows, List<Misfit> misfits, Message says) {
    /** From so many standard deviations left of the plan's own on, readings have told something of it. */
    private static final double TOLD = 0.85;

    public YardstickFit {
        rows = List.copyOf(rows);
        misfits = List.copyOf(misfits);
    }

    /**
     * One thing a plan cannot know.
     *
     * @param factor on what the plan says, {@code low} to {@code high} of one standard deviation
     * @param told whether the readings narrowed it
     */
    public record FitRow(
            Found what, double factor, double low, double high, boolean told, Message before, Message after) {}

    /** A reading that fits nothing physical. */
    public record Misfit(UUID reading, Message says) {}

    /** Draws the plan toward readings of the fence in order. */
    public static YardstickFit of(Plan plan, Laid laid, Surroundings around, List<Observation> readings) {
        Plan bare = ElectricsPlanner.asPlanned(plan);
        Optional<FenceCircuit> circuit = ElectricsPlanner.circuit(bare, laid, around);
        Optional<EnergizerRating> plate = ElectricsPlanner.plate(bare, laid, around);
        List<Observation> standing = OnFence.standing(readings);
        if (circuit.isEmpty() || plate.isEmpty()) {
            return none(standing.size());
        }
        OnFence on = new OnFence(circuit.get(), laid.layout());
        List<Observation> used = new ArrayList<>();
        List<Reading> healthy = new ArrayList<>();
        for (Observation o : standing) {
            on.reading(o).ifPresent(r -> {
                used.add(o);
                healthy.add(r);
            });
        }
        if (used.isEmpty()) {
            return none(standing.size());
        }
        Fitted fitted = Fitted.of(on.hunt(healthy, List.of(), OnFence.meter(used)));
        Fitted planned = Fitted.of(on.hunt(List.of(), List.of(), OnFence.meter(used)));
        Circumstances c = plan.circumstances();
        Yardstick yardstick = new Yardstick(
                used.stream().map(Observation::takenAt).max(Instant::compareTo).orElseThrow(),
                c.growth(),
                c.insulators(),
                c.ground(),
                plate.get(),
                used.stream().map(Observation::id).toList(),
                deviation(fitted.found(), circuit.get()),
                fitted.later().moves(everywhere(on, laid.layout())).stream()
                        .map(m -> deviation(m, circuit.get()))
                        .toList());
        List<FitRow> rows = rows(fitted, planned, circuit.get(), c);
        List<Misfit> misfits = misfits(fitted, used, healthy, on);
        FitRow leak = rows.getFirst();
        return new YardstickFit(
                Optional.of(yardstick),
                used.size(),
                standing.size() - used.size(),
                rows,
                misfits,
                new CommissionMessage.LeaksLike(c.growth(), leak.factor(), leak.low(), leak.high()));
    }

    private static YardstickFit none(int leftOut) {
        return new YardstickFit(
                Optional.empty(), 0, leftOut, List.of(), List.of(), new CommissionMessage.NothingToFit());
    }

    /** Test points, and where there is none the ends of the runs. */
    private static List<Reading> everywhere(OnFence on, Layout layout) {
        List<Reading> all = new ArrayList<>();
        layout.testPoints()
                .forEach(p -> on.fence().place(p.lineId(), p.stationM()).ifPresent(at -> all.add(Fitted.volts(at))));
        if (all.isEmpty()) {
            on.fence().circuit().runs().stream()
                    .limit(MOST_RUNS)
                    .forEach(r -> all.add(Fitted.volts(new Place(r.id(), r.lengthM()))));
        }
        return all;
    }

    private static final int MOST_RUNS = 50;

    private static Deviation deviation(Fitted.Unknowns u, FenceCircuit fence) {
        return new Deviation(
                u.leakage(),
                u.soil(),
                u.steel(),
                u.earth(),
                u.volts(),
                u.capacitor(),
                u.coil(),
                u.resistance(),
                u.bleed(),
                u.terminal(),
                stretches(u.byRun(), fence),
                new Drift(u.drift()));
    }

    /** Stretches of a line that leak alike are one. */
    private static List<Deviation.LeakyStretch> stretches(Map<String, Double> byRun, FenceCircuit fence) {
        List<Deviation.LeakyStretch> all = new ArrayList<>();
        List<LiveStretch> sorted = fence.stretches().stream()
                .filter(s -> byRun.containsKey(s.runId()))
                .sorted(Comparator.comparing(LiveStretch::lineId).thenComparingDouble(LiveStretch::fromM))
                .toList();
        for (LiveStretch s : sorted) {
            double leak = Objects.requireNonNull(byRun.get(s.runId()));
            Deviation.LeakyStretch last = all.isEmpty() ? null : all.getLast();
            if (last != null && last.lineId().equals(s.lineId()) && Math.abs(last.leakage() - leak) < 1e-12) {
                all.removeLast();
                all.add(new Deviation.LeakyStretch(s.lineId(), last.fromM(), s.toM(), leak));
            } else {
                all.add(new Deviation.LeakyStretch(s.lineId(), s.fromM(), s.toM(), leak));
            }
        }
        return all;
    }

    private static List<FitRow> rows(Fitted fitted, Fitted planned, FenceCircuit fence, Circumstances c) {
        Fitted.Unknowns f = fitted.found();
        Fitted.Unknowns sd = fitted.deviations();
        Fitted.Unknowns wide = planned.deviations();
        double earth = fence.circuit().earthOhm();
        List<FitRow> rows = new ArrayList<>();
        rows.add(row(Found.LEAKAGE, leakage(f, fence), sd.leakage(), wide.leakage(), c.growth()::text));
        rows.add(ohms(f.earth(), sd.earth(), wide.earth(), earth));
        rows.add(row(Found.SUPPLY, f.volts(), sd.volts(), wide.volts(), () -> ""));
        rows.add(row(Found.SOIL, f.soil(), sd.soil(), wide.soil(), c.ground()::text));
        if (wide.steel() > 0) {
            rows.add(row(Found.STEEL, f.steel(), sd.steel(), wide.steel(), () -> ""));
        }
        double part = fence.farthest().map(far -> Drift.part(fence.wayM(far))).orElse(0.0);
        rows.add(row(Found.FAR_END, part * f.drift(), part * sd.drift(), part * wide.drift(), () -> ""));
        return rows;
    }

    /** Of the whole fence: of all together and of each stretch by its length. */
    private static double leakage(Fitted.Unknowns f, FenceCircuit fence) {
        double length = 0;
        double leak = 0;
        for (LiveStretch s : fence.stretches()) {
            Double own = f.byRun().get(s.runId());
            if (own != null) {
                length += s.toM() - s.fromM();
                leak += (s.toM() - s.fromM()) * Math.exp(own);
            }
        }
        return f.leakage() + (length > 0 ? Math.log(leak / length) : 0);
    }

    private static FitRow row(Found what, double log, double sd, double wide, Supplier<String> as) {
        double factor = Math.exp(log);
        double low = Math.exp(log - sd);
        double high = Math.exp(log + sd);
        return new FitRow(
                what,
                factor,
                low,
                high,
                sd < TOLD * wide,
                new CommissionMessage.Before(what, as.get()),
                new CommissionMessage.After(what, factor, low, high));
    }

    private static FitRow ohms(double log, double sd, double wide, double ohm) {
        double factor = Math.exp(log);
        double low = Math.exp(log - sd);
        double high = Math.exp(log + sd);
        return new FitRow(
                Found.EARTH,
                factor,
                low,
                high,
                sd < TOLD * wide,
                new CommissionMessage.Ohms(ohm, ohm, ohm),
                new CommissionMessage.Ohms(ohm * factor, ohm * low, ohm * high));
    }

    private static List<Misfit> misfits(Fitted fitted, List<Observation> used, List<Reading> healthy, OnFence on) {
        List<Misfit> all = new ArrayList<>();
        List<Fitted.Expected> expected = fitted.expected(healthy);
        for (int i : fitted.misfits()) {
            double read =
                    healthy.get(i).peakV().orElse(healthy.get(i).currentA().orElse(0));
            boolean aboveFeed = healthy.get(i).peakV().isPresent() && read > fedBy(healthy, i, on.fence());
            all.add(new Misfit(
                    used.get(i).id(),
                    new CommissionMessage.FitsNothing(
                            read,
                            expected.get(i).likely(),
                            healthy.get(i).peakV().isPresent(),
                            aboveFeed)));
        }
        return all;
    }

    /** The lowest voltage that was read on the way from the energizer to a reading. */
    private static double fedBy(List<Reading> healthy, int of, FenceCircuit fence) {
        Map<String, Run> runs = new HashMap<>();
        fence.circuit().runs().forEach(r -> runs.put(r.id(), r));
        Optional<Place> at = healthy.get(of).at();
        double least = Double.MAX_VALUE;
        for (int i = 0; i < healthy.size(); i++) {
            Reading r = healthy.get(i);
            if (i != of && at.isPresent() && r.at().isPresent() && r.peakV().isPresent()) {
                if (leadsTo(r.at().get(), at.get(), runs)) {
                    least = Math.min(least, r.peakV().getAsDouble());
                }
            }
        }
        return least;
    }

    private static boolean leadsTo(Place from, Place to, Map<String, Run> runs) {
        if (from.runId().equals(to.runId())) {
            return from.distanceM() < to.distanceM();
        }
        Optional<String> up = Objects.requireNonNull(runs.get(to.runId())).parent();
        while (up.isPresent()) {
            if (up.get().equals(from.runId())) {
                return true;
            }
            up = Objects.requireNonNull(runs.get(up.get())).parent();
        }
        return false;
    }
}
