package app.unciala.core.domain;

/** Whether two hosts are of one site: of the same registrable domain, by the Public Suffix List. */
public final class SameSite {
    private SameSite() {}

    public static boolean of(String host, String other) {
        return registrable(host).equals(registrable(other));
    }

    private static String registrable(String host) {
        try {
            return DomainName.parse(host).registrable().ascii();
        } catch (IllegalArgumentException e) {
            return host;
        }
    }
}
