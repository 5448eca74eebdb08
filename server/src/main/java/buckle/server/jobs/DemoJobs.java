package buckle.server.jobs;

import buckle.exchange.Json;
import buckle.exchange.job.JobFileReader;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.autoconfigure.condition.ConditionalOnProperty;
import org.springframework.core.io.Resource;
import org.springframework.core.io.support.PathMatchingResourcePatternResolver;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Loads each demo job once, before the server answers anybody; one that was changed or put away since is left as it is.
 */
@Component
@ConditionalOnProperty(name = "buckle.demo", havingValue = "true")
public class DemoJobs {
    private static final Logger LOG = LoggerFactory.getLogger(DemoJobs.class);

    private final JobService jobs;
    private final DemoMapper mapper;
    private final TransactionTemplate transaction;

    DemoJobs(JobService jobs, DemoMapper mapper, TransactionTemplate transaction) {
        this.jobs = jobs;
        this.mapper = mapper;
        this.transaction = transaction;
    }

    /** Remembers which demo jobs were loaded. */
    @Mapper
    interface DemoMapper {
        @Insert("insert into demo_loaded (name) values (#{name}) on conflict do nothing")
        int remember(@Param("name") String name);
    }

    /** A demo job with the file it came from. */
    public record Loaded(String file, UUID job) {}

    /** Loads those that were not loaded before, and says which. */
    public List<Loaded> load() {
        List<Loaded> loaded = new ArrayList<>();
        try {
            Resource[] files = new PathMatchingResourcePatternResolver().getResources("classpath:demo/*.geojson");
            Arrays.sort(files, Comparator.comparing(r -> String.valueOf(r.getFilename())));
            for (Resource file : files) {
                byte[] bytes = file.getContentAsByteArray();
                String name = String.valueOf(file.getFilename());
                transaction.executeWithoutResult(status -> load(name, bytes).ifPresent(loaded::add));
            }
        } catch (IOException e) {
            throw new UncheckedIOException("reading the demo jobs that ship with the application", e);
        }
        return loaded;
    }

    /** Whether something of the demo is loaded for the first time. */
    public boolean remember(String name) {
        return mapper.remember(name) == 1;
    }

    private Optional<Loaded> load(String name, byte[] bytes) {
        if (!remember(name)) {
            return Optional.empty();
        }
        UUID job = jobs.create(UUID.randomUUID(), JobFileReader.read(Json.parse(bytes)));
        LOG.info("Loaded the demo job {}", name);
        return Optional.of(new Loaded(name, job));
    }
}
