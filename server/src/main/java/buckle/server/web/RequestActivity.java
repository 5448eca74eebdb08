package buckle.server.web;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.util.concurrent.atomic.AtomicInteger;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Whether somebody asks something, and when that was last; what the server asks of itself, by the header {@link #OWN}, does not count. */
@Component
public class RequestActivity extends OncePerRequestFilter {
    public static final String OWN = "Buckle-Practice";

    private final AtomicInteger open = new AtomicInteger();
    private volatile long lastNs = System.nanoTime();

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (request.getHeader(OWN) != null) {
            chain.doFilter(request, response);
            return;
        }
        open.incrementAndGet();
        try {
            chain.doFilter(request, response);
        } finally {
            lastNs = System.nanoTime();
            open.decrementAndGet();
        }
    }

    /** Since the last one was answered; 0 while one is being answered. */
    public long quietMs() {
        return open.get() > 0 ? 0 : (System.nanoTime() - lastNs) / 1_000_000;
    }
}
