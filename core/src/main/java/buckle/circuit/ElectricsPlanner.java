package buckle.circuit;

import buckle.circuit.Electrics.Assumed;
import buckle.circuit.Electrics.Bands;
import buckle.circuit.Electrics.Candidate;
import buckle.circuit.Electrics.EarthNeed;
import buckle.circuit.Electrics.PulsePoint;
import buckle.circuit.Electrics.SectionPulse;
import buckle.circuit.Solver.Solved;
import buckle.circuit.Solver.Spot;
import buckle.land.Surroundings;
import buckle.layout.Finding;
import buckle.layout.Layout;
import buckle.layout.LineLayout;
import buckle.layout.Section;
import buckle.layout.Severity;
import buckle.message.CircuitMessage;
import buckle.message.CircuitMessage.Because;
import buckle.message.Message;
import buckle.power.Energizers;
import buckle.pulse.Plate;
import buckle.pulse.Solution;
import buckle.pulse.Supply;
import buckle.review.Laid;
import buckle.rulebook.Rule;
import buckle.rulebook.Standing;
import buckle.rulebook.Values;
import buckle.site.GeoPoint;
import buckle.site.LocalPlane;
import buckle.site.Stationing;
import buckle.spec.Animal;
import buckle.spec.Growth;
import buckle.spec.Plan;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Judges a laid-out fence as a circuit: the energizer, the curve with its range, the sections, the reserve. */
public final class ElectricsPlanner {
    private final Plan plan;
    private final Surroundings around;
    private final Layout layout;
    private final Laid laid;
    private final Trial trial;
    private final Solver solver;
    private final OptionalDouble needV;
    private final List<Finding> findings = new ArrayList<>();

    /** How much is worked out. */
    public enum Depth {
        /** The likely curve and its sections, while something is dragged: low and high are the same, currents are left out. */
        CURVE,
        /** Also the range. */
        RANGE,
        /** Also currents, energizers compared, earth, battery and what-ifs. */
        ALL
    }

    private ElectricsPlanner(Plan plan, Laid laid, Surroundings around, Trial trial) {
        this.plan = plan;
        this.around = around;
        this.layout = laid.layout();
        this.laid = laid;
        this.trial = trial;
        this.solver = new Solver(plan, laid, around);
        this.needV = plan.spec().fence().needV();
    }

    /** Empty when there is no fence yet. */
    public static Optional<Electrics> of(Plan plan, Laid laid, Surroundings around, Trial trial, Depth depth) {
        if (laid.network().isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new ElectricsPlanner(plan, laid, around, trial).judge(depth));
    }

