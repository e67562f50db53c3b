package app.unciala.core.domain;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DomainTest {
    @ParameterizedTest
    @CsvSource({
        "Client.Example, client.example",
        "https://www.client.example/about?x=1, www.client.example",
        "client.example:8443, client.example",
        "client.example., client.example",
        "bücher.example, xn--bcher-kva.example",
        "localhost, localhost",
        "127.0.0.1, 127.0.0.1"
    })
    void readsWhatPeopleType(String typed, String ascii) {
        assertThat(DomainName.parse(typed).ascii()).isEqualTo(ascii);
    }

    @ParameterizedTest
    @CsvSource({
        "'harbor bakery.example', space",
        "harbor_bakery.example, letters",
        "harbor..example, empty",
        "-harbor.example, hyphens",
        "harborbakery, ending",
        "'https://', names no domain"
    })
    void saysWhichPartIsWrong(String typed, String part) {
        assertThatThrownBy(() -> DomainName.parse(typed))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(part)
                .hasMessageContaining(typed.strip());
    }

    @ParameterizedTest
    @CsvSource({
        "client.example, client.example, true",
        "client.example, www.client.example, true",
        "www.client.example, client.example, true",
        "client.example, shop.client.example, false",
        "*.client.example, shop.client.example, true",
        "*.client.example, a.b.client.example, true",
        "*.client.example, client.example, false",
        "client.example, otherclient.example, false"
    })
    void patternsMatchAsDocumented(String pattern, String host, boolean matches) {
        assertThat(DomainPattern.parse(pattern).matches(DomainName.parse(host))).isEqualTo(matches);
    }

    @Test
    void theRegistrableDomainComesFromThePublicSuffixList() {
        assertThat(DomainName.parse("a.shop.client.co.uk").registrable().ascii())
                .isEqualTo("client.co.uk");
        assertThat(DomainName.parse("a.shop.client.example").registrable().ascii())
                .isEqualTo("client.example");
        assertThat(DomainName.parse("client.example").registrable().ascii()).isEqualTo("client.example");
        assertThat(DomainName.parse("bücher.example").display()).isEqualTo("bücher.example");
    }
}
