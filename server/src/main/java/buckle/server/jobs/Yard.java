package buckle.server.jobs;

import buckle.readings.Assessment;
import buckle.readings.Assessor;
import buckle.readings.Standing;
import buckle.server.jobs.JobView.SectionCounts;
import buckle.server.jobs.JobView.Stage;
import buckle.server.land.LandService;
import buckle.server.readings.ReadingService;
import buckle.site.Corner;
import buckle.site.FenceLine;
import buckle.spec.Animal;
import buckle.spec.Plan;
import buckle.takeoff.Design;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** All jobs and where they stand. */
@Service
class Yard {
    private final JobMapper mapper;
    private final ReadingService readings;
    private final LandService land;

    Yard(JobMapper mapper, ReadingService readings, LandService land) {
        this.mapper = mapper;
        this.land = land;
        this.readings = readings;
    }

    @Transactional(readOnly = true)
    public List<JobView> jobs() {
        Map<UUID, RevisionRow> heads = mapper.heads().stream().collect(Collectors.toMap(RevisionRow::jobId, r -> r));
        return mapper.all().stream()
                .map(job -> view(job, JobService.read(heads.get(job.id()))))
                .toList();
    }

    private JobView view(JobRow job, Plan plan) {
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
        String animals = plan.spec().animals().stream().map(Animal::text).collect(Collectors.joining(", "));
        return new JobView(
                job.id(),
                job.name(),
                job.propertyId(),
                job.client(),
                job.property(),
                job.state(),
                job.changedAt(),
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
