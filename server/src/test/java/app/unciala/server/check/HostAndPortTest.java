package app.unciala.server.check;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.server.fault.Fault;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class HostAndPortTest {
    @ParameterizedTest
    @CsvSource({
        "staging.client.example:443, staging.client.example, 443, staging.client.example:443",
        "' LOCALHOST:80 ', localhost, 80, localhost:80",
        "192.0.2.7:8443, 192.0.2.7, 8443, 192.0.2.7:8443",
        "[2001:db8::7]:80, 2001:db8::7, 80, [2001:db8::7]:80",
    })
    void aHostIsReadWithItsPort(String typed, String host, int port, String written) {
        HostAndPort parsed = HostAndPort.parse("host", typed);
        assertThat(parsed).isEqualTo(new HostAndPort(host, port));
        assertThat(parsed).hasToString(written);
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "client.example",
                ":80",
                "client.example:0",
                "client.example:99999",
                "a:b:c",
                "a:x",
                "2001:db8::7:80"
            })
    void anythingElseIsRefusedByItsField(String typed) {
        assertThatThrownBy(() -> HostAndPort.parse("connections", typed))
                .isInstanceOf(Fault.class)
                .hasMessageContaining("isn’t a host with a port")
                .extracting(fault -> ((Fault) fault).field().orElseThrow())
                .isEqualTo("connections");
    }
}
