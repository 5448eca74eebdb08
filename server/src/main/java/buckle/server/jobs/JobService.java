package buckle.server.jobs;

import buckle.exchange.JobFile;
import buckle.exchange.Json;
import buckle.rulebook.Rulebook;
import buckle.server.BuckleApplication;
import buckle.server.readings.ReadingService;
import buckle.server.web.Trouble;
import buckle.site.BadInput;
import buckle.site.Problem;
import buckle.site.SiteCheck;
import buckle.spec.Plan;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Opens, saves, copies and puts away jobs. A save on top of an older one is refused, and kept aside. */
@Service
public class JobService {
    private static final int LONGEST_NAME = 200;

    private final JobMapper mapper;
    private final ReadingService readings;
    private final Clock clock;

    JobService(JobMapper mapper, ReadingService readings, Clock clock) {
        this.mapper = mapper;
        this.readings = readings;
        this.clock = clock;
    }

    @Transactional
    public UUID create(JobNew job) {
        return insert(job, JobState.ACTIVE, Plan.EMPTY);
    }

    /** A job from a job file, with its readings; whole or not at all. */
    @Transactional
    public UUID create(JobFile file) {
        UUID id = insert(
                new JobNew(file.name(), file.client(), file.property()),
                JobState.ACTIVE,
                new Plan(file.site(), file.spec()));
        readings.take(id, 1, file.readings());
        return id;
    }

    /** A copy of a job's plan as a new job or template, without its readings: they belong to the fence that was read. */
    @Transactional
    public UUID copy(UUID id, String name, boolean template) {
        JobRow row = find(id);
        return insert(
                new JobNew(name, row.client(), row.property()),
                template ? JobState.TEMPLATE : JobState.ACTIVE,
                plan(id).plan());
    }

    private UUID insert(JobNew job, JobState state, Plan plan) {
        checkText("name", job.name());
        checkText("client", job.client());
        checkText("property", job.property());
        if (job.name().isBlank()) {
            throw new BadInput("job.name", "name", "Give the job a name.");
        }
        UUID id = UUID.randomUUID();
        Instant now = now();
        mapper.insert(new JobRow(
                id, job.name().strip(), job.client().strip(), job.property().strip(), state, state, 1, 1, now, now));
        mapper.insertRevision(revision(id, 1, UUID.randomUUID(), false, plan, now));
        return id;
    }

    private static void checkText(String field, String text) {
        if (text.length() > LONGEST_NAME || text.indexOf('\0') >= 0) {
            throw new BadInput("job." + field, field, "At most 200 plain characters go here.");
        }
    }

    JobRow find(UUID id) {
        return mapper.find(id).orElseThrow(() -> Trouble.missing("This job"));
    }

    private JobRow lock(UUID id) {
        return mapper.lock(id).orElseThrow(() -> Trouble.missing("This job"));
    }

    @Transactional(readOnly = true)
    public PlanState plan(UUID id) {
        JobRow row = find(id);
        RevisionRow head = mapper.revision(id, row.headRevision()).orElseThrow();
        return new PlanState(head.revision(), row.saveNo(), read(head), head.savedAt());
    }

    static Plan read(RevisionRow row) {
        return Json.MAPPER.readValue(row.doc(), Plan.class);
    }

    /** Saves a plan, or keeps it aside and refuses when somebody saved in between. */
    @Transactional(noRollbackFor = Trouble.class)
    public PlanState save(UUID id, PlanSave save) {
        check(save.plan());
        JobRow row = lock(id);
        Instant now = now();
        if (save.baseSaveNo() != row.saveNo()) {
            return refuseStale(row, save, now);
        }
        RevisionRow head = mapper.revision(id, row.headRevision()).orElseThrow();
        boolean sameSitting = head.stretch().equals(save.stretch()) && !mapper.hasReadings(id, head.revision());
        int revision = sameSitting ? head.revision() : mapper.lastRevision(id) + 1;
        RevisionRow saved = revision(id, revision, save.stretch(), false, save.plan(), now);
        if (sameSitting) {
            mapper.updateRevision(saved);
        } else {
            mapper.insertRevision(saved);
        }
        mapper.update(changed(row, revision, row.saveNo() + 1, now));
        return new PlanState(revision, row.saveNo() + 1, save.plan(), now);
    }

