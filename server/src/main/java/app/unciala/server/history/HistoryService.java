package app.unciala.server.history;

import app.unciala.server.listing.Cursor;
import app.unciala.server.listing.Page;
import jakarta.persistence.criteria.Predicate;
import java.time.Clock;
import java.time.Instant;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.Sort;
import org.springframework.data.domain.Window;
import org.springframework.data.jpa.domain.Specification;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Keeps who did what, in the same transaction as the deed. */
@Service
public class HistoryService {
    private static final Sort LATEST_FIRST = Sort.by(Sort.Direction.DESC, "id");

    private final HistoryRepository entries;
    private final Actor actor;
    private final Clock clock;

    HistoryService(HistoryRepository entries, Actor actor, Clock clock) {
        this.entries = entries;
        this.actor = actor;
        this.clock = clock;
    }

    /** One field of a record as it was and as it is, in words; empty where it was or is not stated. */
    public record FieldChange(String field, String before, String after) {}

    /**
     * One entry; {@code by} is an account's name, {@code subjectType} the feature's name in the singular,
     * {@code undoable} whether it can still be taken back as far as the history knows.
     */
    public record Entry(
            String id,
            Instant at,
            String by,
            String subjectType,
            String subjectId,
            String subjectName,
            String text,
            List<FieldChange> changes,
            boolean undoable,
            boolean undone) {}

    /** What someone did to a record. */
    public record Deed(
            String subjectType,
            String subjectId,
            String subjectName,
            String text,
            List<FieldChange> changes,
            Optional<Reversal> reversal) {
        public static Deed of(String subjectType, String subjectId, String subjectName, String text) {
            return new Deed(subjectType, subjectId, subjectName, text, List.of(), Optional.empty());
        }

        /** With the fields that differ between two states of a record, by name. */
        public Deed changing(Map<String, String> before, Map<String, String> after) {
            Map<String, String> all = new LinkedHashMap<>(before);
            after.forEach(all::putIfAbsent);
            List<FieldChange> differing = all.keySet().stream()
                    .map(field -> new FieldChange(field, before.getOrDefault(field, ""), after.getOrDefault(field, "")))
                    .filter(change -> !change.before().equals(change.after()))
                    .toList();
            return new Deed(subjectType, subjectId, subjectName, text, differing, reversal);
        }

        public Deed undoneBy(Reversal how) {
            return new Deed(subjectType, subjectId, subjectName, text, changes, Optional.of(how));
        }
    }

    /** What to look for; what is null is not asked for. */
    public record Filter(
            @Nullable String by,
            @Nullable String subjectType,
            @Nullable String subjectId,
            @Nullable Instant from,
            @Nullable Instant until) {}

    /** Records a deed and returns the entry's id. */
    @Transactional
    public String record(Deed deed) {
        return entries.save(new HistoryEntry(clock.instant(), actor.name(), deed))
                .id();
    }

    /** The entries that fit, latest first. */
    @Transactional(readOnly = true)
    public Page<Entry> list(Filter filter, @Nullable String cursor, int limit) {
        Specification<HistoryEntry> wanted = (entry, query, build) -> build.and(Stream.of(
                        Optional.ofNullable(filter.by()).map(by -> build.equal(entry.get("byName"), by)),
                        Optional.ofNullable(filter.subjectType())
                                .map(type -> build.equal(entry.get("subjectType"), type)),
                        Optional.ofNullable(filter.subjectId()).map(id -> build.equal(entry.get("subjectId"), id)),
                        Optional.ofNullable(filter.from())
                                .map(from -> build.greaterThanOrEqualTo(entry.get("at"), from)),
                        Optional.ofNullable(filter.until()).map(until -> build.lessThan(entry.get("at"), until)))
                .flatMap(Optional::stream)
                .toArray(Predicate[]::new));
        return Page.of(
                entries.<HistoryEntry, Window<HistoryEntry>>findBy(wanted, query -> query.sortBy(LATEST_FIRST)
                        .limit(Cursor.limit(limit).max())
                        .scroll(Cursor.read(cursor, Map.of("id", 0L)))),
                HistoryEntry::toRecord);
    }
}
