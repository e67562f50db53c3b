package app.unciala.server.check;

import app.unciala.core.domain.DomainName;
import app.unciala.core.page.Addresses;
import app.unciala.core.page.BrowserReading;
import app.unciala.server.check.CheckService.CheckLine;
import app.unciala.server.fault.Fault;
import app.unciala.server.history.Actor;
import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.inventory.Tokens;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.Site;
import java.io.IOException;
import java.io.InputStream;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Objects;
import java.util.concurrent.atomic.AtomicReference;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** Takes readings that people's own browsers made of a site's pages: pasted, or sent with a key that is good once. */
@Service
public class BrowserReadings {
    private static final Duration KEY_LASTS = Duration.ofHours(1);

    private final KeptReadings kept;
    private final ReadingKeyRepository keys;
    private final SiteService sites;
    private final CheckService checks;
    private final HistoryService history;
    private final Actor actor;
    private final TransactionTemplate transaction;
    private final Clock clock;

    BrowserReadings(
            KeptReadings kept,
            ReadingKeyRepository keys,
            SiteService sites,
            CheckService checks,
            HistoryService history,
            Actor actor,
            TransactionTemplate transaction,
            Clock clock) {
        this.kept = kept;
        this.keys = keys;
        this.sites = sites;
        this.checks = checks;
        this.history = history;
        this.actor = actor;
        this.transaction = transaction;
        this.clock = clock;
    }

    /**
     * A reading that is kept for the checks of its site.
     *
     * @param bytes of what was read, as JSON
     */
    public record KeptReading(
            String id, String url, String title, boolean textKept, Instant takenAt, String takenBy, long bytes) {}

    /** A key that one reading may be sent with until a time. */
    public record ReadingKey(String key, Instant endsAt) {}

    public List<KeptReading> of(String siteId) {
        sites.get(siteId);
        return kept.of(siteId).stream().map(BrowserReadings::view).toList();
    }

    @Transactional
    public ReadingKey newKey(String siteId) {
        sites.get(siteId);
        Instant now = clock.instant();
        keys.deleteEnded(now);
        String key = Tokens.next();
        ReadingKeyEntity saved =
                keys.save(new ReadingKeyEntity(Tokens.digest(key), siteId, actor.name(), now.plus(KEY_LASTS)));
        return new ReadingKey(key, saved.endsAt());
    }

    /** Keeps a reading and checks the site with it. */
    public CheckLine add(String siteId, InputStream body) throws IOException {
        BrowserReading reading = parsed(body.readAllBytes());
        transaction.executeWithoutResult(status -> keep(siteId, reading));
        return checks.startAnew(siteId);
    }

    /** Keeps a reading that was sent with a key; the body is not read before the key is known to be good. */
    public CheckLine addSent(String key, InputStream body) throws IOException {
        ReadingKeyEntity known = keys.findById(Tokens.digest(key))
                .filter(one -> one.endsAt().isAfter(clock.instant()))
                .orElseThrow(() -> Fault.notFound("such key any more", key));
        BrowserReading reading = parsed(body.readAllBytes());
        AtomicReference<CheckLine> check = new AtomicReference<>();
        actor.acting(known.askedBy(), () -> {
            transaction.executeWithoutResult(status -> {
                keep(known.siteId(), reading);
                if (keys.useUp(Tokens.digest(key)) == 0) {
                    throw Fault.conflict("This key has been used. Ask for another one.");
                }
            });
            check.set(checks.startAnew(known.siteId()));
        });
        return Objects.requireNonNull(check.get());
    }

    private BrowserReading parsed(byte[] body) {
        try {
            return kept.parsed(body);
        } catch (IllegalArgumentException e) {
            throw Fault.invalid("This isn’t a reading of a page: " + e.getMessage() + ".");
        }
    }

    private void keep(String siteId, BrowserReading reading) {
        Site site = sites.get(siteId);
        String host = Addresses.host(reading.page());
        if (!site.domains().contains(host) && !isLocal(host)) {
            throw Fault.invalid(
                    "page",
                    reading.page() + " is on none of the domains of “" + site.name() + "”, which are "
                            + String.join(", ", site.domains()) + ", nor on a local host.");
        }
        kept.keep(siteId, reading, clock.instant(), actor.name());
        history.record(Deed.of("site", siteId, site.name(), "Took a reading of " + reading.page() + " from a browser"));
    }

    /** Pages are built on machines of one's own before they go to a domain. */
    private static boolean isLocal(String host) {
        try {
            return DomainName.parse(host).isLocal();
        } catch (IllegalArgumentException e) {
            return false;
        }
    }

    /** Forgets a reading; the next check asks the server of the page again, if it is to be read at all. */
    @Transactional
    public void remove(String id) {
        PageReadingEntity reading = kept.find(id);
        Site site = sites.get(reading.siteId());
        kept.remove(reading);
        history.record(
                Deed.of("site", site.id(), site.name(), "Removed the reading of " + reading.url() + " from a browser"));
    }

    private static KeptReading view(PageReadingEntity reading) {
        return new KeptReading(
                reading.id(),
                reading.url(),
                reading.title(),
                reading.textKept(),
                reading.takenAt(),
                reading.takenBy(),
                reading.bytes());
    }
}
