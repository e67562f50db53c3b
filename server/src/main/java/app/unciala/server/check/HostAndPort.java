package app.unciala.server.check;

import app.unciala.server.fault.Fault;
import java.net.URI;
import java.util.Locale;

/** A host with a port, such as {@code staging.client.example:443} or {@code [2001:db8::7]:80}. */
record HostAndPort(String host, int port) {
    /** {@code field} is the one that it was typed in. */
    static HostAndPort parse(String field, String typed) {
        try {
            com.google.common.net.HostAndPort parts = com.google.common.net.HostAndPort.fromString(typed.strip());
            if (parts.hasPort() && parts.getPort() > 0 && !parts.getHost().isEmpty()) {
                return new HostAndPort(parts.getHost().toLowerCase(Locale.ROOT), parts.getPort());
            }
        } catch (IllegalArgumentException e) {
            // Told below.
        }
        throw Fault.invalid(
                field, "“" + typed.strip() + "” isn’t a host with a port, such as staging.client.example:443.");
    }

    /** Those of an address that begins with http: or https:. */
    static HostAndPort of(String address) {
        URI uri = URI.create(address);
        int usual = "http".equals(uri.getScheme()) ? 80 : 443;
        return new HostAndPort(uri.getHost().toLowerCase(Locale.ROOT), uri.getPort() < 0 ? usual : uri.getPort());
    }

    @Override
    public String toString() {
        return com.google.common.net.HostAndPort.fromParts(host, port).toString();
    }
}
