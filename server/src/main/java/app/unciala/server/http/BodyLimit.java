package app.unciala.server.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.time.Duration;
import java.util.Locale;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/**
 * Bounds bodies that are read into memory, which are all but forms with files: at most 8 MB, whether the request says
 * how long it is or not.
 */
@Component
@Order(Ordered.LOWEST_PRECEDENCE)
class BodyLimit extends OncePerRequestFilter {
    static final long MOST = 8 << 20;

    private static final Duration SLOWEST = Duration.ofMinutes(5);

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        if (isForm(request)) {
            chain.doFilter(request, response);
        } else if (request.getContentLengthLong() > MOST) {
            Problems.write(response, HttpStatus.CONTENT_TOO_LARGE, "A request may have 8 MB.");
        } else {
            chain.doFilter(new BoundedBody(request, MOST, SLOWEST), response);
        }
    }

    /** Whether it brings files, which the server's container writes to the disk. */
    static boolean isForm(HttpServletRequest request) {
        String type = request.getContentType();
        return type != null && type.toLowerCase(Locale.ROOT).startsWith("multipart/");
    }
}
