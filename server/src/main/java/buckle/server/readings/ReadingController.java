package buckle.server.readings;

import buckle.readings.Observation;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

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
    @Operation(operationId = "addReadings", summary = "Add readings; sending one twice stores it once")
    List<Observation> add(@PathVariable UUID id, @RequestBody List<Observation> readings) {
        service.take(id, readings);
        return service.of(id);
    }
}