    private Electrics judge(Depth depth) {
        List<Spot> spots = Spots.along(layout);
        Optional<Plate> own = plan.spec().supply().energizer();
        own.flatMap(Plate::contradiction).ifPresent(d -> warn(Rule.E7, new CircuitMessage.PlateDoubted(d, true)));
        own.flatMap(Plate::doubt).ifPresent(d -> warn(Rule.E7, new CircuitMessage.PlateDoubted(d, false)));
        own.flatMap(CircuitMessage.OneEnergyComputed::of)
                .ifPresent(m -> findings.add(Finding.ofJob(Rule.E8, Severity.NOTE, m)));
        boolean usable = own.isPresent() && own.get().contradiction().isEmpty();
        List<Candidate> candidates = depth == Depth.ALL || !usable ? candidates(spots, depth) : List.of();
        Optional<Candidate> recommended =
                candidates.stream().filter(Candidate::recommended).findFirst();
        Plate plate = usable ? own.get() : recommended.map(Candidate::plate).orElse(Energizers.GENERIC.get(5));
        Conditions likely = Conditions.likely(plate, plan.circumstances());

        if (!likely.dampingFits()) {
            warn(Rule.E9, new CircuitMessage.DampingDoesNotFit(plate.name()));
        }
        Solved middle =
                depth == Depth.ALL ? solver.withCurrents(likely, trial, spots) : solver.volts(likely, trial, spots);
        if (!middle.solution().solved()) {
            return unsolved(new CircuitMessage.NotSolved(middle.solution().says()), plate, usable);
        }
        Range range = depth == Depth.CURVE ? Range.none(middle) : new Range(solver, likely, trial, spots, middle);
        List<PulsePoint> points = points(spots, middle, range);
        List<SectionPulse> sections = sections(points, middle);
        Optional<PulsePoint> weakest =
                points.stream().filter(p -> p.likelyV() > 0).min(Comparator.comparingDouble(PulsePoint::likelyV));
        judgeNeed(weakest, middle);
        points.stream()
                .max(Comparator.comparingDouble(PulsePoint::likelyV))
                .filter(p -> p.likelyV() > Values.V6_MOST_V)
                .ifPresent(p -> findings.add(Finding.at(
                        Rule.V6,
                        Severity.NOTE,
                        p.lineId(),
                        p.stationM(),
                        new CircuitMessage.PulseVeryHigh(p.likelyV()))));
        if (plate.energy().outJ() > Energizers.MUCH_J) {
            findings.add(Finding.ofJob(Rule.C13, Severity.CAUTION, new CircuitMessage.OverFiveJoules(plate.name())));
        }
        Reserve reserve = depth == Depth.ALL
                ? Reserve.of(solver, likely, trial, spots, needV, weakest.map(PulsePoint::likelyV))
                : Reserve.NOT_ASKED;
        EarthJudge earth = new EarthJudge(plan, around, solver, likely);
        Optional<Spot> spot = weakest.map(w -> new Spot(w.lineId(), w.stationM()));
        return new Electrics(
                Message.NONE,
                plate,
                usable,
                needV,
                Bands.of(needV),
                points,
                sections,
                weakest,
                reserve.factor(),
                reserve.says(),
                depth == Depth.ALL ? earth.judge(spot, trial, findings) : earth.quick(),
                new SupplyJudge(
                                plan,
                                layout,
                                plate,
                                weakest.map(PulsePoint::likelyV).orElse(0.0))
                        .judge(findings),
                candidates,
                recommended.map(this::why).orElse(Message.NONE),
                depth == Depth.ALL ? new WhatIfs(plan, laid, around, trial, likely, spots).all() : List.of(),
                assumed(spots, range, weakest),
                middle.fence().dead(),
                findings,
                middle.fence().circuit().runs().size(),
                middle.solution().frequencies(),
                middle.solution().windowS());
    }

    private Electrics unsolved(Message says, Plate plate, boolean chosen) {
        return new Electrics(
                says,
                plate,
                chosen,
                needV,
                Bands.of(needV),
                List.of(),
                List.of(),
                Optional.empty(),
                OptionalDouble.empty(),
                says,
                EarthJudge.none(plan.circumstances().ground()),
                new SupplyJudge(plan, layout, plate, 0).judge(findings),
                List.of(),
                Message.NONE,
                List.of(),
                List.of(),
                List.of(),
                findings,
                0,
                0,
                0);
    }

    private List<PulsePoint> points(List<Spot> spots, Solved middle, Range range) {
        LocalPlane plane = plan.site().plane();
        Map<String, Stationing> lines = layout.lines().stream()
                .collect(Collectors.toMap(
                        LineLayout::lineId,
                        line -> new Stationing(
                                line.corners().stream().map(plane::toPlane).toList(), line.closed())));
        List<PulsePoint> points = new ArrayList<>();
        for (int i = 0; i < spots.size(); i++) {
            Spot s = spots.get(i);
            double v = middle.volts(i);
            GeoPoint at =
                    plane.toGeo(Objects.requireNonNull(lines.get(s.lineId())).at(s.stationM()));
            points.add(new PulsePoint(
                    s.lineId(),
                    s.stationM(),
                    at.lonDeg(),
                    at.latDeg(),
                    range.lowV(i),
                    v,
                    range.highV(i),
                    middle.at().get(i).map(a -> a.atS()).orElse(0.0),
                    middle.at().get(i).map(Solution.Answer::currentA).orElse(OptionalDouble.of(0)),
                    Standing.of(v, needV)));
        }
        return points;
    }

