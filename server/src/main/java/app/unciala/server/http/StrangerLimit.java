package app.unciala.server.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.ServletInputStream;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
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
 * Bounds what bodies of people who aren't signed in may take: no files, 64 kB within 10 s (8 MB within a minute for a
 * reading of a page that is sent with a key), {@value #MOST_OF_ONE} at a time from one address and {@value #MOST} in all.
 * It comes before anything that would read a body.
 */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE + 100)
class StrangerLimit extends OncePerRequestFilter {
    private static final int MOST = 60;
    private static final int MOST_OF_ONE = 20;
    private static final long MOST_BYTES = 64 << 10;
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
        boolean isReading = request.getServletPath().startsWith("/api/sent-readings/");
        long most = isReading ? BodyLimit.MOST : MOST_BYTES;
        if (BodyLimit.isForm(request)) {
            refuse(request, response, HttpStatus.UNAUTHORIZED, "Sign in before you send files.");
        } else if (request.getContentLengthLong() > most) {
            refuse(request, response, HttpStatus.CONTENT_TOO_LARGE, "This is too long. Sign in first.");
        } else if (!enter(request.getRemoteAddr())) {
            refuse(
                    request,
                    response,
                    HttpStatus.SERVICE_UNAVAILABLE,
                    "Too many requests at once. Try again in a moment.");
        } else {
            try {
                chain.doFilter(new BoundedBody(request, most, isReading ? SLOWEST_READING : SLOWEST), response);
                if (!isRead(request.getInputStream())) {
                    UnreadBodies.leave(request);
                }
            } finally {
                exit(request.getRemoteAddr());
            }
        }
    }

    private static boolean isRead(ServletInputStream body) {
        return body.isFinished();
    }

    private static void refuse(
            HttpServletRequest request, HttpServletResponse response, HttpStatus status, String sentence)
            throws IOException {
        UnreadBodies.leave(request);
        Problems.write(response, status, sentence);
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
