package buckle.server.jobs;

import buckle.design.Design;
import buckle.exchange.Json;
import buckle.readings.Assessment;
import buckle.readings.Assessor;
import buckle.readings.Observation;
import buckle.rulebook.Rule;
import buckle.rulebook.Standing;
import buckle.server.BuckleApplication;
import buckle.server.jobs.JobSummary.SectionCounts;
import buckle.server.jobs.JobSummary.Stage;
import buckle.server.land.LandService;
import buckle.server.readings.ReadingService;
import buckle.server.revisions.RevisionStore;
import buckle.server.web.Committing;
import buckle.server.web.RequestRefused;
import buckle.server.web.WorkQueue;
import buckle.site.Corner;
import buckle.site.FenceLine;
import buckle.spec.Animal;
import buckle.spec.Plan;
import buckle.task.Cancellation;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicBoolean;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.DisposableBean;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.dao.DataAccessException;
import org.springframework.stereotype.Component;
import org.springframework.transaction.TransactionException;

/**
 * Works out in the background what the list says of each job whose plan, land or readings changed, so that the list itself works out
 * nothing. One that cannot be read is marked so.
 */
@Component
class Summaries implements DisposableBean {
    /** What the same plan might be laid out differently by. */
    static final String PROGRAM = BuckleApplication.VERSION + "/2:" + Rule.REVISION;

    private static final Logger LOG = LoggerFactory.getLogger(Summaries.class);
    private static final int AT_ONCE = 20;
    /** While somebody draws, there is a save every second. */
    private static final long CALM_MS = 3000;

    private static final long AGAIN_MS = 5000;
    /** A small drawing shows no more. */
    private static final int MOST_OUTLINE_CORNERS = 80;

    private final JobMapper mapper;
    private final RevisionStore<Plan> plans;
    private final ReadingService readings;
    private final LandService land;
    private final WorkQueue queue;
    private final AtomicBoolean due = new AtomicBoolean();
    private final AtomicBoolean dueLater = new AtomicBoolean();
    private final ScheduledExecutorService worker = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().daemon().name("summaries").factory());

    Summaries(JobMapper mapper, RevisionStore<Plan> plans, ReadingService readings, LandService land, WorkQueue queue) {
        this.mapper = mapper;
        this.plans = plans;
        this.readings = readings;
        this.land = land;
        this.queue = queue;
    }

    @EventListener(ApplicationReadyEvent.class)
    void started() {
        refreshSoon();
    }

    @EventListener(Committing.Stored.class)
    void stored() {
        later(CALM_MS);
    }

    /** Somebody looks at one that is not up to date. */
    void refreshSoon() {
        if (!worker.isShutdown() && due.compareAndSet(false, true)) {
            worker.execute(this::refresh);
        }
    }

    private void later(long ms) {
        if (!worker.isShutdown() && dueLater.compareAndSet(false, true)) {
            worker.schedule(
                    () -> {
                        dueLater.set(false);
                        refreshSoon();
                    },
                    ms,
                    TimeUnit.MILLISECONDS);
        }
    }

    private void refresh() {
        due.set(false);
        try {
            List<JobMapper.StaleRow> stale = mapper.stale(PROGRAM, AT_ONCE);
            for (JobMapper.StaleRow job : stale) {
                mapper.keepSummary(job.id(), job.madeFrom(), Json.MAPPER.writeValueAsString(made(job)));
            }
            if (stale.size() == AT_ONCE) {
                refreshSoon();
            }
        } catch (RuntimeException e) {
            LOG.info("Summaries wait: {}", e.toString());
            later(AGAIN_MS);
        }
    }

    /** One job that cannot be laid out is marked and holds up no other; a database that is away or a full queue is tried again. */
    private JobSummary made(JobMapper.StaleRow job) {
        try {
            return queue.run(
                    WorkQueue.Kind.BACKGROUND,
                    () -> summary(job, plans.state(job.id()).content()));
        } catch (DataAccessException | TransactionException | Cancellation.Cancelled e) {
            throw e;
        } catch (RuntimeException e) {
            if (e instanceof RequestRefused refused && refused.code().equals("work.queue-full")) {
                throw e;
            }
            LOG.warn("job {} cannot be read: {}", job.id(), e.toString());
            return JobSummary.UNREADABLE;
        }
    }

    private JobSummary summary(JobMapper.StaleRow job, Plan plan) {
        Design design = Design.of(plan, land.around(job.propertyId()));
        double length =
                design.layout().lines().stream().mapToDouble(l -> l.lengthM()).sum();
        List<Observation> taken = readings.of(job.id());
        Assessment assessment = Assessor.assess(design.layout(), plan.spec(), taken);
        SectionCounts counts = new SectionCounts(
                count(assessment, Standing.MET),
                count(assessment, Standing.WARN),
                count(assessment, Standing.BROKEN),
                count(assessment, Standing.OPEN));
        Stage stage = plan.site().lines().isEmpty() ? Stage.NEW : taken.isEmpty() ? Stage.LAID_OUT : Stage.TESTED;
        String animals =
                plan.spec().fence().animals().stream().map(Animal::text).collect(Collectors.joining(", "));
        return new JobSummary(
                animals,
                length,
                plan.spec().units(),
                stage,
                standing(stage, counts),
                counts,
                plan.site().lines().stream().map(Summaries::outline).toList());
    }

    private static int count(Assessment assessment, Standing standing) {
        return (int) assessment.sections().stream()
                .filter(s -> s.standing() == standing)
                .count();
    }

    private static String standing(Stage stage, SectionCounts counts) {
        return switch (stage) {
            case NEW -> "nothing laid out yet";
            case LAID_OUT -> "laid out, not read yet";
            case TESTED -> tested(counts);
            case UNREADABLE -> "";
        };
    }

    private static String tested(SectionCounts c) {
        List<String> parts = new ArrayList<>();
        add(parts, c.broken(), "broken");
        add(parts, c.warn(), "weak");
        add(parts, c.open(), "not read yet");
        add(parts, c.met(), "met");
        return String.join(", ", parts);
    }

    private static void add(List<String> parts, int count, String word) {
        if (count > 0) {
            parts.add(count + (count == 1 ? " section " : " sections ") + word);
        }
    }

    /** Longitudes and latitudes in turn. */
    private static List<Double> outline(FenceLine line) {
        List<Double> flat = new ArrayList<>();
        List<Corner> corners = new ArrayList<>(line.corners());
        if (line.closed()) {
            corners.add(corners.getFirst());
        }
        int step = Integer.max(1, corners.size() / MOST_OUTLINE_CORNERS);
        for (int i = 0; i < corners.size(); i++) {
            if (i % step == 0 || i == corners.size() - 1) {
                flat.add(corners.get(i).at().lonDeg());
                flat.add(corners.get(i).at().latDeg());
            }
        }
        return flat;
    }

    @Override
    public void destroy() {
        worker.shutdownNow();
    }
}
