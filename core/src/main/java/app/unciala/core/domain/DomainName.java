package app.unciala.core.domain;

import com.google.common.net.InetAddresses;
import com.google.common.net.InternetDomainName;
import java.net.IDN;
import java.util.Locale;

/**
 * A host name in its ASCII form, lower case and without a final dot. Internationalised names are taken in either form
 * and kept as IDNA writes them.
 */
public record DomainName(String ascii) {
    /**
     * Reads what a person typed: a host name, or a web address of which only the host is kept.
     *
     * @throws IllegalArgumentException with a sentence that says which part is wrong
     */
    public static DomainName parse(String typed) {
        String host = typed.strip();
        int scheme = host.indexOf("://");
        if (scheme >= 0) {
            host = host.substring(scheme + 3);
        }
        host = host.replaceFirst("[/?#].*$", "").replaceFirst(":\\d+$", "").replaceFirst("\\.$", "");
        if (host.isEmpty()) {
            throw new IllegalArgumentException("“" + typed + "” names no domain");
        }
        if (host.chars().anyMatch(Character::isWhitespace)) {
            throw new IllegalArgumentException("“" + typed + "” has a space in it; a domain has none");
        }
        String ascii;
        try {
            ascii = IDN.toASCII(host, IDN.ALLOW_UNASSIGNED).toLowerCase(Locale.ROOT);
        } catch (IllegalArgumentException e) {
            throw new IllegalArgumentException("“" + typed + "” is not a domain: a label is empty or too long");
        }
        if (InetAddresses.isInetAddress(ascii) || ascii.equals("localhost")) {
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

    /** The name as people read it, with internationalised labels decoded. */
    public String display() {
        return IDN.toUnicode(ascii);
    }

    /** A host that only a developer's own machine or network reaches. */
    public boolean isLocal() {
        return ascii.equals("localhost")
                || ascii.matches(".*\\.(localhost|local|test|internal)")
                || InetAddresses.isInetAddress(ascii);
    }

    public boolean isUnder(DomainName parent) {
        return ascii.endsWith("." + parent.ascii);
    }

    /**
     * The part that one registers, by the Public Suffix List: {@code shop.client.co.uk} gives {@code client.co.uk}.
     * A name whose ending is not on the list counts its last label as the suffix.
     */
    public DomainName registrable() {
        if (isLocal()) {
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
