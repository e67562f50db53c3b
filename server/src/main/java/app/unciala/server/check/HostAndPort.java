package app.unciala.server.check;

import app.unciala.server.fault.Fault;
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
                field, "“" + typed.strip() + "” is no host with a port, such as staging.client.example:443.");
    }

    @Override
    public String toString() {
        return com.google.common.net.HostAndPort.fromParts(host, port).toString();
    }
}
