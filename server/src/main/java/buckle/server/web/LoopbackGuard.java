package buckle.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Until there are accounts Buckle talks to this machine only: requests for another host (a name that was pointed here)
 * or from a page of another origin are refused, and so are bodies without a length or beyond 32 MB.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class LoopbackGuard extends OncePerRequestFilter {
    private static final Set<String> OWN = Set.of("127.0.0.1", "localhost", "[::1]");
    private static final long MOST_BODY_BYTES = 32L * 1024 * 1024;
    /** Terrain grids are larger than anything else. */
    private static final long MOST_GRID_BYTES = 66L * 1024 * 1024;

    private static final Set<String> GRIDS = Set.of("/api/imports", "/api/grids");

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String host = request.getHeader("Host");
        String origin = request.getHeader("Origin");
        if (host == null || !OWN.contains(name(host))) {
            refuse(response, 403, "host.foreign", "Buckle answers requests for this machine only.");
        } else if (origin != null && !origin.equals("http://" + host)) {
            refuse(response, 403, "origin.foreign", "Buckle answers its own pages only.");
        } else if (request.getContentLengthLong() > most(request)) {
            refuse(response, 413, "body.too-large", "More was sent than is read here. Nothing was stored.");
        } else if (request.getHeader("Transfer-Encoding") != null) {
            refuse(response, 411, "body.no-length", "Send the length of the body. Nothing was stored.");
        } else {
            harden(response);
            chain.doFilter(request, response);
        }
    }

    private static long most(HttpServletRequest request) {
        return GRIDS.contains(request.getRequestURI()) ? MOST_GRID_BYTES : MOST_BODY_BYTES;
    }

    private static String name(String host) {
        int colon = host.lastIndexOf(':');
        return colon > host.lastIndexOf(']') ? host.substring(0, colon) : host;
    }

    private static void harden(HttpServletResponse response) {
        response.setHeader(
                "Content-Security-Policy",
                "default-src 'self'; img-src 'self' data: blob:; style-src 'self' 'unsafe-inline'; frame-ancestors 'none'");
        response.setHeader("X-Content-Type-Options", "nosniff");
        response.setHeader("Referrer-Policy", "no-referrer");
    }

    private static void refuse(HttpServletResponse response, int status, String code, String detail)
            throws IOException {
        response.setStatus(status);
        response.setContentType("application/problem+json");
        response.getWriter()
                .write("{\"status\":" + status + ",\"code\":\"" + code + "\",\"detail\":\"" + detail
                        + "\",\"errors\":[]}");
    }
}
