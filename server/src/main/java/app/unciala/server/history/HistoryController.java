package app.unciala.server.history;

import app.unciala.server.http.Page;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

@RestController
class HistoryController {
    private final HistoryService history;

    HistoryController(HistoryService history) {
        this.history = history;
    }

    @GetMapping("/api/history")
    Page<HistoryService.Entry> list(
            @RequestParam(required = false) @Nullable String cursor, @RequestParam(defaultValue = "100") int limit) {
        return Page.of(history.latest(), HistoryService.Entry::id, cursor, limit);
    }
}
