package app.unciala.server.statement;

import app.unciala.server.http.Uploads;
import java.nio.charset.StandardCharsets;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RestController;

/** The statement of a client's fonts, to be printed or read by a spreadsheet program. */
@RestController
@RequestMapping("/api/clients/{id}")
class StatementController {
    private static final String ONLY_STYLE =
            "sandbox; default-src 'none'; style-src 'unsafe-inline'; frame-ancestors 'none'";

    private final StatementService statements;

    StatementController(StatementService statements) {
        this.statements = statements;
    }

    @GetMapping(path = "/statement", produces = MediaType.TEXT_HTML_VALUE)
    ResponseEntity<String> page(@PathVariable String id) {
        return ResponseEntity.ok()
                .contentType(new MediaType(MediaType.TEXT_HTML, StandardCharsets.UTF_8))
                .header("Content-Security-Policy", ONLY_STYLE)
                .body(StatementPage.html(statements.of(id)));
    }

    @GetMapping(path = "/statement.csv", produces = "text/csv")
    ResponseEntity<byte[]> csv(@PathVariable String id) {
        return Uploads.download(new MediaType("text", "csv", StandardCharsets.UTF_8), "statement.csv")
                .body(StatementPage.csv(statements.of(id)).getBytes(StandardCharsets.UTF_8));
    }
}
