package app.unciala.server.flag;

import app.unciala.core.sentence.Sentences;
import app.unciala.server.account.AccountService;
import app.unciala.server.account.AccountService.Person;
import app.unciala.server.fault.Fault;
import app.unciala.server.flag.FlagService.Filter;
import app.unciala.server.history.Actor;
import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.inventory.Changes;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.time.OffsetDateTime;
import java.util.List;
import java.util.Set;
import java.util.function.Consumer;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What people decide about flags: accept them until a day, hand them to somebody, comment on them. */
@Service
public class FlagDecisions {
    private static final int MOST_AT_ONCE = 5000;

    private final FlagRepository flags;
    private final FlagWriter writer;
    private final FlagService service;
    private final AccountService accounts;
    private final HistoryService history;
    private final Actor actor;
    private final Changes changes;
    private final JdbcClient database;
    private final Clock clock;

    FlagDecisions(
            FlagRepository flags,
            FlagWriter writer,
            FlagService service,
            AccountService accounts,
            HistoryService history,
            Actor actor,
            Changes changes,
            JdbcClient database,
            Clock clock) {
        this.flags = flags;
        this.writer = writer;
        this.service = service;
        this.accounts = accounts;
        this.history = history;
        this.actor = actor;
        this.changes = changes;
        this.database = database;
        this.clock = clock;
    }

    public record Comment(Instant at, String by, String text) {}

    /** A time at which a flag stood, from when it was found until its cause went. */
    public record Period(Instant since, Instant gone) {}

    /** What is kept of a flag beside what it says: earlier times at which it stood, and comments, oldest first. */
    public record Story(List<Period> periods, List<Comment> comments) {}

    /** The flags that a decision is about: those named, or all that a filter finds, which names their cause. */
    public record Chosen(List<String> ids, @Nullable Filter filter) {
        public static Chosen named(List<String> ids) {
            return new Chosen(ids, null);
        }

        static Chosen all(Filter filter) {
            return new Chosen(List.of(), filter);
        }
    }

    /** Accepts flags until a day; they come back the day after. */
    @Transactional
    public int accept(Chosen chosen, LocalDate until, String reason) {
        changes.begin();
        LocalDate today = LocalDate.now(clock);
        if (until.isBefore(today)) {
            throw Fault.invalid("until", "Accept it until today or a later day.");
        }
        if (until.isAfter(today.plusYears(5))) {
            throw Fault.invalid("until", "Accept it for at most five years.");
        }
        return decide(
                chosen,
                "Accepted until " + Sentences.day(until) + ": " + reason,
                flag -> flag.accept(until, reason, actor.name(), clock.instant()));
    }

    @Transactional
    public int withdraw(Chosen chosen) {
        changes.begin();
        return decide(chosen, "No longer accepted", FlagEntity::endAcceptance);
    }

    /** Hands flags to somebody, or to nobody. */
    @Transactional
    public int assign(Chosen chosen, @Nullable String name) {
        changes.begin();
        if (name == null) {
            return decide(chosen, "Unassigned", flag -> flag.assign(null, actor.name(), clock.instant()));
        }
        Person person = accounts.get(name);
        if (person.removed()) {
            throw Fault.invalid("name", person.displayName() + " has left the agency.");
        }
        return decide(
                chosen,
                "Assigned to " + person.displayName(),
                flag -> flag.assign(name, actor.name(), clock.instant()));
    }

    @Transactional
    public void comment(String id, String text) {
        changes.begin();
        FlagEntity flag = service.find(id);
        database.sql("insert into flag_comment (flag_id, at, by_name, text) values (:id, :at, :by, :text)")
                .param("id", id)
                .param("at", Timestamp.from(clock.instant()))
                .param("by", actor.name())
                .param("text", text.strip())
                .update();
        history.record(Deed.of("flag", id, flag.title(), "Commented: " + text.strip()));
    }

    @Transactional(readOnly = true)
    public Story story(String id) {
        service.find(id);
        return new Story(
                database.sql("select since, gone from flag_period where flag_id = :id order by since")
                        .param("id", id)
                        .query((row, number) -> new Period(
                                row.getObject(1, OffsetDateTime.class).toInstant(),
                                row.getObject(2, OffsetDateTime.class).toInstant()))
                        .list(),
                database.sql("select at, by_name, text from flag_comment where flag_id = :id order by id")
                        .param("id", id)
                        .query((row, number) -> new Comment(
                                row.getObject(1, OffsetDateTime.class).toInstant(), row.getString(2), row.getString(3)))
                        .list());
    }

    /** Ends what was accepted until a day before this one; within the transaction of the day's change. */
    void endAcceptedBefore(LocalDate day) {
        List<FlagEntity> ended = flags.findByAcceptedUntilBefore(day);
        ended.forEach(FlagEntity::endAcceptance);
        writer.recount(ended.stream().map(FlagEntity::cause).collect(Collectors.toSet()));
    }

    private int decide(Chosen chosen, String text, Consumer<FlagEntity> decision) {
        List<FlagEntity> found = chosen.filter() == null
                ? flags.findAllById(
                        chosen.ids().stream().distinct().limit(MOST_AT_ONCE).toList())
                : flags.findAll(FlagService.wanted(chosen.filter()));
        if (found.isEmpty()) {
            throw Fault.conflict("These flags are no longer open.");
        }
        found.forEach(decision);
        flags.saveAllAndFlush(found);
        Set<String> causes = found.stream().map(FlagEntity::cause).collect(Collectors.toSet());
        writer.recount(causes);
        FlagEntity first = found.get(0);
        String subject = found.size() == 1 ? first.title() : first.title() + " and " + (found.size() - 1) + " more";
        history.record(Deed.of("flag", found.size() == 1 ? first.id() : first.cause(), subject, text));
        return found.size();
    }
}
