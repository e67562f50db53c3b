package app.unciala.server.license;

/** What a document is to the license that it is attached to. */
public enum DocumentKind {
    AGREEMENT("agreement"),
    INVOICE("invoice"),
    ORDER("order"),
    CORRESPONDENCE("letter");

    private final String words;

    DocumentKind(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }
}
