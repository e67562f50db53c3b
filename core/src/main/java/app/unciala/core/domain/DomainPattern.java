package app.unciala.core.domain;

/**
 * A domain as a license names it: {@code client.example} is that host and its {@code www}; {@code *.client.example}
 * is every host below it, and not the host itself.
 */
public record DomainPattern(DomainName domain, boolean wildcard) {
    /**
     * Reads a pattern.
     *
     * @throws IllegalArgumentException with a sentence that says which part is wrong
     */
    public static DomainPattern parse(String typed) {
        String text = typed.strip();
        return text.startsWith("*.")
                ? new DomainPattern(DomainName.parse(text.substring(2)), true)
                : new DomainPattern(DomainName.parse(text), false);
    }

    public boolean matches(DomainName host) {
        return wildcard ? host.isUnder(domain) : withoutWww(host).equals(withoutWww(domain));
    }

    private static DomainName withoutWww(DomainName name) {
        return name.ascii().startsWith("www.") ? new DomainName(name.ascii().substring(4)) : name;
    }

    @Override
    public String toString() {
        return wildcard ? "*." + domain : domain.toString();
    }
}
