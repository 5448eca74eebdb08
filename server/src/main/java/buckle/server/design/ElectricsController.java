package buckle.server.design;

import buckle.circuit.AtPoint;
import buckle.circuit.Electrics;
import buckle.circuit.ElectricsPlanner;
import buckle.circuit.Trial;
import buckle.exchange.InUnits;
import buckle.land.Land;
import buckle.power.Energizers;
import buckle.pulse.EnergizerRating;
import buckle.readings.ExpectedReading;
import buckle.readings.FaultSearch.NextSteps;
import buckle.readings.FaultSearch.OnFoot;
import buckle.readings.FaultSearch.StandsAt;
import buckle.readings.FenceDiagnosis;
import buckle.readings.Observation;
import buckle.server.web.WorkQueue;
import buckle.server.web.WorkQueue.Kind;
import buckle.site.BadInput;
import buckle.spec.GroundState;
import buckle.spec.Growth;
import buckle.spec.Insulators;
import buckle.spec.Plan;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The pulse on a plan; nothing here is stored. */
@RestController
@RequestMapping("/api")
@Tag(name = "electrics")
class ElectricsController {
    private final Designs designs;
    private final Searches searches;
    private final WorkQueue queue;

    ElectricsController(Designs designs, Searches searches, WorkQueue queue) {
        this.designs = designs;
        this.searches = searches;
        this.queue = queue;
    }

    private static final int MOST_READINGS = 20_000;
    /**
     * A plan on its land, what is tried out on it, and what is asked besides the curve.
     *
     * @param held an energizer to reckon with, whatever the plan chose; the layout stays the plan's own, so that the views of one plan
     *     share it
     */
    record ElectricsOrder(
            Plan plan, Land land, Trial trial, Set<Electrics.Part> parts, Optional<EnergizerRating> held) {}

    /** The pulse; empty while there is no fence. */
    record ElectricsAnswer(Optional<Electrics> electrics) {}

    /** One place of a plan, reckoned with an energizer that is held to. */
    record PlaceOrder(
            Plan plan, Land land, Trial trial, String lineId, double stationM, Optional<EnergizerRating> held) {}

    /** The pulse at a place; empty where nothing is fed. */
    record PlaceAnswer(Optional<AtPoint> at) {}

    /** A choice with its words. */
    record PowerChoice(String id, String text) {}

    /** What can be chosen. */
    record PowerChoices(
            List<EnergizerRating> energizers,
            List<PowerChoice> growth,
            List<PowerChoice> insulators,
            List<PowerChoice> ground,
            List<PowerChoice> modes) {}

    @PostMapping("/electrics")
    @Operation(operationId = "electrics", summary = "Voltage everywhere, the energizer, the earth and the battery")
    InUnits<ElectricsAnswer> electrics(@RequestBody ElectricsOrder order) {
        return queue.run(Kind.COMPUTATION, () -> {
            Designs.Worked worked = designs.of(order.plan(), order.land());
            return new InUnits<>(
                    order.plan().spec().units(),
                    new ElectricsAnswer(ElectricsPlanner.of(
                            holding(order.plan(), order.held()),
                            worked.design().laid(),
                            worked.around(),
                            order.trial(),
                            order.parts())));
        });
    }

    /**
     * A plan with its readings.
     *
     * @param since readings from then on are taken with something wrong, those before in order
     */
    record FaultOrder(Plan plan, Land land, List<Observation> readings, Instant since) {}

    @PostMapping("/electrics/faults")
    @Operation(
            operationId = "faults",
            summary = "Where a fault must be, from readings in order and those since something is wrong")
    FenceDiagnosis faults(@RequestBody FaultOrder order) {
        limited(order.readings());
        return queue.run(Kind.COMPUTATION, () -> {
            Designs.Worked worked = designs.of(order.plan(), order.land());
            return FenceDiagnosis.of(
                    order.plan(), worked.design().laid(), worked.around(), order.readings(), order.since());
        });
    }

    /**
     * A crew that looks for a fault.
     *
     * @param since as of the faults
     * @param here where it stands; empty at the energizer
     */
    record SearchOrder(
            Plan plan, Land land, List<Observation> readings, Instant since, Optional<StandsAt> here, OnFoot crew) {}

