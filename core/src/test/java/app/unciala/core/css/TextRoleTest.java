package app.unciala.core.css;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TextRoleTest {
    @Test
    void aUsualRoleIsFoundByItsId() {
        TextRole.USUAL.forEach(role -> {
            assertThat(TextRole.of(role.id())).isSameAs(role);
            assertThat(role.isOwn()).isFalse();
        });
        assertThat(TextRole.RUNNING_TEXT.key()).isEqualTo("running-text");
        assertThat(TextRole.HEADINGS_2.key()).isEqualTo("headings-2");
    }

    @ParameterizedTest
    @CsvSource({
        "Pull quote, Pull quote, pull-quote",
        "'  Big   price ', Big price, big-price",
        "CTA, CTA, cta",
        "Ｐreis 2, Ｐreis 2, preis-2",
        "Überschrift (klein), Überschrift (klein), überschrift-klein",
        "कैप्शन, कैप्शन, कैप्शन",
    })
    void anyOtherNameIsARoleOfOnesOwn(String typed, String label, String key) {
        TextRole own = TextRole.of(typed);

        assertThat(own.isOwn()).isTrue();
        assertThat(own.label()).isEqualTo(label);
        assertThat(own.key()).isEqualTo(key);
        assertThat(own.selector()).isEmpty();
        assertThat(TextRole.of(own.id())).isEqualTo(own);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "PAGE_TITEL",
                "HEADINGS_7",
                "!!!",
                " ",
                "Headings",
                "running  text",
                "Headings 4 to 6",
                "page_title"
            })
    void aNameThatWouldBeTakenForAnotherIsRefusedByName(String typed) {
        assertThatThrownBy(() -> TextRole.of(typed))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("text role");
    }

    @Test
    void rolesStandInTheOrderOfAPageAndOnesOwnAfterThem() {
        assertThat(Stream.of("Zoo", "CODE", "Aside", "PAGE_TITLE")
                        .map(TextRole::of)
                        .sorted())
                .extracting(TextRole::id)
                .isEqualTo(List.of("PAGE_TITLE", "CODE", "Aside", "Zoo"));
    }
}
