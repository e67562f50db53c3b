package app.unciala.server.check;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.mockito.ArgumentMatchers.any;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.when;

import app.unciala.core.page.BrowserReading;
import app.unciala.server.fault.Fault;
import app.unciala.server.storage.FileStore;
import app.unciala.server.storage.FileStore.Stored;
import java.io.InputStream;
import java.time.Instant;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.json.JsonMapper;

class KeptReadingsTest {
    private static final Instant NOW = Instant.parse("2030-05-10T09:00:00Z");
    private static final String PAGE = "https://client.example/board";

    private final PageReadingRepository repository = mock();
    private final FileStore store = mock();
    private final KeptReadings readings = new KeptReadings(repository, store, new JsonMapper());
    private final BrowserReading reading = readings.parsed(("{\"version\":1,\"page\":\"" + PAGE
                    + "\",\"textKept\":true,\"title\":\"Board\",\"quirks\":false,\"window\":{\"width\":10,\"height\":10},"
                    + "\"document\":\"<html/>\"}")
            .getBytes(UTF_8));

    @Test
    void aSiteThatIsFullStillTakesALaterReadingOfAPageItHas() {
        when(repository.countBySiteId("s1")).thenReturn(100);
        when(repository.findBySiteIdAndUrl("s1", PAGE)).thenReturn(Optional.of(new PageReadingEntity("s1", PAGE)));
        when(repository.save(any())).thenAnswer(call -> call.getArgument(0));
        when(store.put(any(InputStream.class))).thenReturn(new Stored("ab", 7));
        PageReadingEntity kept = readings.keep("s1", reading, NOW, "ilse");
        assertThat(kept.title()).isEqualTo("Board");
        assertThat(kept.takenBy()).isEqualTo("ilse");
        assertThat(kept.bytes()).isEqualTo(7);
    }

    @Test
    void oneMorePageIsRefusedThen() {
        when(repository.countBySiteId("s1")).thenReturn(100);
        when(repository.findBySiteIdAndUrl("s1", PAGE)).thenReturn(Optional.empty());
        assertThatThrownBy(() -> readings.keep("s1", reading, NOW, "ilse"))
                .isInstanceOf(Fault.class)
                .hasMessageContaining("100 readings");
    }
}
