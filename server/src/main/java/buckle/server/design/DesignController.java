package buckle.server.design;

import buckle.exchange.Importer;
import buckle.exchange.JobFile;
import buckle.exchange.Limits;
import buckle.readings.Assessment;
import buckle.readings.Assessor;
import buckle.readings.Reading;
import buckle.rulebook.Rule;
import buckle.rulebook.Rulebook;
import buckle.rulebook.Values;
import buckle.server.jobs.JobService;
import buckle.site.BadInput;
import buckle.site.Survey;
import buckle.site.WalkOptions;
import buckle.spec.Animal;
import buckle.spec.Plan;
import buckle.spec.Preset;
import buckle.spec.Spec;
import buckle.takeoff.Design;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** What the core tells of a plan, a file or the rules; nothing here is stored but an imported job file. */
@RestController
@RequestMapping("/api")
@Tag(name = "design")
class DesignController {
    private final JobService jobs;

    DesignController(JobService jobs) {
        this.jobs = jobs;
    }

    /** A plan with the readings to hold against it. */
    record DesignOrder(Plan plan, List<Reading> readings) {}

    /** All that follows from a plan, and what its readings say. */
    record DesignAnswer(Design design, Assessment assessment) {}

    /** What a dropped file was: a survey to look at, or a job that was opened. */
    record ImportAnswer(Optional<Survey> survey, Optional<UUID> jobId) {}

    /** An animal and what it needs. */
    record AnimalInfo(Animal id, String name, OptionalDouble needV, String rule) {}

    /** What a spec can be made of, and the rules behind it. */
    record Catalogue(
            int rulebook,
            List<Rule> rules,
            List<Preset> presets,
            List<AnimalInfo> animals,
            double gateOpeningM,
            Spec usual) {}

    @PostMapping("/design")
    @Operation(operationId = "design", summary = "Layout, takeoff, ledger and assessment of a plan")
    DesignAnswer design(@RequestBody DesignOrder order) {
        Design design = Design.of(order.plan().site(), order.plan().spec());
        return new DesignAnswer(
                design, Assessor.assess(design.layout(), order.plan().spec(), order.readings()));
    }

    @PostMapping(value = "/imports", consumes = "application/octet-stream")
    @Operation(
            operationId = "importFile",
            summary = "Read a GPX, GeoJSON or job file; a survey is answered and not stored, a job file opens a job")
    ImportAnswer read(
            HttpServletRequest request,
            @RequestParam Optional<Double> toleranceM,
            @RequestParam Optional<Double> closeWithinM)
            throws IOException {
        byte[] bytes = request.getInputStream().readNBytes((int) Limits.MOST_BYTES + 1);
        OptionalDouble tolerance = toleranceM.map(OptionalDouble::of).orElse(OptionalDouble.empty());
        double close = closeWithinM.orElse(WalkOptions.USUAL.closeWithinM());
        Importer.Found found = Importer.read(bytes, options(tolerance, close));
        Optional<JobFile> job = found.job();
        return new ImportAnswer(found.survey(), job.map(jobs::create));
    }

    private static WalkOptions options(OptionalDouble toleranceM, double closeWithinM) {
        try {
            return new WalkOptions(toleranceM, closeWithinM);
        } catch (IllegalArgumentException e) {
            throw new BadInput("import.options", "toleranceM", e.getMessage() + ".");
        }
    }

    @GetMapping("/catalogue")
    @Operation(operationId = "catalogue", summary = "Rules, presets, animals and the usual spec")
    Catalogue catalogue() {
        List<AnimalInfo> animals = Arrays.stream(Animal.values())
                .map(a -> new AnimalInfo(a, a.text(), a.needV(), a.rule()))
                .toList();
        return new Catalogue(
                Rulebook.REVISION, Rulebook.rules(), Preset.all(), animals, Values.J5_OPENING_M, Spec.usual());
    }

    @GetMapping("/health")
    @Operation(operationId = "health", summary = "Whether the server answers")
    String health() {
        return "\"ready\"";
    }
}