    private List<SectionPulse> sections(List<PulsePoint> points, Solved middle) {
        List<SectionPulse> sections = new ArrayList<>();
        for (Section section : layout.sections()) {
            List<PulsePoint> inside = points.stream()
                    .filter(p -> section.stretches().stream()
                            .anyMatch(s -> s.lineId().equals(p.lineId())
                                    && p.stationM() > s.fromM() + 0.02
                                    && p.stationM() < s.toM() - 0.02))
                    .toList();
            if (inside.isEmpty()) {
                inside = points.stream()
                        .filter(p -> section.stretches().stream()
                                .anyMatch(s -> s.lineId().equals(p.lineId())
                                        && p.stationM() >= s.fromM()
                                        && p.stationM() <= s.toM()))
                        .toList();
            }
            Optional<PulsePoint> weakest = inside.stream().min(Comparator.comparingDouble(PulsePoint::likelyV));
            boolean on = weakest.filter(p -> p.likelyV() > 1).isPresent();
            sections.add(new SectionPulse(
                    section.id(),
                    section.name(),
                    on,
                    weakest,
                    weakest.map(PulsePoint::met).orElse(Standing.OPEN)));
        }
        return sections;
    }

    private void judgeNeed(Optional<PulsePoint> weakest, Solved middle) {
        if (weakest.isPresent() && needV.isPresent() && weakest.get().met() != Standing.MET) {
            PulsePoint w = weakest.get();
            findings.add(Finding.at(
                    Rule.V10,
                    Severity.WARN,
                    w.lineId(),
                    w.stationM(),
                    new CircuitMessage.PulseTooLow(w.likelyV(), w.lowV(), w.highV(), needV.getAsDouble())));
        }
        middle.fence().dead().stream()
                .findFirst()
                .ifPresent(d -> findings.add(Finding.at(
                        Rule.J1,
                        Severity.WARN,
                        d.lineId(),
                        d.fromM(),
                        new CircuitMessage.DeadFrom(d.wires().isEmpty(), d.why()))));
    }

    private void warn(Rule rule, CircuitMessage message) {
        findings.add(Finding.ofJob(rule, Severity.WARN, message));
    }

    /** E7: every generic energizer, and the chosen one, on this very fence. */
    private List<Candidate> candidates(List<Spot> spots, Depth depth) {
        List<Plate> plates = new ArrayList<>(Energizers.GENERIC);
        plan.spec()
                .supply()
                .energizer()
                .filter(p -> p.contradiction().isEmpty() && !plates.contains(p))
                .ifPresent(plates::add);
        // The fence is gone through once for each state of growth, whatever feeds it.
        List<double[][]> peaks = Stream.of(Growth.CLEAN, plan.circumstances().growth(), Growth.HEAVY)
                .parallel()
                .map(growth -> peaks(plates, growth, spots))
                .toList();
        return recommend(IntStream.range(0, plates.size())
                .parallel()
                .mapToObj(i -> candidate(
                        plates.get(i),
                        Solver.weakestV(peaks.get(0)[i]),
                        Solver.weakestV(peaks.get(1)[i]),
                        Solver.weakestV(peaks.get(2)[i]),
                        weakest(spots, peaks.get(1)[i]),
                        depth == Depth.ALL))
                .toList());
    }

    private Candidate candidate(
            Plate plate, double cleanV, double likelyV, double heavyV, Optional<Spot> weakest, boolean withEarth) {
        Optional<Shocks.Reached> reached = weakest.flatMap(spot ->
                new Shocks(plan, solver, Conditions.likely(plate, plan.circumstances()), Trial.NONE).reached(spot));
        double outJ = plate.energy().outJ();
        return new Candidate(
                plate,
                outJ,
                cleanV,
                likelyV,
                heavyV,
                Standing.of(likelyV, needV),
                Standing.of(heavyV, needV),
                reached.map(Shocks.Reached::bodyJ).map(OptionalDouble::of).orElse(OptionalDouble.empty()),
                reached.map(Shocks.Reached::needJ).map(OptionalDouble::of).orElse(OptionalDouble.empty()),
                withEarth
                        ? new EarthJudge(plan, around, solver, Conditions.likely(plate, plan.circumstances())).need()
                        : EarthNeed.NOT_ASKED,
                Energizers.drawW(plate, plan.spec().supply().mode(), 0.5),
                outJ > Energizers.MUCH_J,
                false);
    }

