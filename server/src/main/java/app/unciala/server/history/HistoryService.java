package app.unciala.server.history;

import java.time.Clock;
import java.time.Instant;
import java.util.List;
import org.springframework.security.core.Authentication;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps who did what, in the same transaction as the deed. */
@Service
public class HistoryService {
    private static final int LONGEST = 2000;

    private final HistoryRepository entries;
    private final Clock clock;

    HistoryService(HistoryRepository entries, Clock clock) {
        this.entries = entries;
        this.clock = clock;
    }

    /** One entry; {@code subjectType} is the feature's name in the singular. */
    public record Entry(String id, Instant at, String by, String subjectType, String subjectId, String text) {}

    @Transactional
    public void record(String subjectType, String subjectId, String text) {
        String kept = text.length() > LONGEST ? text.substring(0, LONGEST) : text;
        entries.save(new HistoryEntry(clock.instant(), currentName(), subjectType, subjectId, kept));
    }

    @Transactional(readOnly = true)
    public List<Entry> latest() {
        return entries.findTop500ByOrderByIdDesc().stream()
                .map(HistoryEntry::toRecord)
                .toList();
    }

    /** The name of whoever is signed in, or {@code unciala} for the product's own work. */
    public static String currentName() {
        Authentication authentication = SecurityContextHolder.getContext().getAuthentication();
        return authentication == null ? "unciala" : authentication.getName();
    }
}
