package app.unciala.core.domain;

/**
 * A domain as a license names it: {@code client.example} and {@code www.client.example} both are that host with and
 * without {@code www}; {@code *.client.example} is every host below it, and not the host itself.
 */
public record DomainPattern(DomainName domain, boolean wildcard) {
    private static final String ANY_BELOW = "*.";

    /**
     * Reads a pattern.
     *
     * @throws IllegalArgumentException with a sentence that says which part is wrong
     */
    public static DomainPattern parse(String typed) {
        String text = typed.strip();
        boolean wildcard = text.startsWith(ANY_BELOW);
        String rest = wildcard ? text.substring(ANY_BELOW.length()) : text;
        if (wildcard && !rest.contains(".") && !rest.isEmpty() && !rest.equals("localhost")) {
            throw everyone(typed, rest);
        }
        DomainName domain = DomainName.parse(rest);
        if (domain.isRegistrySuffix() || (wildcard && domain.isPublicSuffix())) {
            throw everyone(typed, domain.display());
        }
        if (wildcard && domain.isAddress()) {
            throw new IllegalArgumentException("“" + typed + "” is not a domain: there is nothing below an IP address");
        }
        return new DomainPattern(domain, wildcard);
    }

    private static IllegalArgumentException everyone(String typed, String ending) {
        return new IllegalArgumentException(
                "“" + typed + "” would permit everyone: anyone can have a name under “" + ending + "”");
    }

    /** A pattern as it was recorded, whatever the rules were then; {@link #matches} is by the rules of now. */
    public static DomainPattern recorded(String text) {
        boolean wildcard = text.startsWith(ANY_BELOW);
        return new DomainPattern(new DomainName(wildcard ? text.substring(ANY_BELOW.length()) : text), wildcard);
    }

    public boolean matches(DomainName host) {
        return wildcard
                ? host.isUnder(domain) && !domain.isPublicSuffix()
                : host.withoutWww().equals(domain.withoutWww());
    }

    /** Whether a host is a subdomain of the one named; {@code www} before the name makes no difference. */
    public boolean isAbove(DomainName host) {
        return !wildcard && host.isUnder(domain.withoutWww()) && !domain.isPublicSuffix();
    }

    @Override
    public String toString() {
        return wildcard ? ANY_BELOW + domain : domain.toString();
    }
}
