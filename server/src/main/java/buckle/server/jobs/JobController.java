package buckle.server.jobs;

import buckle.exchange.Json;
import buckle.exchange.document.StoredDocument;
import buckle.server.revisions.RevisionMapper.RevisionInfo;
import buckle.server.web.RequestRefused;
import buckle.spec.Plan;
import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springdoc.core.annotations.ParameterObject;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.node.ObjectNode;

/** Jobs and their plans over HTTP. */
@RestController
@RequestMapping("/api/jobs")
@Tag(name = "jobs")
class JobController {
    private final JobService service;
    private final Yard yard;

    JobController(JobService service, Yard yard) {
        this.service = service;
        this.yard = yard;
    }

    /** What a job is called and whose it is. */
    record JobHead(
            UUID id, String name, UUID propertyId, String client, String property, JobState state, Instant changedAt) {}

    /** Id of a job that was made. */
    record JobId(UUID id) {}

    /**
     * Name of a copy, and whether it is a template.
     *
     * @param id made by whoever asks, so that sending it twice makes one copy; left out, one is made here
     */
    record CopyOrder(String name, boolean template, Optional<UUID> id) {}

    /** A plan as an older Buckle wrote it, left in a browser. */
    record OlderPlan(
            int schema,
            @JsonSetter(contentNulls = Nulls.SET) Map<String, Object> plan) {}

    /** Where a job is to be kept. */
    record MoveOrder(JobState state) {}

    @GetMapping
    @Operation(operationId = "listJobs", summary = "A page of the jobs and where they stand")
    JobPage list(@ParameterObject YardQuery query) {
        return yard.jobs(query);
    }

    @GetMapping("/clients")
    @Operation(operationId = "listClients", summary = "Clients that have jobs, by name")
    List<String> clients() {
        return yard.clients();
    }

    @GetMapping("/{id}")
    @Operation(operationId = "getJob", summary = "A job's name, client and property")
    JobHead head(@PathVariable UUID id) {
        JobRow row = service.find(id);
        return new JobHead(
                row.id(), row.name(), row.propertyId(), row.client(), row.property(), row.state(), row.changedAt());
    }

    @PostMapping
    @ResponseStatus(org.springframework.http.HttpStatus.CREATED)
    @Operation(operationId = "createJob", summary = "Open a new job")
    JobId create(@RequestBody JobNew job) {
        return new JobId(service.create(job));
    }

    @PutMapping("/{id}")
    @Operation(operationId = "renameJob", summary = "Change name, client and property")
    void rename(@PathVariable UUID id, @RequestBody JobNew job) {
        service.rename(id, job);
    }

    @PostMapping("/{id}/copy")
    @ResponseStatus(org.springframework.http.HttpStatus.CREATED)
    @Operation(operationId = "copyJob", summary = "Copy a plan as a new job or template")
    JobId copy(@PathVariable UUID id, @RequestBody CopyOrder order) {
        return new JobId(service.copy(id, order.id().orElseGet(UUID::randomUUID), order.name(), order.template()));
    }

    @PutMapping("/{id}/state")
    @Operation(operationId = "moveJob", summary = "Archive, delete or make active")
    void move(@PathVariable UUID id, @RequestBody MoveOrder order) {
        service.move(id, order.state());
    }

    @PostMapping("/{id}/bring-back")
    @Operation(operationId = "bringBackJob", summary = "Bring a deleted job back to where it was")
    void bringBack(@PathVariable UUID id) {
        service.bringBack(id);
    }

    @GetMapping("/{id}/plan")
    @Operation(operationId = "getPlan", summary = "The plan as it stands")
    PlanState plan(@PathVariable UUID id) {
        return service.plan(id);
    }

    @PutMapping("/{id}/plan")
    @Operation(operationId = "savePlan", summary = "Save the plan; 409 keeps a stale save aside")
    PlanState save(@PathVariable UUID id, @RequestBody PlanSave save) {
        return service.save(id, save);
    }

    @PostMapping("/plan/upgrade")
    @Operation(
            operationId = "upgradePlan",
            summary = "A plan of an older schema, brought up to date; nothing is stored")
    Plan upgrade(@RequestBody OlderPlan older) {
        ObjectNode root = Json.MAPPER.valueToTree(older.plan());
        root.put("schema", older.schema());
        try {
            return StoredDocument.PLAN.read(root);
        } catch (IllegalStateException | JacksonException | ClassCastException e) {
            throw new RequestRefused(
                    422, "document.unreadable", "This plan of schema " + older.schema() + " cannot be read.", Map.of());
        }
    }

    @GetMapping("/{id}/revisions")
    @Operation(operationId = "listRevisions", summary = "History of the plan, newest first")
    List<RevisionInfo> revisions(@PathVariable UUID id) {
        return service.revisions(id);
    }

    @PostMapping("/{id}/revisions/{revision}/restore")
    @Operation(operationId = "restoreRevision", summary = "Make an earlier or aside revision current")
    PlanState restore(@PathVariable UUID id, @PathVariable int revision) {
        return service.restore(id, revision);
    }

    /** What a revision is called. */
    record LabelOrder(String label) {}

    @GetMapping("/{id}/revisions/{revision}")
    @Operation(operationId = "getRevision", summary = "A plan as it was")
    Plan revision(@PathVariable UUID id, @PathVariable int revision) {
        return service.revisionPlan(id, revision);
    }

    @PutMapping("/{id}/revisions/{revision}/label")
    @Operation(operationId = "labelRevision", summary = "Name a revision, so that it is kept for good")
    void label(@PathVariable UUID id, @PathVariable int revision, @RequestBody LabelOrder order) {
        service.label(id, revision, order.label());
    }
}
