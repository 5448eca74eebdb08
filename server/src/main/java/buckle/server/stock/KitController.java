package buckle.server.stock;

import buckle.reach.Kits;
import buckle.server.prices.PriceService;
import buckle.server.revisions.RevisionStore;
import buckle.server.web.RequestRefused;
import io.swagger.v3.oas.annotations.Operation;
import io.swagger.v3.oas.annotations.tags.Tag;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** Kits that the house keeps; a change on top of an older revision is refused. */
@RestController
@RequestMapping("/api/kits")
@Tag(name = "stock")
class KitController {
    /** One list for the house. */
    static final UUID HOUSE = new UUID(0, 1);

    private final RevisionStore<Kits> store;
    private final PriceService prices;

    KitController(RevisionStore<Kits> store, PriceService prices) {
        this.store = store;
        this.prices = prices;
    }

    /**
     * The kits as stored.
     *
     * @param revision 0 before there was one
     * @param unknown products of them that no price book knows; they are kept
     */
    record KitsState(int revision, List<Kits.Kit> kits, List<String> unknown) {}

    /** Kits on top of a revision. */
    record KitsSave(int baseRevision, List<Kits.Kit> kits) {}

    @GetMapping
    @Operation(operationId = "kits", summary = "Kits of the house")
    KitsState kits() {
        if (!store.has(HOUSE)) {
            return new KitsState(0, List.of(), List.of());
        }
        RevisionStore.State<Kits> now = store.state(HOUSE);
        Set<String> known = new HashSet<>();
        prices.book().items().forEach(i -> known.add(i.product()));
        return new KitsState(
                now.revision(),
                now.content().kits(),
                now.content().kits().stream()
                        .flatMap(k -> k.items().stream())
                        .map(i -> i.product())
                        .filter(p -> !known.contains(p))
                        .distinct()
                        .sorted()
                        .toList());
    }

    @PutMapping
    @Transactional(noRollbackFor = RequestRefused.class)
    @Operation(operationId = "saveKits", summary = "Change the kits of the house; 409 on top of an older revision")
    public KitsState save(@RequestBody KitsSave save) {
        Kits next = new Kits(save.kits());
        next.check();
        if (save.baseRevision() == 0 && store.open(HOUSE, next)) {
            return kits();
        }
        KitsState now = kits();
        if (now.kits().equals(next.kits())) {
            return now;
        }
        if (now.revision() != save.baseRevision()) {
            throw new RequestRefused(
                    409,
                    "kits.stale",
                    "The kits were changed elsewhere in the meantime. Look at them and decide again.",
                    Map.of("currentRevision", now.revision()));
        }
        store.save(HOUSE, new RevisionStore.Save<>(store.saveNo(HOUSE), UUID.randomUUID(), next), "kits", r -> false);
        return kits();
    }
}
