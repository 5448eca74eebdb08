package buckle.server.web;

import java.util.Map;

/** A request that cannot be done, with its status, stable code and sentence. */
public final class RequestRefused extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final int status;
    private final String code;
    private final transient Map<String, Object> more;

    public RequestRefused(int status, String code, String sentence, Map<String, Object> more) {
        super(sentence);
        this.status = status;
        this.code = code;
        this.more = Map.copyOf(more);
    }

    public static RequestRefused missing(String what) {
        return new RequestRefused(404, "not-found", what + " is not here.", Map.of());
    }

    int status() {
        return status;
    }

    /** Stable name of the reason. */
    public String code() {
        return code;
    }

    Map<String, Object> more() {
        return more;
    }
}
