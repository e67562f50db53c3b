package app.unciala.server.listing;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.server.fault.Fault;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import org.springframework.data.domain.ScrollPosition;
import org.springframework.data.domain.Sort;
import org.springframework.data.domain.Window;

class CursorTest {
    private static final Map<String, Object> SAMPLE = new LinkedHashMap<>(
            Map.of("name", "", "number", 0, "big", 0L, "at", Instant.EPOCH, "day", LocalDate.EPOCH));

    @Test
    void aCursorGivesItsKeysBackInTheirTypes() {
        Map<String, Object> keys = new LinkedHashMap<>(Map.of(
                "name",
                "Ärger & “Co”, 50 %",
                "number",
                -7,
                "big",
                9_000_000_000L,
                "at",
                Instant.parse("2030-05-10T08:30:00.123456Z"),
                "day",
                LocalDate.of(9999, 12, 31)));
        String cursor = Cursor.write(ScrollPosition.forward(keys));
        assertThat(cursor).matches("[A-Za-z0-9_-]+");
        assertThat(Cursor.read(cursor, SAMPLE).getKeys()).isEqualTo(keys);
    }

    @Test
    void withoutACursorAListBeginsAtItsBeginning() {
        assertThat(Cursor.read(null, SAMPLE).isInitial()).isTrue();
        assertThat(Cursor.read(" ", SAMPLE).isInitial()).isTrue();
    }

    @ParameterizedTest
    @ValueSource(strings = {"nonsense", "!!!", "e30", "bnVsbA", "W10", "eyJuYW1lIjoxfQ"})
    void aCursorOfAnotherListIsRefused(String cursor) {
        assertThatThrownBy(() -> Cursor.read(cursor, SAMPLE))
                .isInstanceOf(Fault.class)
                .hasMessageContaining("doesn’t belong to this list");
    }

    @Test
    void aKeyOfAnotherTypeIsRefused() {
        String wrong = Base64.getUrlEncoder().encodeToString("{\"at\":\"yesterday\"}".getBytes(StandardCharsets.UTF_8));
        assertThatThrownBy(() -> Cursor.read(wrong, Map.of("at", Instant.EPOCH)))
                .isInstanceOf(Fault.class);
    }

    @Test
    void aLimitIsBetweenOneAndFiveHundred() {
        assertThat(Cursor.limit(0).max()).isEqualTo(1);
        assertThat(Cursor.limit(-5).max()).isEqualTo(1);
        assertThat(Cursor.limit(30).max()).isEqualTo(30);
        assertThat(Cursor.limit(1_000_000).max()).isEqualTo(500);
    }

    @Test
    void keysAreNamedAsTheListIsSorted() {
        assertThat(Cursor.keys(Sort.by("name", "id"), "", 0L))
                .containsExactly(Map.entry("name", ""), Map.entry("id", 0L));
    }

    @Test
    void onlyAPageThatHasMoreNamesItsNext() {
        ScrollPosition at = ScrollPosition.forward(Map.of("id", "b"));
        assertThat(Page.of(Window.from(List.of("a", "b"), i -> at, true), String::toUpperCase))
                .satisfies(page -> assertThat(page.items()).containsExactly("A", "B"))
                .satisfies(page -> assertThat(
                                Cursor.read(page.next(), Map.of("id", "")).getKeys())
                        .isEqualTo(Map.of("id", "b")));
        assertThat(Page.of(Window.from(List.of("a"), i -> at, false), String::toUpperCase)
                        .next())
                .isNull();
        assertThat(Page.of(Window.<String>from(List.of(), i -> at, false), String::toUpperCase)
                        .next())
                .isNull();
    }
}
