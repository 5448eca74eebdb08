package buckle.server.web;

import java.io.IOException;
import org.apache.catalina.connector.Request;
import org.apache.catalina.connector.Response;
import org.apache.catalina.valves.ErrorReportValve;

/** What Tomcat refuses before any of our code sees it, such as a path with a broken percent code, as a problem document. */
public final class ContainerProblems extends ErrorReportValve {
    @Override
    protected void report(Request request, Response response, Throwable thrown) {
        int status = response.getStatus();
        if (status < 400 || response.getContentWritten() > 0 || !response.setErrorReported()) {
            return;
        }
        try {
            SecurityHeaders.set(response, true);
            byte[] json = Problems.sent(status, "request", sentence(status)).json();
            response.setContentType("application/problem+json");
            response.setContentLength(json.length);
            response.getOutputStream().write(json);
            response.finishResponse();
        } catch (IOException | IllegalStateException e) {
            // Whoever asked is gone; there is nobody to tell.
            container.getLogger().debug("a refusal could not be sent", e);
        }
    }

    static String sentence(int status) {
        return switch (status) {
            case 400 -> "The request cannot be read. Nothing was stored.";
            case 404 -> "There is nothing here.";
            case 405 -> "This cannot be done here.";
            case 413, 414 -> "More was sent than is read here. Nothing was stored.";
            default -> status >= 500 ? "Buckle met something it did not foresee." : "The request does not fit.";
        };
    }
}
