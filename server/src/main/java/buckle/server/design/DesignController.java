package buckle.server.design;

import buckle.circuit.Electrics;
import buckle.circuit.ElectricsPlanner;
import buckle.circuit.Trial;
import buckle.design.Comparison;
import buckle.design.Design;
import buckle.exchange.DesignView;
import buckle.exchange.InUnits;
import buckle.exchange.Limits;
import buckle.exchange.Rows;
import buckle.exchange.Swap;
import buckle.exchange.document.StoredDocument;
import buckle.exchange.in.Importer;
import buckle.exchange.in.Picture;
import buckle.exchange.in.PointTable;
import buckle.exchange.job.JobFile;
import buckle.exchange.prices.PriceView;
import buckle.land.GridRef;
import buckle.land.Land;
import buckle.land.Surroundings;
import buckle.message.Dialect;
import buckle.price.JobTerms;
import buckle.pulse.EnergizerRating;
import buckle.readings.Assessment;
import buckle.readings.Assessor;
import buckle.readings.Observation;
import buckle.rulebook.Basis;
import buckle.rulebook.Rule;
import buckle.rulebook.Values;
import buckle.server.jobs.JobService;
import buckle.server.land.LandService;
import buckle.server.prices.PriceService;
import buckle.server.web.WorkQueue;
import buckle.server.web.WorkQueue.Kind;
import buckle.setout.Remeasure;
import buckle.setout.SetOut;
import buckle.setout.SetOutPlanner;
import buckle.site.BadInput;
import buckle.site.FenceLine;
import buckle.site.Problem;
import buckle.site.Site;
import buckle.site.SiteCheck;
import buckle.site.Survey;
import buckle.site.WalkAverage;
import buckle.spec.Animal;
import buckle.spec.Plan;
import buckle.spec.Preset;
import buckle.spec.Spec;
import buckle.tape.Squaring;
import buckle.tape.TapeAdjuster;
import buckle.tape.TapeBook;
import buckle.tape.TapeResult;
import buckle.units.UnitSystem;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** What the core tells of a plan, a file or the rules; nothing here is stored but an imported job file. */
@RestController
@RequestMapping("/api")
@Tag(name = "design")
class DesignController {
    private final JobService jobs;
    private final LandService lands;
    private final Designs designs;
    private final PriceService prices;
    private final WorkQueue queue;

    DesignController(JobService jobs, LandService lands, Designs designs, PriceService prices, WorkQueue queue) {
        this.prices = prices;
        this.jobs = jobs;
        this.lands = lands;
        this.designs = designs;
        this.queue = queue;
    }

    /** A plan on its land, with the readings to hold against it. */
    record DesignOrder(Plan plan, Land land, List<Observation> readings, Optional<JobTerms> terms) {}

    /**
     * All that follows from a plan, and what its readings say.
     *
     * @param price what it would be offered for; empty while the price book is
     */
    record DesignAnswer(DesignView design, Assessment assessment, Optional<PriceView.Estimate> price) {}

    /**
     * What a dropped file was: a job that was opened, or something to look at before it is taken.
     *
     * @param leftOut what of a job was not taken, a sentence each
     * @param swap coordinates read so would come to lie on the property
     */
    record ImportAnswer(
            Optional<Survey> survey,
            Optional<UUID> jobId,
            List<String> leftOut,
            Optional<GridRef> grid,
            Optional<TapeBook> tape,
            Optional<PointTable> table,
            Optional<Picture> picture,
            Optional<Swap> swap) {}

    /** A plan on its land, to set out. */
    record SetOutOrder(Plan plan, Land land, List<Observation> readings) {}

    /** A rectangle to square, with its taped diagonals when there are some. */
    record SquaringOrder(double frontM, double sideM, OptionalDouble acM, OptionalDouble bdM, UnitSystem units) {}

    /** What was taped between corners of a line. */
    record RemeasureOrder(Site site, String lineId, List<Remeasure.Taped> measures) {}

    /** A line and another walk of it. */
    record AverageOrder(FenceLine line, FenceLine walk) {}

