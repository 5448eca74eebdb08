package buckle.server.readings;

import buckle.design.Design;
import buckle.exchange.Limits;
import buckle.exchange.in.ReadingsTable;
import buckle.layout.Layout;
import buckle.readings.Observation;
import buckle.server.jobs.JobService;
import buckle.server.land.LandService;
import buckle.server.web.WorkQueue;
import buckle.server.web.WorkQueue.Kind;
import buckle.site.BadInput;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.time.DateTimeException;
import java.time.ZoneId;
import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Readings over HTTP. */
@RestController
@RequestMapping("/api/jobs/{id}/readings")
@Tag(name = "readings")
class ReadingController {
    private final ReadingService service;
    private final JobService jobs;
    private final LandService land;
    private final WorkQueue queue;

    ReadingController(ReadingService service, JobService jobs, LandService land, WorkQueue queue) {
        this.service = service;
        this.jobs = jobs;
        this.land = land;
        this.queue = queue;
    }

    @GetMapping
    @Operation(operationId = "listReadings", summary = "All readings of a job, corrected ones too, oldest first")
    List<Observation> list(@PathVariable UUID id) {
        return service.of(id);
    }

    @PostMapping(value = "/import", consumes = "application/octet-stream")
    @Operation(
            operationId = "importReadings",
            summary = "Readings from a CSV: good rows are stored once however often they are sent, the others named")
    ReadingsImport importTable(
            @PathVariable UUID id,
            HttpServletRequest request,
            @RequestParam(defaultValue = "") String by,
            @RequestParam(defaultValue = "Z") String zone)
            throws IOException {
        byte[] bytes = request.getInputStream().readNBytes((int) Limits.MOST_BYTES + 1);
        ReadingsTable table = queue.run(
                Kind.IMPORT, () -> ReadingsTable.read(bytes, layout(id), id, by.isBlank() ? "table" : by, zone(zone)));
        return service.take(id, table);
    }

    private Layout layout(UUID id) {
        return Design.of(jobs.plan(id).plan(), land.around(jobs.find(id).propertyId()))
                .layout();
    }

    private static ZoneId zone(String zone) {
        try {
            return ZoneId.of(zone);
        } catch (DateTimeException e) {
            throw new BadInput("readings.zone", "zone", "The time zone is not known: write Europe/Dublin or Z.");
        }
    }

    @PostMapping
    @Operation(
            operationId = "addReadings",
            summary =
                    "Add readings; sending one twice stores it once; those that cannot be taken are named, the others stored",
            requestBody =
                    @io.swagger.v3.oas.annotations.parameters.RequestBody(
                            required = true,
                            content =
                                    @Content(
                                            mediaType = "application/json",
                                            array =
                                                    @ArraySchema(
                                                            schema = @Schema(implementation = Observation.class)))))
    TakenReadings add(@PathVariable UUID id, @RequestBody List<JsonNode> readings) {
        return service.take(id, readings);
    }
}
