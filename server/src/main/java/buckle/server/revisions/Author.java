package buckle.server.revisions;

import jakarta.servlet.http.HttpServletRequest;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import org.springframework.beans.factory.ObjectProvider;
import org.springframework.stereotype.Component;

/** Who asks, until there are accounts: a name typed once on a device and sent along, percent-encoded, in a header. */
@Component
public class Author {
    private static final String HEADER = "Buckle-Author";
    private static final int LONGEST = 80;

    private final ObjectProvider<HttpServletRequest> request;

    Author(ObjectProvider<HttpServletRequest> request) {
        this.request = request;
    }

    /** Empty where nobody said, and outside of requests. */
    public String name() {
        try {
            HttpServletRequest now = request.getIfAvailable();
            String said = now == null ? null : now.getHeader(HEADER);
            if (said == null) {
                return "";
            }
            String name = URLDecoder.decode(said, StandardCharsets.UTF_8)
                    .replaceAll("\\p{Cntrl}", " ")
                    .strip();
            return name.length() > LONGEST ? name.substring(0, LONGEST) : name;
        } catch (IllegalArgumentException | IllegalStateException e) {
            return "";
        }
    }
}