    /** Two plans on one land. */
    record CompareOrder(Plan before, Plan after, Land land) {}

    @PostMapping("/tape")
    @Operation(operationId = "adjustTape", summary = "Adjust a tape book by least squares")
    TapeResult tape(@RequestBody TapeBook book) {
        return queue.run(Kind.COMPUTATION, () -> TapeAdjuster.adjust(book));
    }

    @PostMapping("/squaring")
    @Operation(operationId = "square", summary = "Diagonal, 3-4-5 marks and what to move to square a rectangle")
    Squaring square(@RequestBody SquaringOrder o) {
        try {
            return Squaring.of(o.frontM(), o.sideM(), o.acM(), o.bdM(), o.units());
        } catch (IllegalArgumentException e) {
            String message = Objects.requireNonNull(e.getMessage());
            throw new BadInput(
                    "squaring", "order", Character.toUpperCase(message.charAt(0)) + message.substring(1) + ".");
        }
    }

    @PostMapping("/remeasure")
    @Operation(operationId = "remeasure", summary = "Fit a line to what was taped on the first day")
    Remeasure.Fitted remeasure(@RequestBody RemeasureOrder order) {
        return queue.run(Kind.COMPUTATION, () -> {
            checked(order.site());
            return Remeasure.fit(order.site(), order.lineId(), order.measures());
        });
    }

    @PostMapping("/average")
    @Operation(operationId = "averageWalks", summary = "Average a line with another walk of it")
    WalkAverage.Averaged average(@RequestBody AverageOrder order) {
        return queue.run(Kind.COMPUTATION, () -> {
            for (FenceLine line : List.of(order.line(), order.walk())) {
                FenceLine alone = line.withStartsOn(Optional.empty()).withEndsOn(Optional.empty());
                checked(new Site(List.of(alone), Optional.empty()));
            }
            return WalkAverage.of(order.line(), order.walk());
        });
    }

    @PostMapping("/compare")
    @Operation(operationId = "compare", summary = "Two plans side by side")
    DesignView.Difference compare(@RequestBody CompareOrder order) {
        return queue.run(Kind.COMPUTATION, () -> {
            Surroundings around = lands.around(order.land());
            return DesignView.Difference.of(
                    Comparison.of(order.before(), order.after(), around),
                    order.after().spec().units());
        });
    }

    @PostMapping("/set-out")
    @Operation(operationId = "setOut", summary = "The set-out sheet of a plan")
    SetOut setOut(@RequestBody SetOutOrder order) {
        return queue.run(Kind.COMPUTATION, () -> {
            Design design = Design.of(order.plan(), lands.around(order.land()));
            return SetOutPlanner.plan(
                    design.layout(), order.land(), order.plan().spec());
        });
    }

    private static void checked(Site site) {
        List<Problem> problems = SiteCheck.problems(site);
        if (!problems.isEmpty()) {
            throw new BadInput(problems);
        }
    }

    /** An animal and what it needs. */
    record AnimalInfo(Animal id, String name, OptionalDouble needV, Rule rule) {}

    /** A rule and what stands behind it. */
    record RuleInfo(Rule id, String says, Basis basis, boolean fromMemory) {}

    /**
     * What a spec can be made of, and the rules behind it.
     *
     * @param planSchema of the plans that are sent and taken
     * @param dialect words that stand for others where a job is in these units
     */
    record Catalogue(
            int rulebook,
            List<RuleInfo> rules,
            List<Preset> presets,
            List<AnimalInfo> animals,
            double gateOpeningM,
            int planSchema,
            List<Dialect.Rule> dialect,
            Spec usual) {}

    @PostMapping("/design")
    @Operation(operationId = "design", summary = "Layout, takeoff, ledger and assessment of a plan")
    InUnits<DesignAnswer> design(@RequestBody DesignOrder order) {
        return queue.run(Kind.LAYOUT, () -> {
            Design design = designs.of(order.plan(), order.land()).design();
            Spec spec = order.plan().spec();
            return new InUnits<>(
                    spec.units(),
                    new DesignAnswer(
                            DesignView.of(design, spec.units()),
                            Assessor.assess(design.layout(), spec, order.readings()),
                            prices.estimate(design, spec, order.terms())));
        });
    }

