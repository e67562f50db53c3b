package app.unciala.core.css.cascade;

/**
 * The distances in which the text of an element is set.
 *
 * @param letters what is added between letters, in CSS pixels, and {@code words} what is added to spaces
 */
public record Spacing(LineHeight lineHeight, double letters, double words) {
    static final Spacing NORMAL = new Spacing(LineHeight.NORMAL, 0, 0);
}
