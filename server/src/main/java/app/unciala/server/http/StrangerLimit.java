package app.unciala.server.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Bounds what bodies of people who aren't signed in may take: files are dropped as they come, 64 kB within 10 s (8 MB within a minute for a
 * reading of a page that is sent with a key), {@value #MOST_OF_ONE} at a time from one address and {@value #MOST} in all.
 * It comes before anything that would read a body.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 100)
class StrangerLimit extends OncePerRequestFilter {
    private static final int MOST = 60;
    private static final int MOST_OF_ONE = 20;
    private static final long MOST_BYTES = 64 << 10;
    /** What may be called without signing in; anything else is told to sign in. */
    private static final List<String> OPEN =
            List.of("/api/session", "/api/invitations/", "/api/sent-readings/", "/api/backups/local");

    private static final Duration SLOWEST = Duration.ofSeconds(10);
    private static final Duration SLOWEST_READING = Duration.ofMinutes(1);

    private final Semaphore free = new Semaphore(MOST);
    private final Map<String, Integer> byAddress = new ConcurrentHashMap<>();

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        boolean hasBody =
                request.getContentLengthLong() > 0 || request.getHeader(HttpHeaders.TRANSFER_ENCODING) != null;
        return !hasBody || request.getSession(false) != null;
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        String path = request.getServletPath();
        boolean isReading = path.startsWith("/api/sent-readings/");
        long most = isReading ? BodyLimit.MOST : MOST_BYTES;
        boolean isLong = request.getContentLengthLong() > most;
        boolean isOpen = OPEN.stream().anyMatch(path::startsWith);
        if (!enter(request.getRemoteAddr())) {
            Problems.write(
                    response, HttpStatus.SERVICE_UNAVAILABLE, "Too many requests at once. Try again in a moment.");
            UnreadBodies.leave(request);
            return;
        }
        try {
            if (BodyLimit.isForm(request) || (isLong && !isOpen)) {
                Problems.write(response, HttpStatus.UNAUTHORIZED, "Sign in first.");
                response.flushBuffer();
                drop(request.getInputStream());
            } else if (isLong) {
                Problems.write(response, HttpStatus.CONTENT_TOO_LARGE, "This is too long.");
            } else {
                chain.doFilter(new BoundedBody(request, most, isReading ? SLOWEST_READING : SLOWEST), response);
            }
            if (!request.getInputStream().isFinished()) {
                UnreadBodies.leave(request);
            }
        } finally {
            exit(request.getRemoteAddr());
        }
    }

    /**
     * Reads a body and keeps nothing of it, for at most a minute: a browser whose session has ended sends files to their
     * end before it looks at the answer, and would see a broken connection instead.
     */
    private static void drop(ServletInputStream body) {
        long until = System.nanoTime() + SLOWEST_READING.toNanos();
        byte[] part = new byte[64 << 10];
        try {
            while (System.nanoTime() < until && body.read(part) >= 0) {
                // Dropped.
            }
        } catch (IOException e) {
            // Whoever sends it has gone, or is too slow.
        }
    }

    private boolean enter(String address) {
        if (!free.tryAcquire()) {
            return false;
        }
        if (byAddress.merge(address, 1, Integer::sum) > MOST_OF_ONE) {
            exit(address);
            return false;
        }
        return true;
    }

    private void exit(String address) {
        byAddress.computeIfPresent(address, (any, count) -> count == 1 ? null : count - 1);
        free.release();
    }
}
