package buckle.server.jobs;

import buckle.exchange.job.JobFile;
import buckle.server.house.HouseService;
import buckle.server.land.LandService;
import buckle.server.readings.ReadingService;
import buckle.server.revisions.RevisionMapper.RevisionInfo;
import buckle.server.revisions.RevisionStore;
import buckle.server.upkeep.FaultNotes;
import buckle.server.web.RequestRefused;
import buckle.site.BadInput;
import buckle.site.Problem;
import buckle.site.SiteCheck;
import buckle.site.Texts;
import buckle.spec.Plan;
import buckle.spec.Spec;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Opens, saves, copies and puts away jobs. A save on top of an older one is refused, and kept aside. */
@Service
public class JobService {
    private final JobMapper mapper;
    private final RevisionStore<Plan> plans;
    private final ReadingService readings;
    private final FaultNotes notes;
    private final LandService land;
    private final HouseService house;
    private final Clock clock;

    JobService(
            JobMapper mapper,
            RevisionStore<Plan> plans,
            ReadingService readings,
            FaultNotes notes,
            LandService land,
            HouseService house,
            Clock clock) {
        this.plans = plans;
        this.mapper = mapper;
        this.readings = readings;
        this.notes = notes;
        this.land = land;
        this.house = house;
        this.clock = clock;
    }

    @Transactional
    public UUID create(JobNew job) {
        check(job);
        UUID id = job.id().orElseGet(UUID::randomUUID);
        if (mapper.find(id).isPresent()) {
            return id;
        }
        UUID property = land.named(job.client().strip(), job.property().strip());
        Spec spec = house.state().house().applied(Spec.USUAL);
        return insert(id, job.name(), property, JobState.ACTIVE, Plan.EMPTY.withSpec(spec));
    }

    /** A job from a job file, with its readings; whole or not at all. */
    @Transactional
    public UUID create(UUID id, JobFile file) {
        check(new JobNew(file.name(), file.client(), file.property(), Optional.empty()));
        if (mapper.find(id).isPresent()) {
            return id;
        }
        UUID property = land.of(file.client().strip(), file.property().strip(), file.land(), file.grid());
        insert(id, file.name(), property, JobState.ACTIVE, file.plan());
        readings.take(id, 1, file.readings());
        notes.take(id, file.log(), file.roundDays());
        return id;
    }

    /** A copy of a job's plan as a new job or template, without its readings: they belong to the fence that was read. */
    @Transactional
    public UUID copy(UUID id, UUID newId, String name, boolean template) {
        JobRow row = find(id);
        check(new JobNew(name, row.client(), row.property(), Optional.empty()));
        if (mapper.find(newId).isPresent()) {
            return newId;
        }
        return insert(newId, name, row.propertyId(), template ? JobState.TEMPLATE : JobState.ACTIVE, plan(id).plan());
    }

    private UUID insert(UUID id, String name, UUID property, JobState state, Plan plan) {
        Instant now = now();
        if (mapper.insert(new JobRow(id, name.strip(), property, "", "", state, state, 1, 1, now, now)) > 0) {
            plans.open(id, plan);
        }
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
        Texts.flaw(text, Texts.LONGEST_NAME, false).ifPresent(flaw -> {
            throw new BadInput("job." + field, field, "At most 200 plain characters go here: " + flaw + ".");
        });
    }

    /** A job as stored. */
    public JobRow find(UUID id) {
        return mapper.find(id).orElseThrow(() -> RequestRefused.missing("This job"));
    }

    private JobRow lock(UUID id) {
        return mapper.lock(id).orElseThrow(() -> RequestRefused.missing("This job"));
    }

    @Transactional(readOnly = true)
    public PlanState plan(UUID id) {
        find(id);
        return PlanState.of(plans.state(id));
    }

    /** Saves a plan, or keeps it aside and refuses when somebody saved in between. */
    @Transactional(noRollbackFor = RequestRefused.class)
    public PlanState save(UUID id, PlanSave save) {
        check(save.plan());
        checkText("label", save.label());
        JobRow row = lock(id);
        PlanState saved = PlanState.of(plans.save(
                id,
                new RevisionStore.Save<>(save.baseSaveNo(), save.stretch(), save.plan(), save.label()),
                "plan",
                revision -> mapper.isNamed(id, revision)));
        mapper.update(row.touched(now()));
        return saved;
    }

    /** Makes an earlier or aside revision the current one, as a new revision. */
    @Transactional
    public PlanState restore(UUID id, int revision) {
        JobRow row = lock(id);
        PlanState restored = PlanState.of(plans.restore(id, revision));
        mapper.update(row.touched(now()));
        return restored;
    }

    @Transactional(readOnly = true)
    public List<RevisionInfo> revisions(UUID id) {
        find(id);
        return plans.list(id);
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
        return plans.content(id, revision);
    }

    /** Names a revision, so that it is kept for good; a blank name takes the name off. */
    @Transactional
    public void label(UUID id, int revision, String label) {
        lock(id);
        checkText("label", label);
        plans.label(id, revision, label.strip());
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

    private void check(Plan plan) {
        List<Problem> problems = SiteCheck.problems(plan.site());
        if (!problems.isEmpty()) {
            throw new BadInput(problems);
        }
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MICROS);
    }
}
