package buckle.circuit;

import buckle.circuit.Electrics.WhatIf;
import buckle.circuit.Solver.Solved;
import buckle.circuit.Solver.Spot;
import buckle.land.Surroundings;
import buckle.layout.FeedPlace;
import buckle.layout.Layout;
import buckle.material.Conductor;
import buckle.message.CircuitMessage;
import buckle.message.CircuitMessage.Change;
import buckle.message.Message;
import buckle.pulse.Place;
import buckle.pulse.Run;
import buckle.review.CutOutAdvisor;
import buckle.review.Laid;
import buckle.review.LayoutPlanner;
import buckle.site.GeoPoint;
import buckle.spec.FenceSpec;
import buckle.spec.Growth;
import buckle.spec.Plan;
import buckle.spec.Spec;
import buckle.spec.Wire;
import buckle.spec.WireRole;
import buckle.spec.WireSchedule;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/** Change one thing at a time, laid out and solved anew. */
final class WhatIfs {
    private static final double LEAST_LEAD_OUT_M = 20;
    private static final double NEAR_END_M = 1;

    private final Plan plan;
    private final Laid laid;
    private final Layout layout;
    private final Surroundings around;
    private final Trial trial;
    private final Conditions likely;
    private final List<Spot> spots;
    private final List<WhatIf> all = new ArrayList<>();

    WhatIfs(Plan plan, Laid laid, Surroundings around, Trial trial, Conditions likely, List<Spot> spots) {
        this.plan = plan;
        this.laid = laid;
        this.layout = laid.layout();
        this.around = around;
        this.trial = trial;
        this.likely = likely;
        this.spots = spots;
    }

    List<WhatIf> all() {
        Spec spec = plan.spec();
        with(Change.AS_PLANNED, "", spec);
        FenceSpec.Wires wires = spec.fence().wires();
        if (wires.hot() != Conductor.ALU_12_5) {
            with(Change.ALUMINIUM, wires.hot().text(), wired(wires.withHot(Conductor.ALU_12_5)));
        }
        if (wires.hot() != Conductor.HT_12_5) {
            with(Change.HIGH_TENSILE, wires.hot().text(), wired(wires.withHot(Conductor.HT_12_5)));
        }
        WireSchedule schedule = spec.fence().schedule();
        if (schedule.count(WireRole.EARTH) > 0) {
            with(Change.ALL_HOT, "", spec.withFence(f -> f.withSchedule(roles(schedule, false))));
            boolean tied = wires.earthTied();
            with(tied ? Change.EARTH_ALONG : Change.EARTH_TIED, "", wired(wires.withEarthTied(!tied)));
        } else if (schedule.wires().size() > 1) {
            with(
                    Change.EVERY_SECOND_EARTH,
                    "",
                    spec.withFence(f -> f.withSchedule(roles(schedule, true)).withWires(wires.withEarthTied(true))));
        }
        secondLeadOut();
        oneMoreCutOut();
        return all;
    }

    private static WireSchedule roles(WireSchedule schedule, boolean alternate) {
        List<Wire> wires = new ArrayList<>();
        for (int i = 0; i < schedule.wires().size(); i++) {
            Wire w = schedule.wires().get(i);
            boolean earth = alternate && i % 2 == 1;
            wires.add(new Wire(
                    w.heightM(), w.role() == WireRole.PLAIN ? w.role() : earth ? WireRole.EARTH : WireRole.HOT));
        }
        return new WireSchedule(schedule.preset(), wires);
    }

    private Spec wired(FenceSpec.Wires wires) {
        return plan.spec().withFence(f -> f.withWires(wires));
    }

    private void with(Change change, String of, Spec spec) {
        Plan other = plan.withSpec(spec);
        Laid tried = LayoutPlanner.laid(other, around);
        Solver solver = new Solver(other, tried, around);
        List<Spot> own = Spots.along(tried.layout());
        add(
                new CircuitMessage.Instead(change, of),
                solver.volts(likely, trial, own),
                solver.volts(heavy(), trial, own),
                new CircuitMessage.ChangeDoes(change));
    }

    private Conditions heavy() {
        return likely.withGrowth(Growth.HEAVY);
    }

    private void add(Message name, Solved now, Solved heavy, Message says) {
        all.add(new WhatIf(name, now.weakestV(), heavy.weakestV(), says));
    }

    /** A cable straight to the weakest end, gate or switch: one energizer still, fed at two places. */
    private void secondLeadOut() {
        Solver solver = new Solver(plan, laid, around);
        Solved now = solver.volts(likely, trial, spots);
        int weakest = -1;
        for (int i = 0; i < spots.size(); i++) {
            if (now.volts(i) > 0
                    && endsRun(now.fence(), spots.get(i))
                    && (weakest < 0 || now.volts(i) < now.volts(weakest))) {
                weakest = i;
            }
        }
        if (weakest < 0) {
            return;
        }
        Spot far = spots.get(weakest);
        FeedPlace feed = layout.feed().orElseThrow();
        double lengthM = 1.05 * distanceM(feed, far);
        if (lengthM < LEAST_LEAD_OUT_M) {
            WhatIf planned = all.getFirst();
            all.add(new WhatIf(
                    Change.SECOND_LEAD_OUT,
                    planned.weakestV(),
                    planned.heavyV(),
                    new CircuitMessage.SecondWay(true, lengthM)));
            return;
        }
        add(
                new CircuitMessage.Instead(Change.SECOND_LEAD_OUT, far.lineId()),
                Solver.volts(second(now.fence(), far, lengthM), spots),
                Solver.volts(second(solver.fence(heavy(), trial), far, lengthM), spots),
                new CircuitMessage.SecondWay(false, lengthM));
    }

    /** Whether a run ends there: only there can another be joined to it. */
    private static boolean endsRun(FenceCircuit fence, Spot spot) {
        return fence.place(spot.lineId(), spot.stationM())
                .filter(p -> fence.circuit().runs().stream()
                        .anyMatch(r -> r.id().equals(p.runId()) && r.lengthM() - p.distanceM() < NEAR_END_M))
                .isPresent();
    }

    private double distanceM(FeedPlace feed, Spot far) {
        var post = layout.lines().stream()
                .filter(l -> l.lineId().equals(far.lineId()))
                .flatMap(l -> l.posts().stream())
                .min(java.util.Comparator.comparingDouble(p -> Math.abs(p.stationM() - far.stationM())))
                .orElseThrow();
        var plane = plan.site().plane();
        return plane.toPlane(GeoPoint.of(feed.lonDeg(), feed.latDeg()))
                .distanceM(plane.toPlane(GeoPoint.of(post.lonDeg(), post.latDeg())));
    }

    private static FenceCircuit second(FenceCircuit fence, Spot far, double lengthM) {
        Place place = fence.place(far.lineId(), far.stationM()).orElseThrow();
        List<Run> runs = new ArrayList<>(fence.circuit().runs());
        runs.add(new Run(
                "second lead-out", Optional.empty(), lengthM, Wires.cable(), false, Optional.of(place.runId())));
        return new FenceCircuit(
                fence.circuit().withRuns(runs), fence.stretches(), fence.dead(), fence.feedRun(), fence.drift());
    }

    private void oneMoreCutOut() {
        CutOutAdvisor.next(plan.site(), around, plan.spec())
                .ifPresent(a -> all.add(new WhatIf(
                        Change.ONE_MORE_CUT_OUT,
                        all.getFirst().weakestV(),
                        all.getFirst().heavyV(),
                        new CircuitMessage.SectionFalls(a.longestBeforeM(), a.longestAfterM()))));
    }
}
