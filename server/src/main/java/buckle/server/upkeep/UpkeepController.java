package buckle.server.upkeep;

import buckle.server.jobs.JobService;
import buckle.server.web.WorkQueue;
import buckle.server.web.WorkQueue.Kind;
import buckle.upkeep.Failures;
import buckle.upkeep.FaultNote;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.List;
import java.util.OptionalInt;
import java.util.UUID;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The log of faults and what is due, over HTTP. */
@RestController
@RequestMapping("/api")
@Tag(name = "upkeep")
class UpkeepController {
    private final FaultNotes notes;
    private final Upkeep upkeep;
    private final JobService jobs;
    private final WorkQueue queue;

    UpkeepController(FaultNotes notes, Upkeep upkeep, JobService jobs, WorkQueue queue) {
        this.notes = notes;
        this.upkeep = upkeep;
        this.jobs = jobs;
        this.queue = queue;
    }

    /** Days from one round to the next; null for the usual. */
    record RoundsAgreed(OptionalInt days) {}

    @GetMapping("/jobs/{id}/upkeep")
    @Operation(operationId = "jobUpkeep", summary = "A fence's faults, trends by test point, and its next round")
    Upkeep.JobUpkeep of(@PathVariable UUID id) {
        jobs.find(id);
        return queue.run(Kind.COMPUTATION, () -> upkeep.of(id));
    }

    @GetMapping("/jobs/{id}/log")
    @Operation(operationId = "faultNotes", summary = "All notes of faults of a job, oldest first")
    List<FaultNote> log(@PathVariable UUID id) {
        jobs.find(id);
        return notes.of(id);
    }

    @PostMapping("/jobs/{id}/log")
    @Operation(
            operationId = "addFaultNote",
            summary = "Write a fault down, or how it stands now; sending a note twice stores it once")
    Upkeep.JobUpkeep add(@PathVariable UUID id, @RequestBody FaultNote note) {
        notes.add(id, note);
        return of(id);
    }

    @PutMapping("/jobs/{id}/rounds")
    @Operation(operationId = "agreeRounds", summary = "How many days lie between rounds")
    Upkeep.JobUpkeep rounds(@PathVariable UUID id, @RequestBody RoundsAgreed agreed) {
        notes.setRoundDays(id, agreed.days().isPresent() ? agreed.days().getAsInt() : null);
        return of(id);
    }

    @GetMapping("/upkeep")
    @Operation(
            operationId = "workToDo",
            summary = "Rounds due, faults not mended and test points that fall, of all jobs")
    Upkeep.WorkToDo all() {
        return queue.run(Kind.COMPUTATION, upkeep::all);
    }

    @GetMapping("/failures")
    @Operation(operationId = "failures", summary = "What fails over all jobs, and what is looked at first for it")
    Failures failures() {
        return queue.run(Kind.COMPUTATION, upkeep::failures);
    }
}
