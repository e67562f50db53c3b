package app.unciala.server.check;

import app.unciala.core.page.BrowserReading;
import app.unciala.server.fault.Fault;
import app.unciala.server.storage.FileStore;
import java.io.ByteArrayInputStream;
import java.time.Instant;
import java.util.List;
import org.springframework.stereotype.Component;
import org.springframework.transaction.annotation.Transactional;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.json.JsonMapper;

/** The readings that people's own browsers made of pages: the latest of each page of a site. */
@Component
class KeptReadings {
    private static final int MOST = 100;

    private final PageReadingRepository readings;
    private final FileStore store;
    private final JsonMapper json;

    KeptReadings(PageReadingRepository readings, FileStore store, JsonMapper json) {
        this.readings = readings;
        this.store = store;
        this.json = json;
    }

    @Transactional(readOnly = true)
    List<PageReadingEntity> of(String siteId) {
        return readings.findBySiteIdOrderByUrl(siteId);
    }

    @Transactional(readOnly = true)
    boolean hasAny(String siteId) {
        return readings.existsBySiteId(siteId);
    }

    PageReadingEntity find(String id) {
        return readings.findById(id).orElseThrow(() -> Fault.notFound("reading", id));
    }

    /** Keeps a reading in place of an earlier one of the same page. */
    PageReadingEntity keep(String siteId, BrowserReading reading, Instant at, String by) {
        PageReadingEntity kept =
                readings.findBySiteIdAndUrl(siteId, reading.page()).orElseGet(() -> added(siteId, reading.page()));
        kept.take(reading, store.put(new ByteArrayInputStream(json.writeValueAsBytes(reading))), at, by);
        return readings.save(kept);
    }

    private PageReadingEntity added(String siteId, String url) {
        if (readings.countBySiteId(siteId) >= MOST) {
            throw Fault.conflict("A site may have " + MOST + " readings. Remove one first.");
        }
        return new PageReadingEntity(siteId, url);
    }

    void remove(PageReadingEntity reading) {
        readings.delete(reading);
    }

    /** What was read; throws an {@link IllegalArgumentException} or a {@link Fault} if its file is damaged or gone. */
    BrowserReading content(PageReadingEntity reading) {
        return parsed(store.get(reading.sha256()));
    }

    /** A reading from its JSON; throws an {@link IllegalArgumentException} that says what is wrong and where. */
    BrowserReading parsed(byte[] bytes) {
        try {
            return json.readValue(bytes, BrowserReading.class);
        } catch (JacksonException e) {
            throw new IllegalArgumentException(why(e), e);
        }
    }

    private static String why(JacksonException e) {
        if (e.getCause() instanceof IllegalArgumentException cause && cause.getMessage() != null) {
            return cause.getMessage();
        }
        int line = e.getLocation() == null ? 0 : e.getLocation().getLineNr();
        int column = e.getLocation() == null ? 0 : e.getLocation().getColumnNr();
        return e.getOriginalMessage() + " (line " + line + ", column " + column + ")";
    }
}
