package app.unciala.core.license;

/** The words of a document that say something, and where they stand in it, such as “page 3”; {@code place} may be empty. */
public record Quote(String text, String place) {
    @Override
    public String toString() {
        return "“" + text + "”" + (place.isEmpty() ? "" : ", " + place);
    }
}
