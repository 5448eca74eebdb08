package buckle.server.web;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.UUID;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Where heavy work stands, for whoever waits for it. */
@RestController
@RequestMapping("/api/work")
@Tag(name = "work")
class WorkController {
    private final WorkQueue queue;

    WorkController(WorkQueue queue) {
        this.queue = queue;
    }

    @GetMapping("/{ticket}")
    @Operation(
            operationId = "workProgress",
            summary =
                    "Where the request stands that was sent with this ticket in the header Buckle-Ticket; no content before it is queued and once it is answered")
    ResponseEntity<WorkQueue.Progress> progress(@PathVariable UUID ticket) {
        return queue.progress(ticket)
                .map(ResponseEntity::ok)
                .orElseGet(() -> ResponseEntity.noContent().build());
    }
}
