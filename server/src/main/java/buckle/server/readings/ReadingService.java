package buckle.server.readings;

import buckle.readings.Observation;
import buckle.server.web.Trouble;
import buckle.site.BadInput;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes readings, each once however often it is sent, and never changes one. */
@Service
public class ReadingService {
    private static final int LONGEST_TEXT = 500;

    private final ReadingMapper mapper;
    private final Clock clock;

    ReadingService(ReadingMapper mapper, Clock clock) {
        this.mapper = mapper;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<Observation> of(UUID jobId) {
        return mapper.of(jobId).stream().map(ReadingRow::observation).toList();
    }

    @Transactional
    public void take(UUID jobId, List<Observation> readings) {
        int head = mapper.headRevision(jobId).orElseThrow(() -> Trouble.missing("This job"));
        Set<UUID> known = new HashSet<>(of(jobId).stream().map(Observation::id).toList());
        for (Observation reading : readings) {
            reading.corrects().ifPresent(old -> {
                if (!known.contains(old)) {
                    throw new BadInput("reading.corrects", "corrects", "The reading it corrects is not of this job.");
                }
            });
            store(jobId, head, reading);
        }
    }

    /** Readings of a job file; those whose id is taken by another job get a new one, and corrections follow. */
    @Transactional
    public void take(UUID jobId, int revision, List<Observation> readings) {
        Map<UUID, UUID> fresh = new java.util.HashMap<>();
        for (Observation r : readings) {
            if (mapper.find(r.id()).isPresent()) {
                fresh.put(r.id(), UUID.randomUUID());
            }
        }
        for (Observation r : readings) {
            store(jobId, revision, renamed(r, fresh));
        }
    }

    private static Observation renamed(Observation o, Map<UUID, UUID> fresh) {
        return o.withId(fresh.getOrDefault(o.id(), o.id()))
                .withCorrects(o.corrects().map(old -> fresh.getOrDefault(old, old)));
    }

    private void store(UUID jobId, int revision, Observation reading) {
        check(reading);
        Instant now = clock.instant().truncatedTo(ChronoUnit.MICROS);
        ReadingRow row = ReadingRow.of(jobId, revision, atMicros(reading), now);
        if (mapper.insert(row) == 0) {
            ReadingRow stored = mapper.find(reading.id()).orElseThrow();
            if (!stored.jobId().equals(jobId) || !stored.observation().equals(row.observation())) {
                throw new Trouble(
                        409,
                        "reading.differs",
                        "Another reading with this id is stored already; it was kept as it was.",
                        Map.of("readingId", reading.id()));
            }
        }
    }

    /** PostgreSQL keeps microseconds. */
    private static Observation atMicros(Observation o) {
        return o.withTakenAt(o.takenAt().truncatedTo(ChronoUnit.MICROS));
    }

    private static void check(Observation reading) {
        List<String> texts = new ArrayList<>(List.of(reading.at().lineId(), reading.takenBy(), reading.note()));
        reading.at().testPointId().ifPresent(texts::add);
        reading.meter().ifPresent(texts::add);
        reading.openSwitches().ifPresent(texts::addAll);
        for (String text : texts) {
            if (text.length() > LONGEST_TEXT || text.indexOf('\0') >= 0) {
                throw new BadInput("reading.text", "note", "At most 500 plain characters go here.");
            }
        }
    }
}
