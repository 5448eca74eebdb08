package buckle.server.land;

import buckle.exchange.in.GridReader;
import buckle.land.GridTerrain;
import buckle.server.land.AttachmentMapper.AttachmentRow;
import buckle.server.web.RequestRefused;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Clock;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.Map;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;

/** Pictures and grids beside the documents; the grids last used stay unpacked. */
@Component
public class Attachments {
    public static final String GRID = "text/x-ascii-grid";
    private static final int GRIDS_KEPT = 4;

    private final AttachmentMapper mapper;
    private final Clock clock;
    private final Map<String, GridTerrain> grids = new LinkedHashMap<>(GRIDS_KEPT, 0.75f, true) {
        private static final long serialVersionUID = 1L;

        @Override
        protected boolean removeEldestEntry(Map.Entry<String, GridTerrain> eldest) {
            return size() > GRIDS_KEPT;
        }
    };

    Attachments(AttachmentMapper mapper, Clock clock) {
        this.mapper = mapper;
        this.clock = clock;
    }

    @Transactional
    public String store(byte[] bytes, String mediaType) {
        String hash = hash(bytes);
        mapper.insert(new AttachmentRow(hash, mediaType, bytes, clock.instant()));
        return hash;
    }

    boolean holds(String hash) {
        return mapper.exists(hash);
    }

    /** What was stored. */
    public byte[] bytes(String hash) {
        return find(hash).bytes();
    }

    AttachmentRow find(String hash) {
        return mapper.find(hash).orElseThrow(() -> RequestRefused.missing("This picture or grid"));
    }

    public GridTerrain grid(String hash) {
        synchronized (grids) {
            GridTerrain kept = grids.get(hash);
            if (kept != null) {
                return kept;
            }
            GridTerrain read = GridReader.read(find(hash).bytes());
            grids.put(hash, read);
            return read;
        }
    }

    private static String hash(byte[] bytes) {
        try {
            return HexFormat.of().formatHex(MessageDigest.getInstance("SHA-256").digest(bytes));
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException("every Java has SHA-256", e);
        }
    }
}
