package buckle.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.InvalidMediaTypeException;
import org.springframework.http.MediaType;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * The outermost room. Until there are accounts Buckle talks to this machine only: requests for another host (a name that was pointed
 * here) or from a page of another origin are refused, and so are bodies without a length, beyond 32 MB or of no readable type.
 * Whatever goes wrong further in, and is not answered there, becomes a problem document here.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class LoopbackGuard extends OncePerRequestFilter {
    private static final Set<String> OWN = Set.of("127.0.0.1", "localhost", "[::1]");
    private static final long MEGABYTE = 1024L * 1024;
    private static final long MOST_BODY_BYTES = 32 * MEGABYTE;
    /** Terrain grids are larger than anything else. */
    private static final long MOST_GRID_BYTES = 66L * 1024 * 1024;

    private static final int MOST_QUERY_CHARACTERS = 4000;

    private static final Set<String> GRIDS = Set.of("/api/imports", "/api/grids");

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        SecurityHeaders.set(response, request.getRequestURI().startsWith("/api/"));
        RequestRefused refused = refused(request);
        if (refused != null) {
            Problems.write(response, Problems.of(refused, request));
            return;
        }
        try {
            chain.doFilter(request, response);
        } catch (RuntimeException | ServletException e) {
            if (response.isCommitted()) {
                throw e;
            }
            response.resetBuffer();
            Problems.write(response, Problems.of(e, request));
        }
    }

    private static @Nullable RequestRefused refused(HttpServletRequest request) {
        String host = request.getHeader("Host");
        String origin = request.getHeader("Origin");
        String query = request.getQueryString();
        if (host == null || !OWN.contains(name(host))) {
            return refused(403, "host.foreign", "Buckle answers requests for this machine only.");
        }
        if (origin != null && !origin.equals("http://" + host)) {
            return refused(403, "origin.foreign", "Buckle answers its own pages only.");
        }
        if (request.getContentLengthLong() > most(request)) {
            return refused(
                    413,
                    "body.too-large",
                    request.getContentLengthLong() / MEGABYTE + " MB were sent; at most " + most(request) / MEGABYTE
                            + " MB are read here, and of one picture 20 MB. Nothing was stored.");
        }
        if (request.getHeader("Transfer-Encoding") != null) {
            return refused(411, "body.no-length", "Send the length of the body. Nothing was stored.");
        }
        if (query != null && query.length() > MOST_QUERY_CHARACTERS) {
            return refused(414, "query.too-long", "The query has more than 4,000 characters.");
        }
        return typeRefused(request.getContentType());
    }

    private static @Nullable RequestRefused typeRefused(@Nullable String type) {
        if (type == null) {
            return null;
        }
        try {
            MediaType media = MediaType.parseMediaType(type);
            return media.isWildcardType() || media.isWildcardSubtype()
                    ? refused(
                            415,
                            "body.type",
                            "Say which type the body has: application/json or application/octet-stream.")
                    : null;
        } catch (InvalidMediaTypeException e) {
            return refused(415, "body.type", "The type of the body cannot be read.");
        }
    }

    private static RequestRefused refused(int status, String code, String sentence) {
        return new RequestRefused(status, code, sentence, java.util.Map.of());
    }

    private static long most(HttpServletRequest request) {
        return GRIDS.contains(request.getRequestURI()) ? MOST_GRID_BYTES : MOST_BODY_BYTES;
    }

    private static String name(String host) {
        int colon = host.lastIndexOf(':');
        return colon > host.lastIndexOf(']') ? host.substring(0, colon) : host;
    }
}
