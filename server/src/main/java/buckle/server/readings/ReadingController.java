package buckle.server.readings;

import buckle.readings.Observation;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.media.ArraySchema;
import io.swagger.v3.oas.annotations.media.Content;
import io.swagger.v3.oas.annotations.media.Schema;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.databind.JsonNode;

/** Readings over HTTP. */
@RestController
@RequestMapping("/api/jobs/{id}/readings")
@Tag(name = "readings")
class ReadingController {
    private final ReadingService service;

    ReadingController(ReadingService service) {
        this.service = service;
    }

    @GetMapping
    @Operation(operationId = "listReadings", summary = "All readings of a job, corrected ones too, oldest first")
    List<Observation> list(@PathVariable UUID id) {
        return service.of(id);
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
