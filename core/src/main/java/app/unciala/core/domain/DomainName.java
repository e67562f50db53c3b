package app.unciala.core.domain;

import com.google.common.net.InetAddresses;
import com.google.common.net.InternetDomainName;
import com.ibm.icu.text.IDNA;
import java.net.URLDecoder;
import java.nio.charset.StandardCharsets;
import java.util.Locale;
import java.util.Set;

/**
 * A host name in its ASCII form, lower case and without a final dot; or an IP address, as the URL standard writes it
 * ({@code [2001:db8::1]}). Internationalized names are taken in either form and kept as UTS #46 writes them without
 * transitional processing, which is what browsers ask for: {@code faß.example} is not {@code fass.example}.
 */
public record DomainName(String ascii) {
    private static final IDNA UTS_46 = IDNA.getUTS46Instance(
            IDNA.CHECK_BIDI | IDNA.CHECK_CONTEXTJ | IDNA.NONTRANSITIONAL_TO_ASCII | IDNA.NONTRANSITIONAL_TO_UNICODE);
    /** What is said of these parts in a sentence of their own, or what browsers pass over (URL standard, domain to ASCII). */
    private static final Set<IDNA.Error> NAMED_OTHERWISE = Set.of(
            IDNA.Error.EMPTY_LABEL,
            IDNA.Error.LEADING_HYPHEN,
            IDNA.Error.TRAILING_HYPHEN,
            IDNA.Error.HYPHEN_3_4,
            IDNA.Error.LABEL_TOO_LONG,
            IDNA.Error.DOMAIN_NAME_TOO_LONG);
    /** RFC 6761, RFC 6762 and RFC 8375, and what ICANN keeps free for private networks. */
    private static final Set<String> LOCAL_ENDINGS = Set.of("localhost", "local", "test", "internal", "home.arpa");

    private static final String WWW = "www.";

    /**
     * Reads what a person typed: a host name or an IP address, or a web address of which only the host is kept.
     *
     * @throws IllegalArgumentException with a sentence that says which part is wrong
     */
    public static DomainName parse(String typed) {
        String host = host(typed.strip());
        if (host.isEmpty() || host.equals(".")) {
            throw new IllegalArgumentException("“" + typed + "” names no domain");
        }
        if (host.chars().anyMatch(Character::isWhitespace)) {
            throw new IllegalArgumentException("“" + typed + "” has a space in it; a domain has none");
        }
        if (host.startsWith("[") || host.indexOf(':') >= 0) {
            return IpAddress.v6(host)
                    .map(DomainName::new)
                    .orElseThrow(() -> new IllegalArgumentException(
                            "“" + typed + "” is not a domain: what has colons in it is no IP address"));
        }
        IDNA.Info info = new IDNA.Info();
        String ascii = UTS_46.nameToASCII(host, new StringBuilder(), info)
                .toString()
                .toLowerCase(Locale.ROOT)
                .replaceFirst("\\.$", "");
        if (ascii.isEmpty() || ascii.startsWith(".") || ascii.contains("..")) {
            throw new IllegalArgumentException("“" + typed + "” is not a domain: a part between dots is empty");
        }
        if (info.getErrors().contains(IDNA.Error.LABEL_TOO_LONG) || ascii.length() > 253) {
            throw new IllegalArgumentException("“" + typed + "” is not a domain: a part of it is too long");
        }
        if (!NAMED_OTHERWISE.containsAll(info.getErrors())) {
            throw new IllegalArgumentException(
                    "“" + typed + "” is not a domain: it has a character that no domain may have");
        }
        if (IpAddress.endsInNumber(ascii)) {
            return IpAddress.v4(ascii)
                    .map(DomainName::new)
                    .orElseThrow(() -> new IllegalArgumentException(
                            "“" + typed + "” is not a domain: it ends in a number and is no IP address"));
        }
        if (ascii.equals("localhost")) {
            return new DomainName(ascii);
        }
        for (String label : ascii.split("\\.", -1)) {
            if (!label.matches("[a-z0-9]([a-z0-9-]*[a-z0-9])?")) {
                throw new IllegalArgumentException("“" + typed + "” is not a domain: “" + label
                        + "” may only have letters, digits and inner hyphens");
            }
        }
        if (!ascii.contains(".") || !InternetDomainName.isValid(ascii)) {
            throw new IllegalArgumentException("“" + typed + "” is not a domain: it lacks an ending such as .com");
        }
        return new DomainName(ascii);
    }

