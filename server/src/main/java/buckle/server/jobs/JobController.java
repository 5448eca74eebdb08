package buckle.server.jobs;

import buckle.exchange.GpxWriter;
import buckle.exchange.JobFile;
import buckle.exchange.JobFileWriter;
import buckle.exchange.LayoutGeoJson;
import buckle.exchange.TakeoffCsv;
import buckle.server.readings.ReadingService;
import buckle.spec.Plan;
import buckle.takeoff.Design;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import org.springframework.http.ContentDisposition;
import org.springframework.http.HttpHeaders;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Jobs and their plans over HTTP. */
@RestController
@RequestMapping("/api/jobs")
@Tag(name = "jobs")
class JobController {
    private final JobService service;
    private final Yard yard;
    private final ReadingService readings;

    JobController(JobService service, Yard yard, ReadingService readings) {
        this.service = service;
        this.yard = yard;
        this.readings = readings;
    }

    /** Id of a job that was made. */
    record JobId(UUID id) {}

    /** Name of a copy, and whether it is a template. */
    record CopyOrder(String name, boolean template) {}

    /** Where a job is to be kept. */
    record MoveOrder(JobState state) {}

    @GetMapping
    @Operation(operationId = "listJobs", summary = "All jobs and where they stand")
    List<JobView> list() {
        return yard.jobs();
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
        return new JobId(service.copy(id, order.name(), order.template()));
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

    @GetMapping("/{id}/revisions")
    @Operation(operationId = "listRevisions", summary = "History of the plan, newest first")
    List<JobMapper.RevisionInfo> revisions(@PathVariable UUID id) {
        return service.revisions(id);
    }

    @PostMapping("/{id}/revisions/{revision}/restore")
    @Operation(operationId = "restoreRevision", summary = "Make an earlier or aside revision current")
    PlanState restore(@PathVariable UUID id, @PathVariable int revision) {
        return service.restore(id, revision);
    }

    @GetMapping(value = "/{id}/job.geojson", produces = "application/geo+json")
    @Operation(operationId = "exportJob", summary = "The whole job as a job file")
    ResponseEntity<byte[]> export(@PathVariable UUID id) {
        JobRow job = service.find(id);
        Plan plan = service.plan(id).plan();
        JobFile file = new JobFile(job.name(), job.client(), job.property(), plan.site(), plan.spec(), readings.of(id));
        return file(job, "job.geojson", "application/geo+json", JobFileWriter.write(file));
    }

    @GetMapping(value = "/{id}/takeoff.csv", produces = "text/csv")
    @Operation(operationId = "exportTakeoff", summary = "The takeoff as CSV")
    ResponseEntity<byte[]> takeoff(@PathVariable UUID id) {
        Plan plan = service.plan(id).plan();
        byte[] csv = TakeoffCsv.write(Design.of(plan.site(), plan.spec()).takeoff());
        return file(service.find(id), "takeoff.csv", "text/csv;charset=UTF-8", csv);
    }

    @GetMapping(value = "/{id}/layout.geojson", produces = "application/geo+json")
    @Operation(operationId = "exportLayout", summary = "Lines and posts as GeoJSON")
    ResponseEntity<byte[]> layout(@PathVariable UUID id) {
        Plan plan = service.plan(id).plan();
        byte[] json = LayoutGeoJson.write(
                plan.site(), Design.of(plan.site(), plan.spec()).layout());
        return file(service.find(id), "layout.geojson", "application/geo+json", json);
    }

    @GetMapping(value = "/{id}/strong-posts.gpx", produces = "application/gpx+xml")
    @Operation(operationId = "exportGpx", summary = "Strong posts as waypoints, lines as tracks")
    ResponseEntity<byte[]> gpx(@PathVariable UUID id) {
        Plan plan = service.plan(id).plan();
        byte[] xml =
                GpxWriter.write(plan.site(), Design.of(plan.site(), plan.spec()).layout());
        return file(service.find(id), "strong-posts.gpx", "application/gpx+xml", xml);
    }

    private static ResponseEntity<byte[]> file(JobRow job, String name, String type, byte[] body) {
        ContentDisposition disposition = ContentDisposition.attachment()
                .filename(job.name() + " " + name, StandardCharsets.UTF_8)
                .build();
        return ResponseEntity.ok()
                .header(HttpHeaders.CONTENT_TYPE, type)
                .header(HttpHeaders.CONTENT_DISPOSITION, disposition.toString())
                .body(body);
    }
}
