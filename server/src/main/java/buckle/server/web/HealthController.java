package buckle.server.web;

import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;

/** Whether Buckle can do its work: that the server answers, and that the database does. */
@RestController
@Tag(name = "health")
class HealthController {
    private final JdbcClient database;

    HealthController(JdbcClient database) {
        this.database = database;
    }

    /**
     * How it is.
     *
     * @param ready whether it can read and store
     * @param database whether the database answers
     */
    record Health(boolean ready, boolean database, List<String> says) {}

    @GetMapping("/api/health")
    @Operation(
            operationId = "health",
            summary = "Whether the server and its database answer; 503 while the database does not")
    ResponseEntity<Health> health() {
        try {
            database.sql("select 1").query(Integer.class).single();
            return ResponseEntity.ok(new Health(true, true, List.of()));
        } catch (RuntimeException e) {
            return ResponseEntity.status(HttpStatus.SERVICE_UNAVAILABLE)
                    .body(new Health(false, false, List.of("The database does not answer.")));
        }
    }
}
