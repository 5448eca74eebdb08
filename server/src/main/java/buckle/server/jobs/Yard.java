package buckle.server.jobs;

import buckle.exchange.Json;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import tools.jackson.core.JacksonException;

/** All jobs and where they stand, from the summaries that are stored: nothing is laid out to list it. */
@Service
class Yard {
    private final JobMapper mapper;
    private final Summaries summaries;

    Yard(JobMapper mapper, Summaries summaries) {
        this.mapper = mapper;
        this.summaries = summaries;
    }

    JobPage jobs(YardQuery query) {
        String pattern = query.pattern();
        String client = query.clientOrAll();
        Map<JobState, Integer> counts = new EnumMap<>(JobState.class);
        for (JobState state : JobState.values()) {
            counts.put(state, 0);
        }
        mapper.counts(pattern, client).forEach(c -> counts.put(c.state(), c.jobs()));
        List<JobView> jobs = mapper
                .page(
                        Summaries.PROGRAM,
                        pattern,
                        client,
                        query.stateOrActive(),
                        query.sortOrUsual().name(),
                        query.sizeOrUsual(),
                        (long) query.pageOrFirst() * query.sizeOrUsual())
                .stream()
                .map(Yard::view)
                .toList();
        if (jobs.stream().anyMatch(job -> !job.upToDate())) {
            summaries.refreshSoon();
        }
        return new JobPage(
                jobs, query.pageOrFirst(), query.sizeOrUsual(), counts.getOrDefault(query.stateOrActive(), 0), counts);
    }

    List<String> clients() {
        return mapper.clients();
    }

    private static JobView view(JobMapper.ListedRow row) {
        JobSummary summary = read(row.summary());
        return new JobView(
                row.id(),
                row.name(),
                row.propertyId(),
                row.client(),
                row.property(),
                row.state(),
                row.changedAt(),
                summary == null ? JobSummary.NONE : summary,
                summary != null && row.upToDate());
    }

    /** Null when there is none, or one of another version of this program; it is worked out anew. */
    private static @Nullable JobSummary read(@Nullable String summary) {
        try {
            return summary == null ? null : Json.MAPPER.readValue(summary, JobSummary.class);
        } catch (JacksonException e) {
            return null;
        }
    }
}