    /** What is tried out on the pulse, and the energizer that is held to. */
    record MovingPulse(Trial trial, Optional<EnergizerRating> held) {}

    /**
     * A plan in which something moves.
     *
     * @param pulse empty when nobody looks at it
     */
    record MovingOrder(
            Plan plan, Land land, List<Observation> readings, Optional<MovingPulse> pulse, Optional<JobTerms> terms) {}

    /**
     * The same while something moves: posts, braces and joints as rows of numbers, their loads and the signs left for the whole
     * answer.
     *
     * @param electrics the pulse along the lines, when it was asked for: one picture shows both
     */
    record MovingAnswer(
            DesignView design,
            List<Rows> rows,
            Assessment assessment,
            Optional<Electrics> electrics,
            Optional<PriceView.Estimate> price) {}

    @PostMapping("/design/moving")
    @Operation(
            operationId = "designMoving",
            summary =
                    "The same while something is dragged: posts, braces and joints as rows of numbers, the pulse with it if wanted")
    InUnits<MovingAnswer> moving(@RequestBody MovingOrder order) {
        return queue.run(Kind.MOVING, () -> {
            Designs.Worked worked = designs.of(order.plan(), order.land());
            Design design = worked.design();
            Rows.Packed packed = Rows.of(design.layout());
            Spec spec = order.plan().spec();
            return new InUnits<>(
                    spec.units(),
                    new MovingAnswer(
                            DesignView.of(packed.layout(), design, spec.units()),
                            packed.rows(),
                            Assessor.assess(design.layout(), spec, order.readings()),
                            order.pulse()
                                    .flatMap(p -> ElectricsPlanner.of(
                                            ElectricsController.holding(order.plan(), p.held()),
                                            design.laid(),
                                            worked.around(),
                                            p.trial(),
                                            Electrics.Part.CURVE)),
                            // Cuts are planned when the hand has let go.
                            order.terms().map(JobTerms::cutting).orElse(JobTerms.Cutting.EACH) == JobTerms.Cutting.EACH
                                    ? prices.estimate(design, spec, order.terms())
                                    : Optional.empty()));
        });
    }

    @PostMapping(value = "/imports", consumes = "application/octet-stream")
    @Operation(
            operationId = "importFile",
            summary =
                    "Read GPX, GeoJSON, KML, CSV, a tape sheet, a terrain grid, a picture or a job file; only a job file is stored, as a new job")
    ImportAnswer read(HttpServletRequest request, @ParameterObject ImportQuery query) throws IOException {
        byte[] bytes = request.getInputStream().readNBytes((int) Limits.MOST_GRID_BYTES + 1);
        Importer.Options options = query.options();
        Importer.Found found = queue.run(Kind.IMPORT, () -> Importer.read(bytes, options));
        return new ImportAnswer(
                found.survey(),
                found.job().map(job -> jobs.create(query.jobId(), job)),
                found.job().map(JobFile::leftOut).orElse(List.of()),
                found.grid().map(g -> g.ref("", "")),
                found.tape(),
                found.table(),
                found.picture(),
                found.suggestion());
    }

    @GetMapping("/catalogue")
    @Operation(operationId = "catalogue", summary = "Rules, presets, animals and the usual spec")
    Catalogue catalogue() {
        List<AnimalInfo> animals = Arrays.stream(Animal.values())
                .map(a -> new AnimalInfo(a, a.text(), a.needV(), a.rule()))
                .toList();
        return new Catalogue(
                Rule.REVISION,
                Arrays.stream(Rule.values())
                        .map(r -> new RuleInfo(r, r.says(), r.basis(), r.fromMemory()))
                        .toList(),
                Preset.all(),
                animals,
                Values.J5_OPENING_M,
                StoredDocument.PLAN.schema(),
                Dialect.RULES,
                Spec.USUAL);
    }
}
