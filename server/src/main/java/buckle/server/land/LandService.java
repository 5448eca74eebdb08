package buckle.server.land;

import buckle.exchange.out.GridWriter;
import buckle.land.GridTerrain;
import buckle.land.Land;
import buckle.land.LandCheck;
import buckle.land.Surroundings;
import buckle.land.Underlay;
import buckle.server.land.LandMapper.PropertyInfo;
import buckle.server.land.LandMapper.PropertyRow;
import buckle.server.revisions.RevisionStore;
import buckle.server.web.RequestRefused;
import buckle.site.BadInput;
import buckle.site.Problem;
import java.time.Clock;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Properties and what lies on them. A save on top of an older one is refused, and kept aside. */
@Service
public class LandService {
    private final LandMapper mapper;
    private final RevisionStore<Land> lands;
    private final Attachments attachments;
    private final Clock clock;

    LandService(LandMapper mapper, RevisionStore<Land> lands, Attachments attachments, Clock clock) {
        this.lands = lands;
        this.mapper = mapper;
        this.attachments = attachments;
        this.clock = clock;
    }

    @Transactional(readOnly = true)
    public List<PropertyInfo> properties() {
        return mapper.all();
    }

    /** The property of that client and name, opened when there is none yet; one without a name is always a new one. */
    @Transactional
    public UUID named(String client, String name) {
        return mapper.named(client, name).map(PropertyRow::id).orElseGet(() -> open(client, name, Land.NONE));
    }

    private UUID open(String client, String name, Land land) {
        Instant now = now();
        mapper.insertClient(UUID.randomUUID(), client, now);
        UUID id = UUID.randomUUID();
        if (mapper.insertProperty(id, client, name, now) == 0) {
            return mapper.named(client, name).orElseThrow().id();
        }
        lands.open(id, land);
        return id;
    }

    /**
     * The property a job file belongs to: the one of that name when it lies the same or the file says nothing of it,
     * otherwise a new one beside it, so that neither overwrites the other.
     */
    @Transactional
    public UUID of(String client, String name, Land land, Optional<GridTerrain> grid) {
        Land whole = grid.isEmpty() ? land : land.withGrid(Optional.of(store(grid.get(), "terrain of " + name)));
        Optional<PropertyRow> there = mapper.named(client, name);
        if (there.isEmpty()) {
            return open(client, name, whole);
        }
        Land present = land(there.get().id());
        if (whole.saysNothing() || present.withUnderlays(List.of()).equals(whole)) {
            return there.get().id();
        }
        if (present.saysNothing()) {
            save(there.get().id(), new LandSave(lands.saveNo(there.get().id()), UUID.randomUUID(), whole));
            return there.get().id();
        }
        for (int n = 2; ; n++) {
            String other = name + " (" + n + ")";
            Optional<PropertyRow> taken = mapper.named(client, other);
            if (taken.isEmpty()) {
                return open(client, other, whole);
            }
            if (land(taken.get().id()).withUnderlays(List.of()).equals(whole)) {
                return taken.get().id();
            }
        }
    }

    private buckle.land.GridRef store(GridTerrain grid, String name) {
        return grid.ref(attachments.store(GridWriter.write(grid), Attachments.GRID), name);
    }

    /** A job goes to another client or property by name; a property it had to itself is renamed, a shared one is copied. */
    @Transactional
    public UUID moved(UUID from, String client, String name) {
        PropertyRow row = find(from);
        if (row.client().equals(client) && row.name().equals(name)) {
            return from;
        }
        Optional<PropertyRow> there = mapper.named(client, name);
        if (there.isPresent()) {
            return there.get().id();
        }
        if (mapper.jobs(from) > 1) {
            return open(client, name, land(from));
        }
        mapper.insertClient(UUID.randomUUID(), client, now());
        mapper.rename(from, client, name, now());
        return from;
    }

    private PropertyRow find(UUID id) {
        return mapper.find(id).orElseThrow(() -> RequestRefused.missing("This property"));
    }

    @Transactional(readOnly = true)
    public LandState state(UUID id) {
        PropertyRow row = find(id);
        return state(row, lands.state(id));
    }

    private LandState state(PropertyRow row, RevisionStore.State<Land> land) {
        return new LandState(
                row.id(),
                row.client(),
                row.name(),
                land.revision(),
                land.saveNo(),
                land.content(),
                land.savedAt(),
                mapper.jobs(row.id()));
    }

    /** Number of the last save of its land. */
    public long saveNo(UUID id) {
        return lands.saveNo(id);
    }

    @Transactional(readOnly = true)
    public Land land(UUID id) {
        find(id);
        return lands.state(id).content();
    }

    @Transactional(readOnly = true)
    public Surroundings around(UUID id) {
        return around(land(id));
    }

    /** The land with its grid unpacked. */
    public Surroundings around(Land land) {
        return Surroundings.of(land, land.grid().map(g -> attachments.grid(g.hash())));
    }

    /** Saves the land, or keeps it aside and refuses when somebody saved in between. */
    @Transactional(noRollbackFor = RequestRefused.class)
    public LandState save(UUID id, LandSave save) {
        check(save.land());
        PropertyRow row = mapper.lock(id).orElseThrow(() -> RequestRefused.missing("This property"));
        RevisionStore.State<Land> saved = lands.save(
                id, new RevisionStore.Save<>(save.baseSaveNo(), save.stretch(), save.land()), "property", r -> false);
        mapper.touch(id, now());
        return state(row, saved);
    }

    /** Makes an earlier or aside revision the current one, as a new revision. */
    @Transactional
    public LandState restore(UUID id, int revision) {
        PropertyRow row = mapper.lock(id).orElseThrow(() -> RequestRefused.missing("This property"));
        LandState restored = state(row, lands.restore(id, revision));
        mapper.touch(id, now());
        return restored;
    }

    private void check(Land land) {
        List<Problem> problems = new ArrayList<>(LandCheck.problems(land));
        land.grid()
                .filter(g -> !attachments.holds(g.hash()))
                .ifPresent(g -> problems.add(new Problem(
                        "grid.missing", "grid", "The terrain “" + g.name() + "” is not here; bring it in again.")));
        for (Underlay u : land.underlays()) {
            if (!attachments.holds(u.hash())) {
                problems.add(new Problem(
                        "picture.missing",
                        "underlays",
                        "The picture “" + u.name() + "” is not here; bring it in again."));
            }
        }
        if (!problems.isEmpty()) {
            throw new BadInput(problems);
        }
    }

    private Instant now() {
        return clock.instant().truncatedTo(ChronoUnit.MICROS);
    }
}
