package buckle.circuit;

import buckle.circuit.Electrics.Assumed;
import buckle.circuit.Electrics.Bands;
import buckle.circuit.Electrics.Part;
import buckle.circuit.Electrics.PulsePoint;
import buckle.circuit.Electrics.SectionPulse;
import buckle.circuit.Solver.Solved;
import buckle.circuit.Solver.Spot;
import buckle.land.Surroundings;
import buckle.layout.Fence;
import buckle.layout.Finding;
import buckle.layout.LaidLine;
import buckle.layout.Layout;
import buckle.layout.Section;
import buckle.layout.Severity;
import buckle.message.CircuitMessage;
import buckle.message.Message;
import buckle.power.Energizers;
import buckle.pulse.EnergizerRating;
import buckle.pulse.Solution;
import buckle.review.Laid;
import buckle.rulebook.Rule;
import buckle.rulebook.Standing;
import buckle.rulebook.Values;
import buckle.site.GeoPoint;
import buckle.site.Stationing;
import buckle.spec.Plan;
import buckle.spec.Yardstick;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.function.Supplier;
import java.util.stream.Collectors;

/** Judges a laid-out fence as a circuit: the energizer, the curve with its range, the sections, the reserve. */
public final class ElectricsPlanner {
    private static final EnergizerRating USUAL = Energizers.GENERIC.get(5);
    private static final int CIRCUITS_KEPT = 4;
    private static final List<Known> CIRCUITS = new ArrayList<>();

    private final Plan plan;
    private final Surroundings around;
    private final Layout layout;
    private final Laid laid;
    private final Trial trial;
    private final Solver solver;
    private final OptionalDouble needV;
    private final List<Finding> findings = new ArrayList<>();

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
    public static Optional<Electrics> of(Plan plan, Laid laid, Surroundings around, Trial trial, Set<Part> asked) {
        if (laid.network().isEmpty()) {
            return Optional.empty();
        }
        return Optional.of(new ElectricsPlanner(plan, laid, around, trial).judge(asked));
    }

    /** What the fence is reckoned with: the energizer of the plan, else the recommended one; empty when there is no fence yet. */
    public static Optional<EnergizerRating> plate(Plan plan, Laid laid, Surroundings around) {
        return laid.network().isEmpty()
                ? Optional.empty()
                : Optional.of(new ElectricsPlanner(plan, laid, around, Trial.NONE).plate());
    }

    private EnergizerRating plate() {
        return plan.spec()
                .supply()
                .energizer()
                .filter(p -> p.contradiction().isEmpty())
                .or(this::stands)
                .or(() -> new EnergizerJudge(plan, around, solver, needV, Spots.needing(layout, Spots.along(layout)))
                        .recommended())
                .orElse(USUAL);
    }

    /** As it was before any reading of it became its yardstick, with the energizer that stands there. */
    public static Plan asPlanned(Plan plan) {
        Plan bare = plan.withCircumstances(plan.circumstances().withYardstick(Optional.empty()));
        Optional<EnergizerRating> chosen = plan.spec().supply().energizer();
        return plan.circumstances().yardstick().isEmpty() || chosen.isPresent()
                ? bare
                : bare.withSpec(bare.spec()
                        .withSupply(s ->
                                s.withEnergizer(plan.circumstances().yardstick().map(Yardstick::plate))));
    }

    /** What stands there, though nobody chose it in the plan: the energizer that the fence was read with. */
    private Optional<EnergizerRating> stands() {
        return plan.circumstances().yardstick().map(Yardstick::plate);
    }

    /** The fence as a circuit under likely conditions; empty when there is no fence yet. */
    public static Optional<FenceCircuit> circuit(Plan plan, Laid laid, Surroundings around) {
        if (laid.network().isEmpty()) {
            return Optional.empty();
        }
        synchronized (CIRCUITS) {
            for (Known k : CIRCUITS) {
                if (k.laid == laid && k.around == around && k.plan.equals(plan)) {
                    return Optional.of(k.circuit);
                }
            }
        }
        ElectricsPlanner planner = new ElectricsPlanner(plan, laid, around, Trial.NONE);
        FenceCircuit circuit =
                planner.solver.fence(Conditions.likely(planner.plate(), plan.circumstances()), Trial.NONE);
        synchronized (CIRCUITS) {
            CIRCUITS.addFirst(new Known(plan, laid, around, circuit));
            if (CIRCUITS.size() > CIRCUITS_KEPT) {
                CIRCUITS.removeLast();
            }
        }
        return Optional.of(circuit);
    }

    /** A circuit that was asked for lately: reading after reading is held against the same one. */
    private record Known(Plan plan, Laid laid, Surroundings around, FenceCircuit circuit) {}

