package buckle.server.upkeep;

import buckle.readings.Observation;
import buckle.server.readings.ReadingService;
import buckle.server.revisions.RevisionStore;
import buckle.server.web.RequestRefused;
import buckle.site.Site;
import buckle.spec.Plan;
import buckle.upkeep.DueRound;
import buckle.upkeep.Failures;
import buckle.upkeep.FaultLog;
import buckle.upkeep.FaultLog.LoggedFault;
import buckle.upkeep.FaultNote;
import buckle.upkeep.PlaceKind;
import buckle.upkeep.Trend;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalInt;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What becomes of fences that were handed over: one job's, and all together. */
@Service
class Upkeep {
    private final FaultNotes notes;
    private final ReadingService readings;
    private final RevisionStore<Plan> plans;
    private final Clock clock;

    Upkeep(FaultNotes notes, ReadingService readings, RevisionStore<Plan> plans, Clock clock) {
        this.notes = notes;
        this.readings = readings;
        this.plans = plans;
        this.clock = clock;
    }

    /**
     * What became of one fence.
     *
     * @param roundDays as agreed; empty for the usual
     */
    record JobUpkeep(List<LoggedFault> faults, List<Trend> trends, Optional<DueRound> round, OptionalInt roundDays) {}

    /** A round that is due, or a fault, or a test point that falls, with the job it is of. */
    record JobName(UUID id, String name, String client) {}

    record DueOf(JobName job, DueRound round) {}

    record FaultOf(JobName job, LoggedFault fault) {}

    record TrendOf(JobName job, Trend trend) {}

    /** All that wants somebody: rounds by day, faults not mended, test points that will be too weak within {@code warnedWeeks}. */
    record WorkToDo(List<DueOf> rounds, List<FaultOf> faults, List<TrendOf> falling, double warnedWeeks) {}

    @Transactional(readOnly = true)
    public JobUpkeep of(UUID jobId) {
        List<FaultNote> log = notes.of(jobId);
        List<Observation> taken = readings.of(jobId);
        OptionalInt days = notes.roundDays(jobId);
        return new JobUpkeep(
                FaultLog.of(log),
                Trend.of(
                        taken,
                        plan(jobId).map(p -> p.spec().fence().needV()).orElse(OptionalDouble.empty()),
                        mended(log)),
                DueRound.of(taken, days, clock.instant()),
                days);
    }

    /** One that cannot be read keeps nothing else from being told. */
    private Optional<Plan> plan(UUID jobId) {
        try {
            return Optional.of(plans.state(jobId).content());
        } catch (RequestRefused e) {
            return Optional.empty();
        }
    }

    private static List<Instant> mended(List<FaultNote> log) {
        return log.stream()
                .filter(n -> n.state() == FaultNote.State.MENDED)
                .map(FaultNote::notedAt)
                .toList();
    }

    @Transactional(readOnly = true)
    public WorkToDo all() {
        List<DueOf> rounds = new ArrayList<>();
        List<FaultOf> faults = new ArrayList<>();
        List<TrendOf> falling = new ArrayList<>();
        for (FaultNoteMapper.KeptRow row : notes.kept()) {
            JobName job = new JobName(row.id(), row.name(), row.client());
            JobUpkeep one = of(row.id());
            one.round().ifPresent(r -> rounds.add(new DueOf(job, r)));
            one.faults().stream()
                    .filter(f -> f.stands().state() != FaultNote.State.MENDED)
                    .forEach(f -> faults.add(new FaultOf(job, f)));
            one.trends().stream().filter(Trend::soon).forEach(t -> falling.add(new TrendOf(job, t)));
        }
        rounds.sort(Comparator.comparing((DueOf d) -> d.round().on())
                .thenComparing(d -> d.job().name()));
        faults.sort(Comparator.comparing((FaultOf f) -> f.fault().stands().state())
                .thenComparing(f -> f.fault().since()));
        return new WorkToDo(rounds, faults, falling, Trend.WARNED_WEEKS);
    }

    /** What fails, over all jobs but deleted ones. */
    @Transactional(readOnly = true)
    public Failures failures() {
        List<Failures.Of> all = new ArrayList<>();
        for (FaultNoteMapper.FirstRow row : notes.withNotes()) {
            Site site = plan(row.jobId()).map(Plan::site).orElse(Site.EMPTY);
            FaultLog.of(notes.of(row.jobId()))
                    .forEach(f -> all.add(new Failures.Of(
                            row.jobId(), row.name(), FaultNotes.firstRead(row), PlaceKind.of(site, f.stands()), f)));
        }
        return Failures.of(all);
    }
}