    /** The host of a web address, without user, port and path; what is percent-encoded is decoded. */
    private static String host(String address) {
        String host = address.replaceFirst("^([A-Za-z][A-Za-z0-9+.-]*:)?[/\\\\]{2,}", "")
                .replaceFirst("(?s)[/\\\\?#].*$", "")
                .replaceFirst("^.*@", "");
        if (host.startsWith("[") || host.indexOf(':') == host.lastIndexOf(':')) {
            host = host.replaceFirst(":\\d*$", "");
        }
        if (host.contains("%")) {
            try {
                host = URLDecoder.decode(host.replace("+", "%2B"), StandardCharsets.UTF_8);
            } catch (IllegalArgumentException notEncoded) {
                // The percent sign stays, and is refused as a character that no domain may have.
            }
        }
        return host;
    }

    /** The name as people read it, with internationalized labels decoded. */
    public String display() {
        return UTS_46.nameToUnicode(ascii, new StringBuilder(), new IDNA.Info()).toString();
    }

    /**
     * A host that only a developer's own machine or network reaches: a name that is kept free for tests and private
     * networks, or an address of a private range. A public IP address is as public as a name.
     */
    public boolean isLocal() {
        if (isAddress()) {
            return IpAddress.isPrivate(InetAddresses.forUriString(ascii));
        }
        return LOCAL_ENDINGS.stream().anyMatch(ending -> ascii.equals(ending) || ascii.endsWith("." + ending));
    }

    public boolean isAddress() {
        return InetAddresses.isUriInetAddress(ascii);
    }

    public boolean isUnder(DomainName parent) {
        return ascii.endsWith("." + parent.ascii);
    }

    /** The name without {@code www.} before it, where a name that one can register is left. */
    public DomainName withoutWww() {
        if (!ascii.startsWith(WWW) || isAddress()) {
            return this;
        }
        DomainName without = new DomainName(ascii.substring(WWW.length()));
        return without.isPublicSuffix() ? this : without;
    }

    /**
     * Whether anyone may register names below it, by the Public Suffix List; an ending that is not on the list is one
     * when it has a single label.
     */
    public boolean isPublicSuffix() {
        if (isAddress() || isLocal()) {
            return false;
        }
        InternetDomainName name = InternetDomainName.from(ascii);
        return name.isPublicSuffix() || (!name.hasPublicSuffix() && !ascii.contains("."));
    }

    /** Whether a registry hands out names below it; unlike {@code github.io}, no website stands on it. */
    public boolean isRegistrySuffix() {
        return !isAddress() && InternetDomainName.from(ascii).isRegistrySuffix();
    }

    /**
     * The part that one registers, by the Public Suffix List: {@code shop.client.co.uk} gives {@code client.co.uk}.
     * A name whose ending is not on the list counts its last label as the suffix. An IP address and a local name are
     * themselves.
     */
    public DomainName registrable() {
        if (isLocal() || isAddress()) {
            return this;
        }
        InternetDomainName name = InternetDomainName.from(ascii);
        if (name.hasPublicSuffix()) {
            return name.isUnderPublicSuffix()
                    ? new DomainName(name.topPrivateDomain().toString())
                    : this;
        }
        String[] labels = ascii.split("\\.");
        return labels.length <= 2 ? this : new DomainName(labels[labels.length - 2] + "." + labels[labels.length - 1]);
    }

    @Override
    public String toString() {
        return ascii;
    }
}
