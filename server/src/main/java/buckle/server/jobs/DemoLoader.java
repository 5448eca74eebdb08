package buckle.server.jobs;

import buckle.exchange.Json;
import buckle.exchange.job.JobFileReader;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Arrays;
import java.util.Comparator;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.SmartInitializingSingleton;
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
class DemoLoader implements SmartInitializingSingleton {
    private static final Logger LOG = LoggerFactory.getLogger(DemoLoader.class);

    private final JobService jobs;
    private final DemoMapper mapper;
    private final TransactionTemplate transaction;

    DemoLoader(JobService jobs, DemoMapper mapper, TransactionTemplate transaction) {
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

    @Override
    public void afterSingletonsInstantiated() {
        try {
            Resource[] files = new PathMatchingResourcePatternResolver().getResources("classpath:demo/*.geojson");
            Arrays.sort(files, Comparator.comparing(r -> String.valueOf(r.getFilename())));
            for (Resource file : files) {
                byte[] bytes = file.getContentAsByteArray();
                transaction.executeWithoutResult(status -> load(String.valueOf(file.getFilename()), bytes));
            }
        } catch (IOException e) {
            throw new UncheckedIOException("reading the demo jobs that ship with the application", e);
        }
    }

    private void load(String name, byte[] bytes) {
        if (mapper.remember(name) == 1) {
            jobs.create(UUID.randomUUID(), JobFileReader.read(Json.parse(bytes)));
            LOG.info("Loaded the demo job {}", name);
        }
    }
}
