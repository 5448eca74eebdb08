package buckle.server.revisions;

import buckle.exchange.document.StoredDocument;
import buckle.rulebook.Rule;
import buckle.server.BuckleApplication;
import buckle.server.revisions.RevisionMapper.Head;
import buckle.server.revisions.RevisionMapper.RevisionInfo;
import buckle.server.web.RequestRefused;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.IntPredicate;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import tools.jackson.core.JacksonException;

/**
 * Revisions of one kind of document: a save on top of an older one is refused and kept aside; one sitting shares a revision; nothing
 * is erased.
 */
public final class RevisionStore<T> {
    private static final Logger LOG = LoggerFactory.getLogger(RevisionStore.class);

    private final StoredDocument<T> document;
    private final RevisionMapper mapper;
    private final Author author;
    private final Clock clock;

    RevisionStore(StoredDocument<T> document, RevisionMapper mapper, Author author, Clock clock) {
        this.document = document;
        this.mapper = mapper;
        this.author = author;
        this.clock = clock;
    }

    /**
     * A document as it stands.
     *
     * @param saveNo number of the last save; the next save names it as its base
     * @param rulebook revision of the rulebook it was last saved under
     */
    public record State<T>(int revision, long saveNo, T content, int rulebook, String savedBy, Instant savedAt) {}

    /**
     * A save.
     *
     * @param base save it builds on
     * @param label names it as a revision of its own; blank for an ordinary save
     */
    public record Save<T>(long base, UUID stretch, T content, String label) {
        /** Without a name. */
        public Save(long base, UUID stretch, T content) {
            this(base, stretch, content, "");
        }
    }

    /** Opens a document with its first revision; false when it is there already. */
    public boolean open(UUID owner, T content) {
        boolean opened = mapper.open(document.kind(), owner) > 0;
        if (opened) {
            mapper.insert(row(owner, 1, UUID.randomUUID(), false, "", content));
        }
        return opened;
    }

    /** Whether there is one. */
    public boolean has(UUID owner) {
        return mapper.head(document.kind(), owner).isPresent();
    }

    /** As it stands. */
    public State<T> state(UUID owner) {
        Head head = mapper.head(document.kind(), owner).orElseThrow(this::missing);
        return state(head, revision(owner, head.headRevision()));
    }

    private State<T> state(Head head, Revision row) {
        return new State<>(
                row.revision(), head.saveNo(), read(row), row.rulebookRevision(), row.savedBy(), row.savedAt());
    }

    /** Where the line of revisions stands. */
    public int headRevision(UUID owner) {
        return mapper.head(document.kind(), owner).orElseThrow(this::missing).headRevision();
    }

    /** The last save. */
    public long saveNo(UUID owner) {
        return mapper.head(document.kind(), owner).orElseThrow(this::missing).saveNo();
    }

    /** A stored document, read; one that a newer Buckle wrote, or that is damaged, is refused and stays as it is. */
    private T read(Revision row) {
        try {
            return document.read(row.doc());
        } catch (IllegalStateException | JacksonException | ClassCastException e) {
            LOG.warn("{} {}, revision {}: {}", document.kind(), row.owner(), row.revision(), e.toString());
            String why =
                    e instanceof IllegalStateException ? e.getMessage() : "The " + document.kind() + " is damaged.";
            throw new RequestRefused(
                    422,
                    "document.unreadable",
                    why + " Revision " + row.revision() + " is kept as it is; an earlier one can be restored.",
                    Map.of("revision", row.revision()));
        }
    }

    /** One revision as it was. */
    public T content(UUID owner, int revision) {
        return read(revision(owner, revision));
    }

    private Revision revision(UUID owner, int revision) {
        return mapper.revision(document.kind(), owner, revision)
                .orElseThrow(() -> RequestRefused.missing("Revision " + revision));
    }

    /** All revisions, newest first. */
    public List<RevisionInfo> list(UUID owner) {
        return mapper.list(document.kind(), owner);
    }

    /** Names a revision, so that it is kept for good; a blank name takes the name off. */
    public void label(UUID owner, int revision, String label) {
        if (mapper.label(document.kind(), owner, revision, label) == 0) {
            throw RequestRefused.missing("Revision " + revision);
        }
    }

    /**
     * Saves, or keeps the save aside and refuses when somebody saved in between. A save that is sent again, since its answer was lost,
     * is stored once.
     *
     * @param what named in the refusal: {@code plan}
     * @param closed whether a revision must stay as it is, since something else refers to it
     */
    public State<T> save(UUID owner, Save<T> save, String what, IntPredicate closed) {
        Head head = mapper.lock(document.kind(), owner).orElseThrow(this::missing);
        int next = mapper.last(document.kind(), owner) + 1;
        if (save.base() == head.saveNo() - 1) {
            Revision last = revision(owner, head.headRevision());
            if (last.stretch().equals(save.stretch())
                    && last.label().equals(save.label().strip())
                    && sameContent(last, save.content())) {
                return state(head, last);
            }
        }
        if (save.base() != head.saveNo()) {
            mapper.insert(row(owner, next, save.stretch(), true, "", save.content()));
            throw new RequestRefused(
                    409,
                    document.kind() + ".stale",
                    "This " + what + " was saved elsewhere in the meantime. Yours is kept as revision " + next + ".",
                    Map.of(
                            "currentRevision", head.headRevision(),
                            "currentSaveNo", head.saveNo(),
                            "keptRevision", next));
        }
        Revision now = revision(owner, head.headRevision());
        boolean sameSitting = now.stretch().equals(save.stretch())
                && now.savedBy().equals(author.name())
                && now.label().isEmpty()
                && save.label().isBlank()
                && !closed.test(now.revision());
        Revision saved = row(
                owner,
                sameSitting ? now.revision() : next,
                save.stretch(),
                false,
                save.label().strip(),
                save.content());
        if (sameSitting) {
            mapper.update(saved);
        } else {
            mapper.insert(saved);
        }
        return advanced(owner, saved, head, save.content());
    }

    private boolean sameContent(Revision stored, T content) {
        try {
            return document.read(stored.doc()).equals(content);
        } catch (IllegalStateException | JacksonException | ClassCastException e) {
            return false;
        }
    }

    /** Makes an earlier or aside revision the current one, as a new revision. */
    public State<T> restore(UUID owner, int revision) {
        Head head = mapper.lock(document.kind(), owner).orElseThrow(this::missing);
        T content = content(owner, revision);
        Revision row = row(owner, mapper.last(document.kind(), owner) + 1, UUID.randomUUID(), false, "", content);
        mapper.insert(row);
        return advanced(owner, row, head, content);
    }

    private State<T> advanced(UUID owner, Revision row, Head head, T content) {
        long saveNo = head.saveNo() + 1;
        mapper.advance(document.kind(), owner, row.revision(), saveNo);
        return new State<>(row.revision(), saveNo, content, row.rulebookRevision(), row.savedBy(), row.savedAt());
    }

    private Revision row(UUID owner, int revision, UUID stretch, boolean aside, String label, T content) {
        return new Revision(
                document.kind(),
                owner,
                revision,
                stretch,
                aside,
                label,
                document.write(content),
                Rule.REVISION,
                BuckleApplication.VERSION,
                author.name(),
                clock.instant().truncatedTo(ChronoUnit.MICROS));
    }

    private RequestRefused missing() {
        return RequestRefused.missing("This " + document.kind());
    }
}