    @PostMapping("/electrics/next-steps")
    @Operation(
            operationId = "nextSteps",
            summary =
                    "Where to read, which cut-out to open, which stretch to look over, so that a fault is found soonest")
    NextSteps nextSteps(@RequestBody SearchOrder order) {
        limited(order.readings());
        OnFoot crew = order.crew().checked("crew.metresPerMinute");
        NextSteps answer = queue.run(
                Kind.COMPUTATION,
                () -> searches.of(order.plan(), order.land(), order.readings(), order.since(), crew)
                        .map(s -> s.next(order.plan(), order.readings(), order.since(), order.here(), crew))
                        .orElseGet(() -> new NextSteps(List.of(), 0)));
        // While the crew walks there the heat after its reading is made ready.
        answer.steps().stream()
                .findFirst()
                .flatMap(first -> ExpectedReading.of(first, crew.currents()))
                .ifPresent(
                        expected -> makeReady(order.plan(), order.land(), order.readings(), order.since(), expected));
        return answer;
    }

    /** A reading that will be taken next, of a plan with the readings there are. */
    record ExpectedOrder(Plan plan, Land land, List<Observation> readings, Instant since, ExpectedReading expected) {}

    @PostMapping("/electrics/expected-reading")
    @ResponseStatus(HttpStatus.ACCEPTED)
    @Operation(
            operationId = "expectReading",
            summary = "Says where a reading is about to be taken, so that what follows from it is told at once")
    void expectReading(@RequestBody ExpectedOrder order) {
        limited(order.readings());
        ExpectedReading expected = order.expected();
        boolean known = expected.stationM() >= 0
                && order.plan().site().lines().stream().anyMatch(l -> l.id().equals(expected.lineId()));
        if (!known) {
            throw noPlace("expected.stationM", expected.lineId(), expected.stationM());
        }
        makeReady(order.plan(), order.land(), order.readings(), order.since(), expected);
    }

    private void makeReady(Plan plan, Land land, List<Observation> readings, Instant since, ExpectedReading expected) {
        queue.later(() -> {
            Designs.Worked worked = designs.of(plan, land);
            FenceDiagnosis.makeReady(plan, worked.design().laid(), worked.around(), readings, since, expected);
        });
    }

    private static void limited(List<Observation> readings) {
        if (readings.size() > MOST_READINGS) {
            throw new BadInput("faults.readings", "readings", "At most 20,000 readings are taken.");
        }
    }

    @PostMapping("/electrics/at")
    @Operation(operationId = "electricsAt", summary = "The pulse in time at one place, and what an animal there gets")
    InUnits<PlaceAnswer> at(@RequestBody PlaceOrder order) {
        return queue.run(Kind.COMPUTATION, () -> {
            Designs.Worked worked = designs.of(order.plan(), order.land());
            boolean known = worked.design().layout().lines().stream()
                    .anyMatch(l -> l.lineId().equals(order.lineId())
                            && order.stationM() >= 0
                            && order.stationM() <= l.lengthM() + 0.1);
            if (!known) {
                throw noPlace("stationM", order.lineId(), order.stationM());
            }
            return new InUnits<>(
                    order.plan().spec().units(),
                    new PlaceAnswer(AtPoint.of(
                            holding(order.plan(), order.held()),
                            worked.design().laid(),
                            worked.around(),
                            order.trial(),
                            order.lineId(),
                            order.stationM())));
        });
    }

    private static BadInput noPlace(String path, String lineId, double stationM) {
        return new BadInput(
                "electrics.place", path, "There is no station " + stationM + " m on a line “" + lineId + "”.");
    }

    static Plan holding(Plan plan, Optional<EnergizerRating> held) {
        return held.map(plate -> plan.withSpec(plan.spec().withSupply(s -> s.withEnergizer(Optional.of(plate)))))
                .orElse(plan);
    }

    @GetMapping("/power-choices")
    @Operation(operationId = "powerChoices", summary = "Generic energizers, states of growth and ground, power modes")
    PowerChoices choices() {
        return new PowerChoices(
                Energizers.GENERIC,
                Arrays.stream(Growth.values())
                        .map(g -> new PowerChoice(g.name(), g.text()))
                        .toList(),
                Arrays.stream(Insulators.values())
                        .map(i -> new PowerChoice(i.name(), i.text()))
                        .toList(),
                Arrays.stream(GroundState.values())
                        .map(g -> new PowerChoice(g.name(), g.text()))
                        .toList(),
                Arrays.stream(Energizers.Mode.values())
                        .map(m -> new PowerChoice(m.name(), m.text()))
                        .toList());
    }
}
