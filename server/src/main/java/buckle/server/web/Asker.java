package buckle.server.web;

import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** Whoever waits for an answer. */
interface Asker {
    String ATTRIBUTE = Asker.class.getName();

    /** Header by which a request says under which ticket its progress is asked for. */
    String TICKET = "Buckle-Ticket";

    /** Whether the connection was closed from the other end, so that nobody will read the answer. */
    boolean gone();

    /** Somebody inside the server, who always waits. */
    Asker NOBODY = () -> false;

    /** A ticket as it was sent; null when none was, or one that is none. */
    static @Nullable UUID ticket(@Nullable String sent) {
        try {
            return sent == null ? null : UUID.fromString(sent);
        } catch (IllegalArgumentException e) {
            return null;
        }
    }
}
