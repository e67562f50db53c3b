package app.unciala.server.license;

import app.unciala.server.fault.Fault;
import app.unciala.server.history.Actor;
import app.unciala.server.inventory.Tokens;
import app.unciala.server.license.DueDates.Due;
import biweekly.Biweekly;
import biweekly.ICalendar;
import biweekly.component.VEvent;
import biweekly.property.Transparency;
import biweekly.util.DateTimeComponents;
import biweekly.util.ICalDate;
import java.sql.Timestamp;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Date;
import java.util.List;
import java.util.Locale;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The calendar of what falls due (RFC 5545), which people subscribe to by a secret address of their own. */
@Service
class CalendarService {
    private static final int MONTHS_AHEAD = 24;
    private static final int DAYS_BACK = 31;

    private final DueDates dueDates;
    private final Actor actor;
    private final JdbcClient database;
    private final Clock clock;

    CalendarService(DueDates dueDates, Actor actor, JdbcClient database, Clock clock) {
        this.dueDates = dueDates;
        this.actor = actor;
        this.database = database;
        this.clock = clock;
    }

    /** A new secret in place of an earlier one, which no longer opens the calendar. */
    @Transactional
    String renew() {
        String secret = Tokens.next();
        close();
        database.sql(
                        "insert into calendar_address (secret_sha256, account, created_at) values (:secret, :account, :at)")
                .param("secret", Tokens.digest(secret))
                .param("account", actor.name())
                .param("at", Timestamp.from(clock.instant()))
                .update();
        return secret;
    }

    /** From now on, no address opens the calendar for this person. */
    @Transactional
    void close() {
        database.sql("delete from calendar_address where account = :account")
                .param("account", actor.name())
                .update();
    }

    boolean isOpen() {
        return database.sql("select count(*) from calendar_address where account = :account")
                        .param("account", actor.name())
                        .query(Long.class)
                        .single()
                > 0;
    }

    /** The calendar for whoever has a secret, as long as the person it was made for may sign in. */
    @Transactional(readOnly = true)
    String calendar(String secret) {
        List<String> owners = database.sql(
                        "select c.account from calendar_address c join account a on a.name = c.account"
                                + " where c.secret_sha256 = :secret and a.removed_at is null")
                .param("secret", Tokens.digest(secret))
                .query(String.class)
                .list();
        if (owners.isEmpty()) {
            throw Fault.notFound("calendar", "…");
        }
        LocalDate today = LocalDate.now(clock);
        return written(dueDates.from(today.minusDays(DAYS_BACK), today.plusMonths(MONTHS_AHEAD)));
    }

    private String written(List<Due> dues) {
        ICalendar calendar = new ICalendar();
        calendar.setProductId("-//Unciala//Licenses//EN");
        calendar.setName("Licenses");
        for (Due due : dues) {
            VEvent event = new VEvent();
            event.setUid(due.licenseId() + "-" + due.kind().name().toLowerCase(Locale.ROOT) + "@unciala");
            event.setDateTimeStamp(Date.from(clock.instant()));
            // A whole day, in whatever zone it is read.
            event.setDateStart(new ICalDate(
                    new DateTimeComponents(
                            due.day().getYear(),
                            due.day().getMonthValue(),
                            due.day().getDayOfMonth()),
                    false));
            event.setSummary(summary(due));
            event.setTransparency(Transparency.transparent());
            calendar.addEvent(event);
        }
        return Biweekly.write(calendar).go();
    }

    private static String summary(Due due) {
        String vendor = due.vendor().isBlank() ? "" : " (" + due.vendor() + ")";
        return switch (due.kind()) {
            case NOTICE -> "Decide on " + due.licenseName() + vendor;
            case ENDS -> due.licenseName() + vendor + " ends";
            case RENEWS -> due.licenseName() + vendor + " renews by itself";
            case PAYMENT -> "Payment for " + due.licenseName() + vendor;
        };
    }
}
