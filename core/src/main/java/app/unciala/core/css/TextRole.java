package app.unciala.core.css;

import java.util.Locale;

/** A named use of type on a site, with the elements that usually carry it. */
public enum TextRole {
    PAGE_TITLE("Page title", "h1"),
    HEADINGS("Headings", "h2, h3, h4, h5, h6"),
    HEADINGS_2("Headings 2", "h2"),
    HEADINGS_3("Headings 3", "h3"),
    HEADINGS_4("Headings 4 to 6", "h4, h5, h6"),
    RUNNING_TEXT("Running text", "body"),
    NAVIGATION("Navigation", "nav"),
    BUTTONS("Buttons", "button, input, select, textarea"),
    CAPTIONS("Captions", "figcaption, caption, small"),
    CODE("Code", "code, kbd, pre, samp");

    private final String label;
    private final String selector;

    TextRole(String label, String selector) {
        this.label = label;
        this.selector = selector;
    }

    public String label() {
        return label;
    }

    public String selector() {
        return selector;
    }

    /** The role's name in custom properties and class names, such as {@code running-text}. */
    public String key() {
        return name().toLowerCase(Locale.ROOT).replace('_', '-');
    }
}
