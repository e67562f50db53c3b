package app.unciala.server.history;

import app.unciala.server.fault.Fault;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.inventory.Changes;
import java.util.List;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Takes back what was just done. */
@Service
public class UndoService {
    private final HistoryRepository entries;
    private final HistoryService history;
    private final List<Reverser> reversers;
    private final Changes changes;

    UndoService(HistoryRepository entries, HistoryService history, List<Reverser> reversers, Changes changes) {
        this.entries = entries;
        this.history = history;
        this.reversers = reversers;
        this.changes = changes;
    }

    @Transactional
    public void undo(String entryId) {
        changes.begin();
        HistoryEntry entry = find(entryId);
        Reversal reversal =
                entry.reversal().orElseThrow(() -> Fault.conflict("“" + entry.text() + "” can’t be undone."));
        entry.undo();
        entries.saveAndFlush(entry);
        reversers.stream()
                .filter(reverser -> reverser.reverses(reversal.kind()))
                .findFirst()
                .orElseThrow()
                .reverse(reversal);
        history.record(Deed.of(entry.subjectType(), entry.subjectId(), entry.subjectName(), "Undid: " + entry.text()));
    }

    private HistoryEntry find(String id) {
        if (!id.matches("\\d{1,18}")) {
            throw Fault.notFound("entry of the history", id);
        }
        return entries.findById(Long.valueOf(id)).orElseThrow(() -> Fault.notFound("entry of the history", id));
    }
}
