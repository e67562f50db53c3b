package app.unciala.core.domain;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import java.util.Locale;
import java.util.Random;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** What holds of every domain and of every pattern that a license names. */
class DomainPropertyTest {
    private static final int CASES = 2_000;
    private final Random random = new Random(1123);

    @Test
    void aNameReadsTheSameHoweverItIsTyped() {
        for (int i = 0; i < CASES; i++) {
            DomainName name = name();
            String typed = name.ascii();
            for (String way : List.of(
                    " " + typed + " ",
                    typed.toUpperCase(Locale.ROOT),
                    typed + ".",
                    typed + ":8080",
                    "https://" + typed + "/a/b?c#d",
                    "http://" + typed + ":80",
                    name.display())) {
                assertThat(DomainName.parse(way)).as(way).isEqualTo(name);
            }
        }
    }

    @Test
    void whatIsBelowANameIsNotTheNameAndBelowAllAboveIt() {
        for (int i = 0; i < CASES; i++) {
            DomainName name = name();
            DomainName below = DomainName.parse("shop." + name.ascii());
            DomainName further = DomainName.parse("a.shop." + name.ascii());
            assertThat(name.isUnder(name)).isFalse();
            assertThat(below.isUnder(name)).isTrue();
            assertThat(further.isUnder(below)).isTrue();
            assertThat(further.isUnder(name)).isTrue();
            assertThat(name.isUnder(below)).isFalse();
            assertThat(DomainName.parse("x" + name.ascii()).isUnder(name)).isFalse();
        }
    }

    @Test
    void aWildcardIsEveryHostBelowAndNotItself() {
        for (int i = 0; i < CASES; i++) {
            DomainName name = name();
            DomainPattern wildcard = DomainPattern.parse("*." + name.ascii());
            DomainPattern exact = DomainPattern.parse(name.ascii());
            DomainName below = DomainName.parse("shop." + name.ascii());
            assertThat(wildcard.matches(name)).isFalse();
            assertThat(wildcard.matches(below)).isTrue();
            assertThat(exact.matches(name)).isTrue();
            assertThat(exact.matches(below)).isFalse();
            assertThat(exact.matches(DomainName.parse("www." + name.ascii()))).isTrue();
            assertThat(DomainPattern.parse(wildcard.toString())).isEqualTo(wildcard);
        }
    }

    @Test
    void theRegistrablePartIsTheSameForAllHostsBelowAndIsItsOwn() {
        for (int i = 0; i < CASES; i++) {
            DomainName name = name();
            if (name.isLocal()) {
                continue;
            }
            DomainName registrable = name.registrable();
            assertThat(registrable.registrable()).isEqualTo(registrable);
            assertThat(DomainName.parse("a.b." + registrable.ascii()).registrable())
                    .isEqualTo(registrable);
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                " ",
                ".",
                "..",
                "a",
                "-a.example",
                "a-.example",
                "a_b.example",
                "a..example",
                "a b.example",
                "http://"
            })
    void whatIsNoDomainIsRefusedInASentenceThatQuotesIt(String typed) {
        assertThatThrownBy(() -> DomainName.parse(typed))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("“" + typed + "”");
    }

    private DomainName name() {
        String labels =
                IntStream.range(0, 1 + random.nextInt(3)).mapToObj(i -> label()).collect(Collectors.joining("."));
        return DomainName.parse(labels + "."
                + List.of("example", "co.uk", "com", "test", "museum").get(random.nextInt(5)));
    }

    private String label() {
        String letters = "abcdefghijklmnopqrstuvwxyz0123456789";
        StringBuilder label = new StringBuilder("n");
        for (int n = 1 + random.nextInt(9); n > 0; n--) {
            label.append(letters.charAt(random.nextInt(letters.length())));
        }
        return label.toString();
    }
}
