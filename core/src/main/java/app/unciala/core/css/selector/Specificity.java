package app.unciala.core.css.selector;

/** Specificity (Selectors 4, section 17) by its three counts, of which a larger one before outweighs all after. */
public record Specificity(int ids, int classes, int types) {
    /** That of a number as {@link Selector#specificity()} gives it. */
    public static Specificity of(long number) {
        return new Specificity((int) (number / Simple.ID), (int) (number % Simple.ID / Simple.CLASS), (int)
                (number % Simple.CLASS / Simple.TYPE));
    }
}
