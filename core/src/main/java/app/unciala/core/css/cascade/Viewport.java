package app.unciala.core.css.cascade;

/** The window a page is seen in, in CSS pixels. */
public record Viewport(double width, double height) {
    /** A laptop of 1280 × 800. */
    public static final Viewport LAPTOP = new Viewport(1280, 800);
    /** A phone of 390 × 844. */
    public static final Viewport PHONE = new Viewport(390, 844);

    /** A window of a width, at least as high as a laptop's or a phone's. */
    public static Viewport ofWidth(double width) {
        return new Viewport(width, width < 600 ? PHONE.height : LAPTOP.height);
    }
}
