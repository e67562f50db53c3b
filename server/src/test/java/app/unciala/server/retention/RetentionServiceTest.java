package app.unciala.server.retention;

import static org.assertj.core.api.Assertions.assertThat;
import static org.mockito.ArgumentMatchers.argThat;
import static org.mockito.Mockito.mock;
import static org.mockito.Mockito.verify;

import app.unciala.server.history.HistoryService;
import app.unciala.server.storage.StoredFiles;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.springframework.transaction.PlatformTransactionManager;

class RetentionServiceTest {
    private final List<String> purged = new ArrayList<>();
    private final HistoryService history = mock();
    private final StoredFiles stored = mock();

    @Test
    void oneThatFailsDoesNotStopTheRestAndStandsInTheHistory() {
        Retention retention = new Retention(
                List.of(purge("packs", false), purge("sites", true), purge("licenses", false)),
                stored,
                history,
                mock(PlatformTransactionManager.class),
                Clock.systemUTC());

        retention.purge();

        assertThat(purged).containsExactly("packs", "licenses");
        verify(history).record(argThat(deed -> deed.text().startsWith("Couldn’t remove sites")));
        verify(stored).collect();
    }

    private Purge purge(String what, boolean fails) {
        return new Purge() {
            @Override
            public String what() {
                return what;
            }

            @Override
            public void purge(Instant before) {
                if (fails) {
                    throw new IllegalStateException("a table is locked");
                }
                purged.add(what);
            }
        };
    }
}
