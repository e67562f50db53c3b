package app.unciala.server.http;

import jakarta.servlet.http.HttpServletResponse;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import org.springframework.http.HttpStatus;
import org.springframework.http.MediaType;
import org.springframework.http.ProblemDetail;
import tools.jackson.databind.json.JsonMapper;

/** Problem documents (RFC 9457) of what is refused before it reaches a controller. */
public final class Problems {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private Problems() {}

    /** Answers with a problem and the sentence that a person is told. */
    public static void write(HttpServletResponse response, HttpStatus status, String sentence) throws IOException {
        ProblemDetail problem = ProblemDetail.forStatusAndDetail(status, sentence);
        response.setStatus(status.value());
        response.setContentType(MediaType.APPLICATION_PROBLEM_JSON_VALUE);
        response.setCharacterEncoding(StandardCharsets.UTF_8);
        response.getWriter()
                .write(JSON.createObjectNode()
                        .put("status", status.value())
                        .put("title", problem.getTitle())
                        .put("detail", sentence)
                        .toString());
    }
}
