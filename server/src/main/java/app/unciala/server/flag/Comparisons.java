package app.unciala.server.flag;

import app.unciala.core.flag.Scope;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Links;
import app.unciala.server.license.Covered;
import app.unciala.server.license.LicenseService;
import app.unciala.server.license.LicenseService.Recorded;
import java.sql.Date;
import java.time.Clock;
import java.time.LocalDate;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.core.annotation.Order;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Comparisons that no change asked for: of everything, after an upgrade, at night or on request, and of what a day
 * gone by touches.
 */
@Component
@Order(10)
public class Comparisons implements ApplicationRunner {
    /** To be raised when the comparison, or what is kept of it, changes. */
    private static final int VERSION = 5;

    private static final Logger LOG = LoggerFactory.getLogger(Comparisons.class);

    private final FlagWriter writer;
    private final FlagDecisions decisions;
    private final LicenseService licenses;
    private final Links links;
    private final Changes changes;
    private final JdbcClient database;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Comparisons(
            FlagWriter writer,
            FlagDecisions decisions,
            LicenseService licenses,
            Links links,
            Changes changes,
            JdbcClient database,
            TransactionTemplate transaction,
            Clock clock) {
        this.writer = writer;
        this.decisions = decisions;
        this.licenses = licenses;
        this.links = links;
        this.changes = changes;
        this.database = database;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** What a full comparison found: how many flags and rows of sites were wrong before it, and how long it took. */
    public record Report(int mended, long milliseconds) {}

    private record Compared(int version, LocalDate day) {}

    @Override
    public void run(ApplicationArguments args) {
        Compared last = last();
        if (last.version() < VERSION || last.day().isBefore(LocalDate.of(2000, 1, 1))) {
            Report report = compareAll();
            LOG.info("Compared everything in {} ms", report.milliseconds());
        } else {
            dayPassed();
        }
    }

    /** Compares everything; what it has to mend was wrong before. */
    public Report compareAll() {
        long began = System.nanoTime();
        Integer mended = transaction.execute(status -> {
            changes.begin();
            LocalDate today = LocalDate.now(clock);
            decisions.endAcceptedBefore(today);
            int count = writer.writeAll();
            compared(today);
            return count;
        });
        return new Report(mended == null ? 0 : mended, TimeUnit.NANOSECONDS.toMillis(System.nanoTime() - began));
    }

    /** The comparison of the night, which has to find nothing to mend once the day's change is written. */
    public void compareAtNight() {
        dayPassed();
        Report report = compareAll();
        if (report.mended() > 0) {
            LOG.warn("The comparison at night had to mend {} flags and rows", report.mended());
        }
    }

    /** Compares what begins, ends or falls due since the last day that was compared. */
    public void dayPassed() {
        if (!last().day().isBefore(LocalDate.now(clock))) {
            return;
        }
        transaction.executeWithoutResult(status -> {
            changes.begin();
            LocalDate last = last().day();
            LocalDate today = LocalDate.now(clock);
            if (last.isBefore(today)) {
                changes.touched(licenses.changingBetween(last, today).stream()
                        .map(this::touchedBy)
                        .reduce(Scope.NOTHING, Scope::and));
                decisions.endAcceptedBefore(today);
                compared(today);
            }
        });
    }

    private Scope touchedBy(Recorded license) {
        return Scope.ofLicense(
                license.id(),
                license.terms().covers().stream().map(Covered::familyId).toList(),
                links);
    }

    private Compared last() {
        return database.sql("select compared_version, compared_day from change_lock where id = 1")
                .query((row, number) ->
                        new Compared(row.getInt(1), row.getDate(2).toLocalDate()))
                .single();
    }

    private void compared(LocalDate day) {
        database.sql("update change_lock set compared_version = :version, compared_day = :day where id = 1")
                .param("version", VERSION)
                .param("day", Date.valueOf(day))
                .update();
    }
}
