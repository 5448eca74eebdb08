package buckle.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** When somebody last asked something; what the server asks of itself, by the header {@link #OWN}, does not count. */
@Component
public class Bustle extends OncePerRequestFilter {
    public static final String OWN = "Buckle-Practice";

    private volatile long lastNs = System.nanoTime();

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        boolean own = request.getHeader(OWN) != null;
        try {
            chain.doFilter(request, response);
        } finally {
            if (!own) {
                lastNs = System.nanoTime();
            }
        }
    }

    public long quietMs() {
        return (System.nanoTime() - lastNs) / 1_000_000;
    }
}
