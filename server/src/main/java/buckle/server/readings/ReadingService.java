package buckle.server.readings;

import buckle.exchange.Json;
import buckle.exchange.in.ReadingsTable;
import buckle.readings.Observation;
import buckle.readings.ObservationCheck;
import buckle.server.revisions.RevisionStore;
import buckle.server.web.RequestRefused;
import buckle.site.BadInput;
import buckle.site.Problem;
import buckle.site.Site;
import buckle.site.Texts;
import buckle.spec.Plan;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.databind.JsonNode;

/** Takes readings, each once however often it is sent, and never changes one. */
@Service
public class ReadingService {
    private static final int MOST_AT_ONCE = 5000;
    private static final int ROWS_AT_ONCE = 500;
    private static final Duration LONG_AGO = Duration.ofDays(300);

    private final ReadingMapper mapper;
    private final RevisionStore<Plan> plans;
    private final Clock clock;
    private final ApplicationEventPublisher events;

    ReadingService(ReadingMapper mapper, RevisionStore<Plan> plans, Clock clock, ApplicationEventPublisher events) {
        this.mapper = mapper;
        this.plans = plans;
        this.clock = clock;
        this.events = events;
    }

    @Transactional(readOnly = true)
    public List<Observation> of(UUID jobId) {
        return mapper.of(jobId).stream().map(ReadingRow::observation).toList();
    }

    /** Stores those of a table that can be taken; what its rows say wrong is named beside. */
    @Transactional
    public ReadingsImport take(UUID jobId, ReadingsTable table) {
        List<Problem> problems = new ArrayList<>(table.problems());
        if (table.readings().isEmpty()) {
            return new ReadingsImport(List.of(), 0, 0, problems);
        }
        Outcome outcome = store(
                jobId,
                table.readings().stream()
                        .<JsonNode>map(Json.MAPPER::valueToTree)
                        .toList());
        outcome.refused()
                .forEach(r ->
                        problems.add(new Problem(r.code(), "row " + table.rows().get(r.index()), r.message())));
        int known = outcome.all().size() - outcome.fresh().size();
        return new ReadingsImport(outcome.all(), outcome.fresh().size(), known, problems);
    }

    /** Stores those that can be taken and names the others; when none can, the first reason is the answer. */
    @Transactional
    public TakenReadings take(UUID jobId, List<JsonNode> sent) {
        Outcome outcome = store(jobId, sent);
        if (!outcome.refused().isEmpty() && outcome.refused().size() == sent.size()) {
            throw none(outcome.refused());
        }
        return new TakenReadings(outcome.all(), outcome.refused(), doubts(sent, outcome.refused()));
    }

    /** @param all that are stored now, the {@code fresh} ones among them */
    private record Outcome(List<Observation> all, List<Observation> fresh, List<TakenReadings.Refused> refused) {}

    private Outcome store(UUID jobId, List<JsonNode> sent) {
        int head = mapper.headRevision(jobId).orElseThrow(() -> RequestRefused.missing("This job"));
        if (sent.size() > MOST_AT_ONCE) {
            throw new BadInput(
                    "reading.too-many",
                    "",
                    "At most " + MOST_AT_ONCE + " readings are sent at once. Nothing was stored.");
        }
        ObservationCheck check = new ObservationCheck(site(jobId), clock.instant());
        List<TakenReadings.Refused> refused = new ArrayList<>();
        List<Observation> all = new ArrayList<>();
        List<Observation> fresh = new ArrayList<>();
        for (int i = 0; i < sent.size(); i++) {
            try {
                Observation reading = atMicros(read(sent.get(i), i));
                List<Problem> problems = new ArrayList<>(check.problems(reading, "[" + i + "]."));
                if (reading.corrects().isPresent()
                        && !isOf(jobId, reading.corrects().get())) {
                    problems.add(new Problem(
                            "reading.corrects", "[" + i + "].corrects", "The reading it corrects is not of this job."));
                }
                if (!problems.isEmpty()) {
                    throw new BadInput(problems);
                }
                if (store(jobId, head, reading)) {
                    fresh.add(reading);
                }
                all.add(reading);
            } catch (BadInput e) {
                Problem first = e.problems().getFirst();
                refused.add(new TakenReadings.Refused(i, id(sent.get(i)), first.code(), first.message(), e.problems()));
            } catch (RequestRefused e) {
                refused.add(new TakenReadings.Refused(
                        i, id(sent.get(i)), e.code(), String.valueOf(e.getMessage()), List.of()));
            }
        }
        tell(jobId, fresh);
        return new Outcome(all, fresh, refused);
    }

    private boolean isOf(UUID jobId, UUID reading) {
        return mapper.find(reading).filter(r -> r.jobId().equals(jobId)).isPresent();
    }

    /**
     * What became of readings of a meter.
     *
     * @param stored those that are new
     * @param refused why, by id
     */
    public record Kept(List<Observation> stored, Map<UUID, String> refused) {}

