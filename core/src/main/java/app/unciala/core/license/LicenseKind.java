package app.unciala.core.license;

/** How a license was come by, which says what to expect of its terms; the terms themselves decide. */
public enum LicenseKind {
    FREE("free to use"),
    PERSONAL("free for personal use only"),
    DONATION("donation"),
    PER_DOMAIN("bought per domain"),
    PAGE_VIEWS("bought per page view"),
    SUBSCRIPTION("subscription"),
    CLIENT_SUPPLIED("supplied by the client"),
    DESKTOP("desktop only"),
    TRIAL("trial");

    private final String words;

    LicenseKind(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
