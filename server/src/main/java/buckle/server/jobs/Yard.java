package buckle.server.jobs;

import buckle.design.Design;
import buckle.exchange.Json;
import buckle.readings.Assessment;
import buckle.readings.Assessor;
import buckle.rulebook.Rule;
import buckle.rulebook.Standing;
import buckle.server.BuckleApplication;
import buckle.server.jobs.JobView.SectionCounts;
import buckle.server.jobs.JobView.Stage;
import buckle.server.land.LandService;
import buckle.server.readings.ReadingService;
import buckle.server.revisions.Revision;
import buckle.server.revisions.RevisionStore;
import buckle.site.Corner;
import buckle.site.FenceLine;
import buckle.spec.Animal;
import buckle.spec.Plan;
import buckle.units.UnitSystem;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * All jobs and where they stand, from summaries that are stored: a job is laid out anew only when its plan, its land or its readings
 * changed. One that cannot be read is a marked row among the others.
 */
@Service
class Yard {
    private static final Logger LOG = LoggerFactory.getLogger(Yard.class);

    private final JobMapper mapper;
    private final RevisionStore<Plan> plans;
    private final ReadingService readings;
    private final LandService land;

    Yard(JobMapper mapper, RevisionStore<Plan> plans, ReadingService readings, LandService land) {
        this.mapper = mapper;
        this.plans = plans;
        this.land = land;
        this.readings = readings;
    }

    /** What the list says of a job besides its name. */
    record Summary(
            String animals,
            double lengthM,
            UnitSystem units,
            Stage stage,
            String standing,
            SectionCounts sections,
            List<List<Double>> outline) {}

    @Transactional
    public List<JobView> jobs() {
        Map<UUID, Revision> heads = plans.heads();
        Map<UUID, JobMapper.StoredSummary> stored = new HashMap<>();
        mapper.summaries().forEach(s -> stored.put(s.jobId(), s));
        return mapper.all().stream()
                .map(job -> view(job, heads.get(job.id()), stored.get(job.id())))
                .toList();
    }

    private JobView view(JobRow job, @Nullable Revision head, JobMapper.@Nullable StoredSummary stored) {
        try {
            String madeFrom = String.join(
                    ":",
                    BuckleApplication.VERSION,
                    String.valueOf(Rule.REVISION),
                    String.valueOf(job.saveNo()),
                    String.valueOf(land.saveNo(job.propertyId())),
                    String.valueOf(mapper.readings(job.id())));
            if (stored != null && stored.madeFrom().equals(madeFrom)) {
                return view(job, Json.MAPPER.readValue(stored.summary(), Summary.class));
            }
            Summary made = summary(job, plans.read(Objects.requireNonNull(head)));
            mapper.keepSummary(job.id(), madeFrom, Json.MAPPER.writeValueAsString(made));
            return view(job, made);
        } catch (RuntimeException e) {
            LOG.warn("job {} cannot be read: {}", job.id(), e.toString());
            return view(
                    job,
                    new Summary(
                            "",
                            0,
                            UnitSystem.FT_IN,
                            Stage.UNREADABLE,
                            "cannot be read by this Buckle; it is kept as it is",
                            new SectionCounts(0, 0, 0, 0),
                            List.of()));
        }
    }

    private static JobView view(JobRow job, Summary s) {
        return new JobView(
                job.id(),
                job.name(),
                job.propertyId(),
                job.client(),
                job.property(),
                job.state(),
                job.changedAt(),
                s.animals(),
                s.lengthM(),
                s.units(),
                s.stage(),
                s.standing(),
                s.sections(),
                s.outline());
    }

    private Summary summary(JobRow job, Plan plan) {
        Design design = Design.of(plan, land.around(job.propertyId()));
        double length =
                design.layout().lines().stream().mapToDouble(l -> l.lengthM()).sum();
        var taken = readings.of(job.id());
        Assessment assessment = Assessor.assess(design.layout(), plan.spec(), taken);
        SectionCounts counts = new SectionCounts(
                count(assessment, Standing.MET),
                count(assessment, Standing.WARN),
                count(assessment, Standing.BROKEN),
                count(assessment, Standing.OPEN));
        Stage stage = plan.site().lines().isEmpty() ? Stage.NEW : taken.isEmpty() ? Stage.LAID_OUT : Stage.TESTED;
        String animals =
                plan.spec().fence().animals().stream().map(Animal::text).collect(Collectors.joining(", "));
        return new Summary(
                animals,
                length,
                plan.spec().units(),
                stage,
                standing(stage, counts),
                counts,
                plan.site().lines().stream().map(Yard::outline).toList());
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
        add(parts, c.open(), "not told yet");
        add(parts, c.met(), "met");
        return String.join(", ", parts);
    }

    private static void add(List<String> parts, int count, String word) {
        if (count > 0) {
            parts.add(count + (count == 1 ? " section " : " sections ") + word);
        }
    }

    /** Longitudes and latitudes in turn, for a small drawing. */
    private static List<Double> outline(FenceLine line) {
        List<Double> flat = new ArrayList<>();
        List<Corner> corners = new ArrayList<>(line.corners());
        if (line.closed()) {
            corners.add(corners.getFirst());
        }
        for (Corner c : corners) {
            flat.add(c.at().lonDeg());
            flat.add(c.at().latDeg());
        }
        return flat;
    }
}
