package buckle.server.web;

import java.util.Map;

/** A request that cannot be done, with its status, stable code and sentence. */
public final class Trouble extends RuntimeException {
    private static final long serialVersionUID = 1L;

    private final int status;
    private final String code;
    private final transient Map<String, Object> more;

    public Trouble(int status, String code, String sentence, Map<String, Object> more) {
        super(sentence);
        this.status = status;
        this.code = code;
        this.more = Map.copyOf(more);
    }

    public static Trouble missing(String what) {
        return new Trouble(404, "not-found", what + " is not here.", Map.of());
    }

    int status() {
        return status;
    }

    String code() {
        return code;
    }

    Map<String, Object> more() {
        return more;
    }
}
