package app.unciala.server.history;

import app.unciala.server.history.HistoryService.Entry;
import app.unciala.server.history.HistoryService.Filter;
import app.unciala.server.listing.Page;
import java.time.Instant;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

@RestController
@RequestMapping("/api/history")
class HistoryController {
    private final HistoryService history;
    private final UndoService undo;

    HistoryController(HistoryService history, UndoService undo) {
        this.history = history;
        this.undo = undo;
    }

    @GetMapping
    Page<Entry> list(
            @RequestParam(required = false) @Nullable String by,
            @RequestParam(required = false) @Nullable String type,
            @RequestParam(required = false) @Nullable String subject,
            @RequestParam(required = false) @Nullable Instant from,
            @RequestParam(required = false) @Nullable Instant until,
            @RequestParam(required = false) @Nullable String cursor,
            @RequestParam(defaultValue = "100") int limit) {
        return history.list(new Filter(given(by), given(type), given(subject), from, until), cursor, limit);
    }

    @PostMapping("/{id}/undo")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void undo(@PathVariable String id) {
        undo.undo(id);
    }

    private static @Nullable String given(@Nullable String text) {
        return text == null || text.isBlank() ? null : text;
    }
}