    private Electrics judge(Set<Part> asked) {
        List<Spot> spots = Spots.along(layout);
        List<Spot> needing = Spots.needing(layout, spots);
        Optional<EnergizerRating> own = plan.spec().supply().energizer();
        own.flatMap(EnergizerRating::contradiction)
                .ifPresent(d -> warn(Rule.E7, new CircuitMessage.PlateDoubted(d, true)));
        own.flatMap(EnergizerRating::doubt).ifPresent(d -> warn(Rule.E7, new CircuitMessage.PlateDoubted(d, false)));
        own.flatMap(CircuitMessage.OneEnergyComputed::of)
                .ifPresent(m -> findings.add(Finding.ofJob(Rule.E8, Severity.NOTE, m)));
        boolean usable = own.isPresent() && own.get().contradiction().isEmpty();
        Optional<EnergizerJudge> compared = asked.contains(Part.ENERGIZERS) || !usable && stands().isEmpty()
                ? Optional.of(new EnergizerJudge(plan, around, solver, needV, needing))
                : Optional.empty();
        EnergizerRating plate = own.filter(p -> usable)
                .or(this::stands)
                .or(() -> compared.flatMap(EnergizerJudge::recommended))
                .orElse(USUAL);
        Conditions likely = Conditions.likely(plate, plan.circumstances());
        if (!likely.dampingFits()) {
            warn(Rule.E9, new CircuitMessage.DampingDoesNotFit(plate.name()));
        }
        Solved middle = asked.contains(Part.CURRENTS)
                ? solver.withCurrents(likely, trial, spots)
                : solver.volts(likely, trial, spots);
        if (!middle.solution().solved()) {
            return unsolved(new CircuitMessage.NotSolved(middle.solution().says()), plate, usable);
        }
        Range range = asked.contains(Part.RANGE) ? new Range(solver, likely, trial, spots, middle) : Range.none(middle);
        List<PulsePoint> points = points(spots, middle, range);
        Optional<PulsePoint> weakest = points.stream()
                .filter(p -> p.likelyV() > 0 && needing.contains(new Spot(p.lineId(), p.stationM())))
                .min(Comparator.comparingDouble(PulsePoint::likelyV));
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
        Optional<Spot> spot = weakest.map(w -> new Spot(w.lineId(), w.stationM()));
        OptionalDouble weakestV =
                weakest.map(w -> OptionalDouble.of(w.likelyV())).orElse(OptionalDouble.empty());
        return new Electrics(
                Message.NONE,
                plate,
                usable,
                needV,
                Bands.of(needV),
                points,
                sections(points, middle),
                weakest,
                middle.fence().circuit().earthOhm(),
                assumed(spots, range, weakest),
                middle.fence().dead(),
                findings,
                Optional.of(new Electrics.Work(
                        middle.fence().circuit().runs().size(),
                        middle.solution().frequencies(),
                        middle.solution().windowS())),
                when(asked, Part.RESERVE, () -> ReserveSearch.of(solver, likely, trial, needing, needV, weakestV)),
                compared.filter(c -> asked.contains(Part.ENERGIZERS)).map(EnergizerJudge::answer),
                when(asked, Part.EARTH, () -> new EarthJudge(plan, around, solver, likely, spot).judge(trial)),
                when(asked, Part.SUPPLY, () -> new SupplyJudge(plan, layout, plate, weakestV.orElse(0)).judge()),
                when(asked, Part.WHAT_IFS, () -> new WhatIfs(plan, laid, around, trial, likely, needing).all()));
    }

    private static <T> Optional<T> when(Set<Part> asked, Part part, Supplier<T> answer) {
        return asked.contains(part) ? Optional.of(answer.get()) : Optional.empty();
    }

    private Electrics unsolved(Message says, EnergizerRating plate, boolean chosen) {
        return new Electrics(
                says,
                plate,
                chosen,
                needV,
                Bands.of(needV),
                List.of(),
                List.of(),
                Optional.empty(),
                solver.rodsOhm(plan.circumstances().ground()),
                List.of(),
                List.of(),
                findings,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());
    }

    private List<PulsePoint> points(List<Spot> spots, Solved middle, Range range) {
        Fence fence = laid.fence();
        Map<String, Stationing> lines =
                fence.lines().stream().collect(Collectors.toMap(LaidLine::id, LaidLine::stationing));
        Set<String> feeders = layout.feeders();
        List<PulsePoint> points = new ArrayList<>();
        for (int i = 0; i < spots.size(); i++) {
            Spot s = spots.get(i);
            double v = middle.volts(i);
            GeoPoint at = fence.plane()
                    .toGeo(Objects.requireNonNull(lines.get(s.lineId())).at(s.stationM()));
            points.add(new PulsePoint(
                    s.lineId(),
                    s.stationM(),
                    at.lonDeg(),
                    at.latDeg(),
                    range.lowV(i),
                    v,
                    range.highV(i),
                    middle.at().get(i).map(a -> OptionalDouble.of(a.atS())).orElse(OptionalDouble.empty()),
                    middle.at().get(i).map(Solution.Answer::currentA).orElse(OptionalDouble.of(0)),
                    feeders.contains(s.lineId()) ? Standing.MET : Standing.of(v, needV)));
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
