package buckle.server.web;

import jakarta.servlet.ServletException;
import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ValveBase;
import org.apache.coyote.ActionCode;

/**
 * Gives each request the means to find out whether its asker has gone. The servlet interface has none until something is written, so the
 * connection is looked at without waiting: an end of the stream after the whole body was read means that it was closed.
 */
final class AskerValve extends ValveBase {
    AskerValve() {
        super(true);
    }

    @Override
    public void invoke(Request request, Response response) throws IOException, ServletException {
        request.setAttribute(Asker.ATTRIBUTE, (Asker) () -> gone(request));
        getNext().invoke(request, response);
    }

    private static boolean gone(Request request) {
        org.apache.coyote.Request raw = request.getCoyoteRequest();
        raw.setAvailable(0);
        raw.action(ActionCode.AVAILABLE, true);
        return raw.getAvailable() > 0;
    }
}
