package app.unciala.server.http;

import jakarta.servlet.FilterChain;
import jakarta.servlet.ServletException;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import org.springframework.core.Ordered;
import org.springframework.core.annotation.Order;
import org.springframework.http.HttpHeaders;
import org.springframework.http.HttpStatus;
import org.springframework.stereotype.Component;
import org.springframework.web.filter.OncePerRequestFilter;

/** Lets nobody in before the server is ready: what is shown of data that is still being entered is wrong. */
@Component
@Order(Ordered.HIGHEST_PRECEDENCE)
class StartingFilter extends OncePerRequestFilter {
    private static final String STARTING =
            "Unciala is starting, and its data isn’t complete yet. Try again in a moment.";

    private final Readiness readiness;

    StartingFilter(Readiness readiness) {
        this.readiness = readiness;
    }

    @Override
    protected boolean shouldNotFilter(HttpServletRequest request) {
        String path = request.getServletPath();
        return readiness.isReady() || !path.startsWith("/api/") || path.equals("/api/health");
    }

    @Override
    protected void doFilterInternal(HttpServletRequest request, HttpServletResponse response, FilterChain chain)
            throws ServletException, IOException {
        response.setHeader(HttpHeaders.RETRY_AFTER, "2");
        Problems.write(response, HttpStatus.SERVICE_UNAVAILABLE, STARTING);
    }
}