    private static Optional<Spot> weakest(List<Spot> spots, double[] peaks) {
        return IntStream.range(0, peaks.length)
                .filter(i -> peaks[i] > 0)
                .boxed()
                .min(Comparator.comparingDouble(i -> peaks[i]))
                .map(spots::get);
    }

    /** By energizer and spot. */
    private double[][] peaks(List<Plate> plates, Growth growth, List<Spot> spots) {
        Conditions likely =
                Conditions.likely(plates.getFirst(), plan.circumstances()).withGrowth(growth);
        FenceCircuit fence = solver.fence(likely, Trial.NONE);
        List<Supply> supplies = plates.stream()
                .map(p -> new Supply(
                        Conditions.likely(p, plan.circumstances()).source(),
                        fence.circuit().earthOhm()))
                .toList();
        return Solver.peaks(fence, spots, supplies);
    }

    private List<Candidate> recommend(List<Candidate> tried) {
        Comparator<Candidate> small = Comparator.comparingDouble(Candidate::outJ);
        Optional<Candidate> best = tried.stream()
                .filter(c -> spare(c) && !c.over5J())
                .min(small)
                .or(() -> tried.stream()
                        .filter(c -> c.met() == Standing.MET && reaches(c) && !c.over5J())
                        .max(Comparator.comparingDouble(Candidate::heavyV)))
                .or(() -> tried.stream().filter(this::spare).min(small))
                .or(() -> needV.isEmpty()
                        ? tried.stream().filter(c -> !c.over5J()).max(Comparator.comparingDouble(Candidate::heavyV))
                        : tried.stream().max(Comparator.comparingDouble(Candidate::heavyV)));
        return tried.stream()
                .map(c -> best.filter(b -> b == c).isEmpty() ? c : c.withRecommended(true))
                .toList();
    }

    private boolean spare(Candidate c) {
        return needV.isPresent() && c.heavyV() >= Values.E7_SPARE * needV.getAsDouble() && reaches(c);
    }

    /** V14, and V5 for those that ask for a strong unit. */
    private boolean reaches(Candidate c) {
        return c.bodyJ().orElse(0) >= c.needJ().orElse(0) && c.outJ() >= leastOutputJ();
    }

    private double leastOutputJ() {
        return plan.spec().fence().animals().stream()
                .mapToDouble(Animal::leastOutputJ)
                .max()
                .orElse(0);
    }

    private Message why(Candidate c) {
        Because because = spare(c)
                ? Because.SMALLEST_WITH_SPARE
                : c.met() == Standing.WARN || c.met() == Standing.BROKEN
                        ? Because.NONE_BETTER
                        : !reaches(c)
                                ? Because.NONE_REACHES
                                : c.metHeavy() == Standing.MET ? Because.LITTLE_SPARE : Because.HOLDS_TODAY;
        return new CircuitMessage.Recommended(
                c.plate().name(),
                c.cleanV(),
                c.heavyV(),
                needV,
                c.bodyJ().isPresent()
                        ? Optional.of(new CircuitMessage.InAnimal(
                                c.bodyJ().getAsDouble(), c.needJ().orElse(0)))
                        : Optional.empty(),
                because,
                leastOutputJ());
    }

    private List<Assumed> assumed(List<Spot> spots, Range range, Optional<PulsePoint> weakest) {
        for (int i = 0; i < spots.size(); i++) {
            Spot s = spots.get(i);
            if (weakest.isPresent()
                    && weakest.get().lineId().equals(s.lineId())
                    && weakest.get().stationM() == s.stationM()) {
                return range.assumed(i);
            }
        }
        return List.of();
    }
}
