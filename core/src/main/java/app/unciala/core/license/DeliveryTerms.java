package app.unciala.core.license;

import app.unciala.font.FontFormat;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;

/**
 * How a site delivers its fonts, as far as licenses are asked about it.
 *
 * @param formats what its host takes, the one to be tried first first; at least one
 * @param subsets whether files are reduced to the characters that the site needs, where their licenses let them
 * @param acts what is done with every file: serving it, and inlining it or hosting it with a third party if that is so
 */
public record DeliveryTerms(List<FontFormat> formats, boolean subsets, Set<Act> acts) {
    /** Whole WOFF 2 files on the site's own host. */
    public static final DeliveryTerms USUAL = new DeliveryTerms(List.of(FontFormat.WOFF2), false, Set.of());

    public DeliveryTerms {
        if (formats.isEmpty()) {
            throw new IllegalArgumentException("no format is delivered");
        }
        formats = List.copyOf(formats);
        EnumSet<Act> all = EnumSet.of(Act.SERVE);
        all.addAll(acts);
        acts = Set.copyOf(all);
    }
}