    private PlanState refuseStale(JobRow row, PlanSave save, Instant now) {
        int kept = mapper.lastRevision(row.id()) + 1;
        mapper.insertRevision(revision(row.id(), kept, save.stretch(), true, save.plan(), now));
        throw new Trouble(
                409,
                "plan.stale",
                "This plan was saved elsewhere in the meantime. Yours is kept as revision " + kept + ".",
                Map.of("currentRevision", row.headRevision(), "currentSaveNo", row.saveNo(), "keptRevision", kept));
    }

    /** Makes an earlier or aside revision the current one, as a new revision. */
    @Transactional
    public PlanState restore(UUID id, int revision) {
        JobRow row = lock(id);
        RevisionRow old = mapper.revision(id, revision).orElseThrow(() -> Trouble.missing("Revision " + revision));
        Instant now = now();
        int next = mapper.lastRevision(id) + 1;
        Plan plan = read(old);
        mapper.insertRevision(revision(id, next, UUID.randomUUID(), false, plan, now));
        mapper.update(changed(row, next, row.saveNo() + 1, now));
        return new PlanState(next, row.saveNo() + 1, plan, now);
    }

    @Transactional(readOnly = true)
    public List<JobMapper.RevisionInfo> revisions(UUID id) {
        find(id);
        return mapper.revisions(id);
    }

    @Transactional
    public void rename(UUID id, JobNew job) {
        JobRow row = lock(id);
        checkText("name", job.name());
        checkText("client", job.client());
        checkText("property", job.property());
        if (job.name().isBlank()) {
            throw new BadInput("job.name", "name", "Give the job a name.");
        }
        mapper.update(new JobRow(
                id,
                job.name().strip(),
                job.client().strip(),
                job.property().strip(),
                row.state(),
                row.stateBefore(),
                row.headRevision(),
                row.saveNo(),
                row.createdAt(),
                now()));
    }

    /** Puts a job away or brings it back. Nothing is ever erased here. */
    @Transactional
    public void move(UUID id, JobState state) {
        JobRow row = lock(id);
        JobState before = row.state() == JobState.DELETED ? row.stateBefore() : row.state();
        mapper.update(new JobRow(
                id,
                row.name(),
                row.client(),
                row.property(),
                state,
                before,
                row.headRevision(),
                row.saveNo(),
                row.createdAt(),
                now()));
    }

    /** Brings a deleted job back to where it was. */
    @Transactional
    public void bringBack(UUID id) {
        move(id, find(id).stateBefore());
    }

    private static JobRow changed(JobRow row, int head, long saveNo, Instant now) {
        return new JobRow(
                row.id(),
                row.name(),
                row.client(),
                row.property(),
                row.state(),
                row.stateBefore(),
                head,
                saveNo,
                row.createdAt(),
                now);
    }

    private static RevisionRow revision(UUID id, int revision, UUID stretch, boolean aside, Plan plan, Instant now) {
        String doc = Json.MAPPER.writeValueAsString(plan);
        return new RevisionRow(id, revision, stretch, aside, doc, Rulebook.REVISION, BuckleApplication.VERSION, now);
    }

    private static void check(Plan plan) {
        List<Problem> problems = SiteCheck.problems(plan.site());
        if (!problems.isEmpty()) {
            throw new BadInput(problems);
        }
        if (Json.MAPPER.writeValueAsString(plan).contains("\\u0000")) {
            throw new BadInput("text.nul", "plan", "A name holds a NUL character. Nothing was stored.");
        }
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MICROS);
    }
}
