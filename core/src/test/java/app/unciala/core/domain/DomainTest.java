package app.unciala.core.domain;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
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
        "127.0.0.1, 127.0.0.1",
        "faß.example, xn--fa-hia.example",
        "'//client.example\\a', client.example",
        "'http:\\\\client.example', client.example",
        "a@b@client.example, client.example",
        "client。example。, client.example",
        "2001:DB8::1, [2001:db8::1]",
        "'[::ffff:1.2.3.4]', 1.2.3.4",
        "0x7f.1, 127.0.0.1",
        "017.0xf., 15.0.0.15",
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
        "'https://', names no domain",
        "'https://:80', names no domain",
        "1.2.3.256, no IP address",
        "1.2.3.4.5, no IP address",
        "client.12, no IP address",
        "09.1.1.1, no IP address",
        "1..1, empty",
        "'[::1', no IP address",
        "fe80::1%eth0, no IP address",
        "a:b:c, no IP address",
        "cli%ent.example, letters",
        "cli\u0001ent.example, letters",
        "xn--a.example, character",
        "אa.example, character",
        "aaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaaa.example, too long"
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

    @ParameterizedTest
    @CsvSource({
        "*.co.uk, everyone",
        "*.com, everyone",
        "*.example, everyone",
        "*.github.io, everyone",
        "co.uk, everyone",
        "*.香港, everyone",
        "*.10.0.0.1, IP address",
        "*., names no domain",
        "*, letters",
        "a.*.example, letters"
    })
    void aPatternThatPermitsEveryoneIsRefused(String typed, String part) {
        assertThatThrownBy(() -> DomainPattern.parse(typed))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(part);
        assertThat(DomainPattern.parse("github.io").matches(DomainName.parse("client.github.io")))
                .isFalse();
        assertThat(DomainPattern.parse("*.client.github.io").matches(DomainName.parse("a.client.github.io")))
                .isTrue();
    }

    @Test
    void addressesAndLocalNamesHaveNothingToRegister() {
        for (String typed : List.of("8.8.8.8", "[2001:db8::1]", "localhost", "a.b.test")) {
            DomainName name = DomainName.parse(typed);
            assertThat(name.registrable()).isEqualTo(name);
            assertThat(name.isPublicSuffix()).isFalse();
            assertThat(name.display()).isEqualTo(typed);
        }
        assertThat(DomainName.parse("www.co.uk").withoutWww().ascii()).isEqualTo("www.co.uk");
        assertThat(DomainName.parse("client.github.io").registrable().ascii()).isEqualTo("client.github.io");
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