    /** Stores what a meter sent, many at once; those that cannot be are named, sent twice is stored once. */
    @Transactional
    public Kept keep(UUID jobId, List<Observation> sent) {
        int head = mapper.headRevision(jobId).orElseThrow(() -> RequestRefused.missing("This job"));
        ObservationCheck check = new ObservationCheck(site(jobId), clock.instant());
        Instant now = clock.instant().truncatedTo(ChronoUnit.MICROS);
        Map<UUID, String> refused = new HashMap<>();
        Map<UUID, Observation> good = new LinkedHashMap<>();
        for (Observation o : sent) {
            List<Problem> problems = check.problems(o, "");
            if (problems.isEmpty()) {
                good.putIfAbsent(o.id(), atMicros(o));
            } else {
                refused.put(
                        o.id(),
                        problems.getFirst().code() + " " + problems.getFirst().message());
            }
        }
        List<UUID> ids = List.copyOf(good.keySet());
        Map<UUID, ReadingRow> before = new HashMap<>();
        if (!ids.isEmpty()) {
            mapper.those(ids).forEach(r -> before.put(r.id(), r));
        }
        List<Observation> stored = new ArrayList<>();
        List<ReadingRow> fresh = new ArrayList<>();
        good.forEach((id, o) -> {
            ReadingRow row = ReadingRow.of(jobId, head, o, now);
            ReadingRow known = before.get(id);
            if (known == null) {
                fresh.add(row);
                stored.add(o);
            } else if (!known.jobId().equals(jobId) || !known.observation().equals(row.observation())) {
                refused.put(
                        id, "reading.differs Another reading with this id is stored already; it was kept as it was.");
            }
        });
        for (int i = 0; i < fresh.size(); i += ROWS_AT_ONCE) {
            mapper.insertAll(ReadingRow.json(fresh.subList(i, Integer.min(i + ROWS_AT_ONCE, fresh.size()))));
        }
        tell(jobId, stored);
        return new Kept(stored, refused);
    }

    /** Pages that show the job, once it is committed. */
    private void tell(UUID jobId, List<Observation> stored) {
        if (!stored.isEmpty()) {
            events.publishEvent(new ReadingsStored(jobId, stored));
        }
    }

    /** Good readings that were taken long before they were sent: the clock of a meter may be a year behind. */
    private List<TakenReadings.Doubt> doubts(List<JsonNode> sent, List<TakenReadings.Refused> refused) {
        Instant old = clock.instant().minus(LONG_AGO);
        Set<Integer> not =
                new HashSet<>(refused.stream().map(TakenReadings.Refused::index).toList());
        List<TakenReadings.Doubt> doubts = new ArrayList<>();
        for (int i = 0; i < sent.size(); i++) {
            if (!not.contains(i)) {
                Instant at = Json.read(sent.get(i), Observation.class, "").takenAt();
                if (at.isBefore(old)) {
                    doubts.add(new TakenReadings.Doubt(
                            i,
                            id(sent.get(i)),
                            "Kept, but it says " + at.truncatedTo(ChronoUnit.MINUTES)
                                    + ", more than 300 days ago: check the clock of the meter or the phone."));
                }
            }
        }
        return doubts;
    }

    private static RuntimeException none(List<TakenReadings.Refused> refused) {
        List<Problem> problems =
                refused.stream().flatMap(r -> r.errors().stream()).toList();
        TakenReadings.Refused first = refused.getFirst();
        return problems.isEmpty()
                ? new RequestRefused(409, first.code(), first.message(), Map.of("readingId", first.id()))
                : new BadInput(problems);
    }

    private static Observation read(JsonNode node, int index) {
        if (!node.isObject()) {
            throw new BadInput("json.value", "[" + index + "]", "A reading is missing here.");
        }
        return Json.read(node, Observation.class, "[" + index + "]");
    }

    private static String id(JsonNode node) {
        String id = node.path("id").asString("");
        return Texts.cleaned(id, Texts.LONGEST_NAME, false);
    }

    /** Whose fence it is; a plan that cannot be read keeps no reading from being stored. */
    private Site site(UUID jobId) {
        try {
            return plans.state(jobId).content().site();
        } catch (RequestRefused e) {
            return Site.EMPTY;
        }
    }

    /** Readings of a job file; those whose id is taken by another job get a new one, and corrections follow. */
    @Transactional
    public void take(UUID jobId, int revision, List<Observation> readings) {
        Map<UUID, UUID> fresh = new HashMap<>();
        for (Observation r : readings) {
            if (mapper.find(r.id()).isPresent()) {
                fresh.put(r.id(), UUID.randomUUID());
            }
        }
        for (Observation r : readings) {
            store(jobId, revision, atMicros(renamed(r, fresh)));
        }
    }

    private static Observation renamed(Observation o, Map<UUID, UUID> fresh) {
        return o.withId(fresh.getOrDefault(o.id(), o.id()))
                .withCorrects(o.corrects().map(old -> fresh.getOrDefault(old, old)));
    }

    /** Whether it is new. */
    private boolean store(UUID jobId, int revision, Observation reading) {
        Instant now = clock.instant().truncatedTo(ChronoUnit.MICROS);
        ReadingRow row = ReadingRow.of(jobId, revision, reading, now);
        if (mapper.insert(row) > 0) {
            return true;
        }
        ReadingRow stored = mapper.find(reading.id()).orElseThrow();
        if (!stored.jobId().equals(jobId) || !stored.observation().equals(row.observation())) {
            throw new RequestRefused(
                    409,
                    "reading.differs",
                    "Another reading with this id is stored already; it was kept as it was.",
                    Map.of("readingId", reading.id()));
        }
        return false;
    }

    /** PostgreSQL keeps microseconds. */
    private static Observation atMicros(Observation o) {
        return o.withTakenAt(o.takenAt().truncatedTo(ChronoUnit.MICROS));
    }
}
