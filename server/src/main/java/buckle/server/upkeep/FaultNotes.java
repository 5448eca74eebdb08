package buckle.server.upkeep;

import buckle.exchange.document.StoredDocument;
import buckle.server.upkeep.FaultNoteMapper.FaultNoteRow;
import buckle.server.web.RequestRefused;
import buckle.site.BadInput;
import buckle.site.Problem;
import buckle.upkeep.FaultNote;
import buckle.upkeep.FaultNoteCheck;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps notes of faults, each once however often it is sent, and never changes one. */
@Service
public class FaultNotes {
    private static final int MOST_NOTES = 5000;
    private static final int MOST_ROUND_DAYS = 730;

    private final FaultNoteMapper mapper;
    private final Clock clock;
    private final ApplicationEventPublisher events;

    FaultNotes(FaultNoteMapper mapper, Clock clock, ApplicationEventPublisher events) {
        this.mapper = mapper;
        this.clock = clock;
        this.events = events;
    }

    /** All of a job, oldest first. */
    @Transactional(readOnly = true)
    public List<FaultNote> of(UUID jobId) {
        return mapper.of(jobId).stream().map(FaultNotes::note).toList();
    }

    /** Days from one round of a job to the next; empty for the usual. */
    @Transactional(readOnly = true)
    public OptionalInt roundDays(UUID jobId) {
        return mapper.roundDays(jobId).map(OptionalInt::of).orElse(OptionalInt.empty());
    }

    @Transactional
    public void setRoundDays(UUID jobId, @Nullable Integer days) {
        if (days != null && (days < 1 || days > MOST_ROUND_DAYS)) {
            throw new BadInput("log.round-days", "days", "Rounds are walked every 1 to 730 days. Nothing was stored.");
        }
        if (mapper.setRoundDays(jobId, days) == 0) {
            throw RequestRefused.missing("This job");
        }
    }

    /** Adds a note; sent twice it is stored once. */
    @Transactional
    public void add(UUID jobId, FaultNote note) {
        if (!mapper.isJob(jobId)) {
            throw RequestRefused.missing("This job");
        }
        List<Problem> problems = FaultNoteCheck.problems(note, clock.instant(), "");
        if (!problems.isEmpty()) {
            throw new BadInput(problems);
        }
        if (mapper.ofAnotherJob(note.faultId(), jobId)) {
            throw new RequestRefused(
                    409, "log.fault", "This fault is of another job. Nothing was stored.", Map.of("noteId", note.id()));
        }
        if (mapper.of(jobId).size() >= MOST_NOTES) {
            throw new BadInput("log.too-many", "", "A job holds at most 5,000 notes of faults. Nothing was stored.");
        }
        FaultNoteRow row = row(jobId, note);
        if (mapper.insert(row) > 0) {
            events.publishEvent(new NoteStored(jobId, note.id()));
            return;
        }
        FaultNoteRow stored = mapper.find(note.id()).orElseThrow();
        if (!stored.jobId().equals(jobId) || !note(stored).equals(StoredDocument.FAULT_NOTE.read(row.doc()))) {
            throw new RequestRefused(
                    409,
                    "log.differs",
                    "Another note with this id is stored already; it was kept as it was.",
                    Map.of("noteId", note.id()));
        }
    }

    /** Notes of a job file; where an id is taken already all get new ones. Its readings may have got new ones as well. */
    @Transactional
    public void take(UUID jobId, List<FaultNote> notes, OptionalInt roundDays) {
        boolean taken = notes.stream().anyMatch(n -> mapper.find(n.id()).isPresent());
        Map<UUID, UUID> fresh = new HashMap<>();
        for (FaultNote n : notes) {
            FaultNote kept = taken
                    ? n.withId(fresh.computeIfAbsent(n.id(), id -> UUID.randomUUID()))
                            .withFaultId(fresh.computeIfAbsent(n.faultId(), id -> UUID.randomUUID()))
                    : n;
            mapper.insert(row(jobId, kept));
        }
        if (roundDays.isPresent()) {
            mapper.setRoundDays(jobId, roundDays.getAsInt());
        }
    }

    private FaultNoteRow row(UUID jobId, FaultNote note) {
        Instant at = note.notedAt().truncatedTo(ChronoUnit.MICROS);
        return new FaultNoteRow(
                note.id(),
                jobId,
                note.faultId(),
                StoredDocument.FAULT_NOTE.write(note.withNotedAt(at)),
                at,
                clock.instant().truncatedTo(ChronoUnit.MICROS));
    }

    private static FaultNote note(FaultNoteRow row) {
        return StoredDocument.FAULT_NOTE.read(row.doc());
    }

    /** Jobs that are kept up, by name. */
    List<FaultNoteMapper.KeptRow> kept() {
        return mapper.kept();
    }

    /** Jobs that had a fault, with the day of their first reading. */
    List<FaultNoteMapper.FirstRow> withNotes() {
        return mapper.withNotes();
    }

    static Optional<Instant> firstRead(FaultNoteMapper.FirstRow row) {
        return Optional.ofNullable(row.firstRead());
    }
}
