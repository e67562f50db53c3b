package app.unciala.core.css;

import java.text.Normalizer;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;

/**
 * A named use of type on a site: one of the usual ones, with the elements that usually carry it, or one of the site's
 * own, which has no element until somebody says one.
 *
 * @param id what it is recorded under: {@code PAGE_TITLE}, or the name of a role of one's own
 * @param selector the elements that usually carry it; empty for a role of one's own
 */
public record TextRole(String id, String label, String selector) implements Comparable<TextRole> {
    public static final TextRole PAGE_TITLE = new TextRole("PAGE_TITLE", "Page title", "h1");
    public static final TextRole HEADINGS = new TextRole("HEADINGS", "Headings", "h2, h3, h4, h5, h6");
    public static final TextRole HEADINGS_2 = new TextRole("HEADINGS_2", "Headings 2", "h2");
    public static final TextRole HEADINGS_3 = new TextRole("HEADINGS_3", "Headings 3", "h3");
    public static final TextRole HEADINGS_4 = new TextRole("HEADINGS_4", "Headings 4 to 6", "h4, h5, h6");
    public static final TextRole RUNNING_TEXT = new TextRole("RUNNING_TEXT", "Running text", "body");
    public static final TextRole NAVIGATION = new TextRole("NAVIGATION", "Navigation", "nav");
    public static final TextRole BUTTONS = new TextRole("BUTTONS", "Buttons", "button, input, select, textarea");
    public static final TextRole CAPTIONS = new TextRole("CAPTIONS", "Captions", "figcaption, caption, small");
    public static final TextRole CODE = new TextRole("CODE", "Code", "code, kbd, pre, samp");

    /** The usual roles, in the order of a page. */
    public static final List<TextRole> USUAL = List.of(
            PAGE_TITLE,
            HEADINGS,
            HEADINGS_2,
            HEADINGS_3,
            HEADINGS_4,
            RUNNING_TEXT,
            NAVIGATION,
            BUTTONS,
            CAPTIONS,
            CODE);

    private static final Pattern LOOKS_LIKE_AN_ID = Pattern.compile("[A-Z0-9]+(_[A-Z0-9]+)+");

    /** The usual roles in the order of a page, then those of a site's own by their names. */
    private static final Comparator<TextRole> ORDER =
            Comparator.comparingInt(TextRole::place).thenComparing(TextRole::id);

    /**
     * The usual role with this id, or else a role of one's own with this name.
     *
     * @throws IllegalArgumentException if a name has no letter and no digit, is that of a usual role, or is written as
     *     the id of one that does not exist
     */
    public static TextRole of(String id) {
        String name = id.strip().replaceAll("\\s+", " ");
        for (TextRole usual : USUAL) {
            if (usual.id.equals(name)) {
                return usual;
            }
        }
        if (LOOKS_LIKE_AN_ID.matcher(name).matches()) {
            throw new IllegalArgumentException("“" + name + "” isn’t a text role; the usual ones are "
                    + String.join(", ", USUAL.stream().map(TextRole::id).toList()));
        }
        TextRole own = new TextRole(name, name, "");
        if (own.key().isEmpty()) {
            throw new IllegalArgumentException("A text role needs a name with a letter or a digit, not “" + name + "”");
        }
        for (TextRole usual : USUAL) {
            if (usual.key().equals(own.key()) || keyOf(usual.label).equals(own.key())) {
                throw new IllegalArgumentException("“" + usual.label + "” is one of the usual text roles");
            }
        }
        return own;
    }

    /**
     * The elements that carry it on a site: those that the site says, or else the usual ones. Without a role for page titles,
     * {@code h1} is a heading like the others. A role of one's own may have none.
     *
     * @param said the selector that the site says, blank for none
     * @param all the roles of the site
     */
    public String selectorOn(String said, Collection<TextRole> all) {
        return !said.isBlank()
                ? said.strip()
                : equals(HEADINGS) && !all.contains(PAGE_TITLE) ? "h1, " + selector : selector;
    }

    /** Whether it is none of the usual ones. */
    public boolean isOwn() {
        return !USUAL.contains(this);
    }

    /** The role's name in custom properties and class names, such as {@code running-text}; equal for nearly equal names. */
    public String key() {
        return keyOf(id);
    }

    private static String keyOf(String name) {
        return Normalizer.normalize(name, Normalizer.Form.NFKC)
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^\\p{L}\\p{M}\\p{N}]+", "-")
                .replaceAll("^-+|-+$", "");
    }

    private int place() {
        int place = USUAL.indexOf(this);
        return place < 0 ? USUAL.size() : place;
    }

    @Override
    public int compareTo(TextRole other) {
        return ORDER.compare(this, other);
    }
}
