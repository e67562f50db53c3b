package app.unciala.core.domain;

import com.google.common.net.InetAddresses;
import java.net.Inet4Address;
import java.net.Inet6Address;
import java.net.InetAddress;
import java.util.Optional;

/** IP addresses as the URL standard reads and writes them in place of a host name. */
public final class IpAddress {
    private static final long ALL = 1L << 32;

    private IpAddress() {}

    /** Whether a host is read as an IPv4 address: its last label is a number (URL standard, "ends in a number checker"). */
    static boolean endsInNumber(String host) {
        String last = host.substring(host.lastIndexOf('.') + 1);
        return last.matches("[0-9]+|0[xX][0-9A-Fa-f]*");
    }

    /**
     * An IPv4 address in four decimal numbers, from one to four numbers, each decimal, octal after a 0, or hexadecimal
     * after 0x; the last fills what the others leave (URL standard, "IPv4 parser").
     */
    static Optional<String> v4(String host) {
        String[] parts = host.split("\\.", -1);
        if (parts.length > 4) {
            return Optional.empty();
        }
        long address = 0;
        for (int i = 0; i < parts.length; i++) {
            Optional<Long> number = number(parts[i]);
            boolean last = i == parts.length - 1;
            long most = last ? ALL >> (8 * i) : 256;
            if (number.isEmpty() || number.get() >= most) {
                return Optional.empty();
            }
            address += last ? number.get() : number.get() << (8 * (3 - i));
        }
        return Optional.of(
                (address >> 24) + "." + (address >> 16 & 255) + "." + (address >> 8 & 255) + "." + (address & 255));
    }

    private static Optional<Long> number(String part) {
        String digits = part;
        int radix = 10;
        if (part.matches("0[xX].*")) {
            digits = part.substring(2);
            radix = 16;
        } else if (part.length() > 1 && part.startsWith("0")) {
            digits = part.substring(1);
            radix = 8;
        }
        if (digits.isEmpty() && !part.isEmpty()) {
            return Optional.of(0L);
        }
        try {
            // More digits than that are larger than any address.
            return digits.startsWith("+") || digits.startsWith("-") || digits.length() > 15
                    ? Optional.empty()
                    : Optional.of(Long.parseLong(digits, radix));
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    /** An IPv6 address in brackets, in its shortest form, from one with or without brackets. */
    static Optional<String> v6(String host) {
        String bare = host.startsWith("[") && host.endsWith("]") ? host.substring(1, host.length() - 1) : host;
        // A zone names a network card of one machine; no URL has one.
        if (bare.contains("%") || !InetAddresses.isInetAddress(bare)) {
            return Optional.empty();
        }
        InetAddress address = InetAddresses.forString(bare);
        return address instanceof Inet4Address
                ? Optional.of(InetAddresses.toAddrString(address))
                : Optional.of("[" + InetAddresses.toAddrString(address) + "]");
    }

    /** Whether only one machine or one network reaches it (RFC 1918, RFC 3927, RFC 4193, RFC 4291, RFC 6598). */
    public static boolean isPrivate(InetAddress address) {
        byte[] bytes = address.getAddress();
        return address.isLoopbackAddress()
                || address.isAnyLocalAddress()
                || address.isLinkLocalAddress()
                || address.isSiteLocalAddress()
                || (address instanceof Inet6Address && (bytes[0] & 0xFE) == 0xFC)
                || (address instanceof Inet4Address && bytes[0] == 100 && (bytes[1] & 0xC0) == 64);
    }
}
