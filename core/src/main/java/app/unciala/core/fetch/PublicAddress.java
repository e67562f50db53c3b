package app.unciala.core.fetch;

import app.unciala.core.domain.IpAddress;
import java.net.Inet4Address;
import java.net.Inet6Address;
import java.net.InetAddress;
import java.net.UnknownHostException;
import java.util.Arrays;

/** Tells addresses of the public Internet from those that lead into a private network (RFC 6890). */
final class PublicAddress {
    private static final byte[] NAT64 = {0, 0x64, (byte) 0xFF, (byte) 0x9B, 0, 0, 0, 0, 0, 0, 0, 0};

    private PublicAddress() {}

    static boolean isOne(InetAddress address) {
        if (IpAddress.isPrivate(address) || address.isMulticastAddress()) {
            return false;
        }
        byte[] bytes = address.getAddress();
        return address instanceof Inet4Address
                ? isPublic4(bytes)
                : !(address instanceof Inet6Address) || isPublic6(bytes);
    }

    private static boolean isPublic4(byte[] bytes) {
        int first = bytes[0] & 0xFF;
        int second = bytes[1] & 0xFF;
        int third = bytes[2] & 0xFF;
        boolean special = first == 0
                || first >= 240
                || (first == 192 && second == 0 && (third == 0 || third == 2))
                || (first == 192 && second == 88 && third == 99)
                || (first == 198 && (second == 18 || second == 19))
                || (first == 198 && second == 51 && third == 100)
                || (first == 203 && second == 0 && third == 113);
        return !special;
    }

    /** Those that carry an address of the other kind are as public as that one. */
    private static boolean isPublic6(byte[] bytes) {
        if (Arrays.equals(Arrays.copyOf(bytes, 12), NAT64)) {
            return isOne(carried(bytes, 12));
        }
        if (bytes[0] == 0x20 && bytes[1] == 0x02) {
            return isOne(carried(bytes, 2));
        }
        boolean teredo = bytes[0] == 0x20 && bytes[1] == 0x01 && bytes[2] == 0 && bytes[3] == 0;
        boolean documentation = bytes[0] == 0x20 && bytes[1] == 0x01 && bytes[2] == 0x0D && (bytes[3] & 0xFF) == 0xB8;
        boolean global = (bytes[0] & 0xE0) == 0x20;
        return global && !teredo && !documentation;
    }

    private static InetAddress carried(byte[] bytes, int from) {
        try {
            return InetAddress.getByAddress(Arrays.copyOfRange(bytes, from, from + 4));
        } catch (UnknownHostException e) {
            throw new IllegalStateException(e);
        }
    }
}
