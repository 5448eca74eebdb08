package buckle.server.prices;

import buckle.price.Firm;
import buckle.price.TermsCheck;
import buckle.server.land.Attachments;
import buckle.server.revisions.RevisionStore;
import buckle.server.web.RequestRefused;
import java.util.Map;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps the firm with its rates; a change on top of an older revision is refused. */
@Service
public class FirmService {
    /** There is one firm. */
    private static final UUID FIRM = new UUID(0, 0);

    private final RevisionStore<Firm> firms;

    private final Attachments attachments;

    FirmService(RevisionStore<Firm> firms, Attachments attachments) {
        this.attachments = attachments;
        this.firms = firms;
    }

    /**
     * The firm as stored.
     *
     * @param revision 0 before anything was said of it
     */
    public record FirmState(int revision, Firm firm) {}

    @Transactional(readOnly = true)
    public FirmState state() {
        if (!firms.has(FIRM)) {
            return new FirmState(0, Firm.USUAL);
        }
        RevisionStore.State<Firm> now = firms.state(FIRM);
        return new FirmState(now.revision(), now.content());
    }

    /** Stores it as the next revision; one that is sent again, since its answer was lost, once. */
    @Transactional(noRollbackFor = RequestRefused.class)
    public FirmState save(int baseRevision, Firm firm) {
        TermsCheck.check(firm);
        firm.mark().ifPresent(attachments::bytes);
        if (baseRevision == 0 && firms.open(FIRM, firm)) {
            return state();
        }
        FirmState now = state();
        if (now.firm().equals(firm)) {
            return now;
        }
        if (now.revision() != baseRevision) {
            throw new RequestRefused(
                    409,
                    "firm.stale",
                    "The firm's rates and words were changed elsewhere in the meantime. Look at them and decide again.",
                    Map.of("currentRevision", now.revision()));
        }
        firms.save(FIRM, new RevisionStore.Save<>(firms.saveNo(FIRM), UUID.randomUUID(), firm), "firm", r -> false);
        return state();
    }
}
