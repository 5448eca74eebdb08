package buckle.server.live;

import buckle.server.jobs.JobService;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.UUID;
import org.springframework.http.MediaType;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** What is stored for a job as it comes, over HTTP. */
@RestController
@RequestMapping("/api")
@Tag(name = "live")
class LiveController {
    private final LivePages pages;
    private final JobService jobs;

    LiveController(LivePages pages, JobService jobs) {
        this.pages = pages;
        this.jobs = jobs;
    }

    @GetMapping(value = "/jobs/{id}/live", produces = MediaType.TEXT_EVENT_STREAM_VALUE)
    @Operation(
            operationId = "live",
            summary =
                    "What is stored for a job, by whomever, as server-sent events: “readings”, each a list as JSON, and “log”, the id of a note of a fault")
    SseEmitter live(@PathVariable UUID id) {
        jobs.find(id);
        return pages.stream(id);
    }
}
