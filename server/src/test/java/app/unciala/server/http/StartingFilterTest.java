package app.unciala.server.http;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.never;
import static org.mockito.Mockito.verify;
import static org.mockito.Mockito.when;

import jakarta.servlet.FilterChain;
import jakarta.servlet.http.HttpServletRequest;
import jakarta.servlet.http.HttpServletResponse;
import java.io.PrintWriter;
import java.io.StringWriter;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What is answered while the server starts. */
class StartingFilterTest {
    private final Readiness readiness = new Readiness();
    private final StringWriter text = new StringWriter();
    private final HttpServletResponse answer = mock(HttpServletResponse.class);
    private final FilterChain chain = mock(FilterChain.class);

    @ParameterizedTest
    @ValueSource(strings = {"/api/session", "/api/families"})
    void nothingIsAnsweredBeforeAllIsThere(String path) throws Exception {
        HttpServletRequest request = ask(path);
        verify(answer).setStatus(503);
        verify(answer).setHeader("Retry-After", "2");
        assertThat(text.toString()).contains("Try again in a moment");
        verify(chain, never()).doFilter(request, answer);
    }

    @ParameterizedTest
    @ValueSource(strings = {"/api/health", "/", "/assets/app.js"})
    void butHowItIsAndThePagesThemselves(String path) throws Exception {
        HttpServletRequest request = ask(path);
        verify(chain).doFilter(request, answer);
    }

    @Test
    void everythingIsAnsweredFromThenOn() throws Exception {
        readiness.started();
        HttpServletRequest request = ask("/api/session");
        verify(chain).doFilter(request, answer);
    }

    private HttpServletRequest ask(String path) throws Exception {
        HttpServletRequest request = mock(HttpServletRequest.class);
        when(request.getServletPath()).thenReturn(path);
        when(answer.getWriter()).thenReturn(new PrintWriter(text, true));
        new StartingFilter(readiness).doFilter(request, answer, chain);
        return request;
    }
}
