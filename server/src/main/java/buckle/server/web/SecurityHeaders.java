package buckle.server.web;

import jakarta.servlet.http.HttpServletResponse;

/** What every answer says to the browser, refusals too. */
final class SecurityHeaders {
    private static final String POLICY =
            "default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline';"
                    + " object-src 'none'; base-uri 'self'; form-action 'self'; frame-ancestors 'none'";

    private SecurityHeaders() {}

    /** @param api whether it is an answer of the API, which no cache keeps; what says otherwise itself is left */
    static void set(HttpServletResponse response, boolean api) {
        response.setHeader("Content-Security-Policy", POLICY);
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("Referrer-Policy", "no-referrer");
        response.setHeader("X-Frame-Options", "DENY");
        response.setHeader("Cross-Origin-Opener-Policy", "same-origin");
        response.setHeader("Cross-Origin-Resource-Policy", "same-origin");
        if (api) {
            response.setHeader("Cache-Control", "no-store");
        }
    }
}
