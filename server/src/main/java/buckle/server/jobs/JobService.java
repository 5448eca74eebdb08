package buckle.server.jobs;

import buckle.exchange.JobFile;
import buckle.exchange.PlanDoc;
import buckle.rulebook.Rule;
import buckle.server.BuckleApplication;
import buckle.server.house.HouseService;
import buckle.server.land.LandService;
import buckle.server.readings.ReadingService;
import buckle.server.web.Trouble;
import buckle.site.BadInput;
import buckle.site.Problem;
import buckle.site.Site;
import buckle.site.SiteCheck;
import buckle.spec.Decisions;
import buckle.spec.Plan;
import buckle.spec.Spec;
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
    private final LandService land;
    private final HouseService house;
    private final Clock clock;

    JobService(JobMapper mapper, ReadingService readings, LandService land, HouseService house, Clock clock) {
        this.mapper = mapper;
        this.readings = readings;
        this.land = land;
        this.house = house;
        this.clock = clock;
    }

    @Transactional
    public UUID create(JobNew job) {
        check(job);
        UUID property = land.named(job.client().strip(), job.property().strip());
        Spec spec = house.state().house().applied(Spec.usual());
        return insert(job.name(), property, JobState.ACTIVE, new Plan(Site.EMPTY, spec, Decisions.NONE));
    }

    /** A job from a job file, with its readings; whole or not at all. */
    @Transactional
    public UUID create(JobFile file) {
        check(new JobNew(file.name(), file.client(), file.property()));
        UUID property = land.of(file.client().strip(), file.property().strip(), file.land(), file.grid());
        UUID id = insert(file.name(), property, JobState.ACTIVE, file.plan());
        readings.take(id, 1, file.readings());
        return id;
    }

    /** A copy of a job's plan as a new job or template, without its readings: they belong to the fence that was read. */
    @Transactional
    public UUID copy(UUID id, String name, boolean template) {
        JobRow row = find(id);
        check(new JobNew(name, row.client(), row.property()));
        return insert(name, row.propertyId(), template ? JobState.TEMPLATE : JobState.ACTIVE, plan(id).plan());
    }

    private UUID insert(String name, UUID property, JobState state, Plan plan) {
        UUID id = UUID.randomUUID();
        Instant now = now();
        mapper.insert(new JobRow(id, name.strip(), property, "", "", state, state, 1, 1, now, now));
        mapper.insertRevision(revision(id, 1, UUID.randomUUID(), false, "", plan, now));
        return id;
    }

    private static void check(JobNew job) {
        checkText("name", job.name());
        checkText("client", job.client());
        checkText("property", job.property());
        if (job.name().isBlank()) {
            throw new BadInput("job.name", "name", "Give the job a name.");
        }
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
        return new PlanState(head.revision(), row.saveNo(), read(head), head.savedAt(), head.rulebookRevision());
    }

    static Plan read(RevisionRow row) {
        return PlanDoc.read(row.doc());
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
        checkText("label", save.label());
        boolean sameSitting = head.stretch().equals(save.stretch())
                && head.label().isEmpty()
                && save.label().isBlank()
                && !mapper.hasReadings(id, head.revision());
        int revision = sameSitting ? head.revision() : mapper.lastRevision(id) + 1;
        RevisionRow saved =
                revision(id, revision, save.stretch(), false, save.label().strip(), save.plan(), now);
        if (sameSitting) {
            mapper.updateRevision(saved);
        } else {
            mapper.insertRevision(saved);
        }
        mapper.update(row.saved(revision, row.saveNo() + 1, now));
        return new PlanState(revision, row.saveNo() + 1, save.plan(), now, Rule.REVISION);
    }

    private PlanState refuseStale(JobRow row, PlanSave save, Instant now) {
        int kept = mapper.lastRevision(row.id()) + 1;
        mapper.insertRevision(revision(row.id(), kept, save.stretch(), true, "", save.plan(), now));
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
        mapper.insertRevision(revision(id, next, UUID.randomUUID(), false, "", plan, now));
        mapper.update(row.saved(next, row.saveNo() + 1, now));
        return new PlanState(next, row.saveNo() + 1, plan, now, Rule.REVISION);
    }

    @Transactional(readOnly = true)
    public List<JobMapper.RevisionInfo> revisions(UUID id) {
        find(id);
        return mapper.revisions(id);
    }

    @Transactional
    public void rename(UUID id, JobNew job) {
        JobRow row = lock(id);
        check(job);
        UUID property = land.moved(
                row.propertyId(), job.client().strip(), job.property().strip());
        mapper.update(row.renamed(job.name().strip(), property, now()));
    }

    /** One revision of a plan as it was. */
    @Transactional(readOnly = true)
    public Plan revisionPlan(UUID id, int revision) {
        return read(mapper.revision(id, revision).orElseThrow(() -> Trouble.missing("Revision " + revision)));
    }

    /** Names a revision, so that it is kept for good; a blank name takes the name off. */
    @Transactional
    public void label(UUID id, int revision, String label) {
        lock(id);
        checkText("label", label);
        if (mapper.label(id, revision, label.strip()) == 0) {
            throw Trouble.missing("Revision " + revision);
        }
    }

    /** Puts a job away or brings it back. Nothing is ever erased here. */
    @Transactional
    public void move(UUID id, JobState state) {
        JobRow row = lock(id);
        JobState before = row.state() == JobState.DELETED ? row.stateBefore() : row.state();
        mapper.update(row.moved(state, before, now()));
    }

    /** Brings a deleted job back to where it was. */
    @Transactional
    public void bringBack(UUID id) {
        move(id, find(id).stateBefore());
    }

    private static RevisionRow revision(
            UUID id, int revision, UUID stretch, boolean aside, String label, Plan plan, Instant now) {
        String doc = PlanDoc.write(plan);
        return new RevisionRow(id, revision, stretch, aside, label, doc, Rule.REVISION, BuckleApplication.VERSION, now);
    }

    private static void check(Plan plan) {
        List<Problem> problems = SiteCheck.problems(plan.site());
        if (!problems.isEmpty()) {
            throw new BadInput(problems);
        }
        if (PlanDoc.write(plan).contains("\\u0000")) {
            throw new BadInput("text.nul", "plan", "A name holds a NUL character. Nothing was stored.");
        }
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MICROS);
    }
}
