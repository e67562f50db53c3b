package app.unciala.core.pack;

/**
 * A font file of a pack with what a host's form asks for it.
 *
 * @param file its path in the pack
 * @param family its name in CSS
 * @param weight from 1 to 1000, or a range of two with a space between
 * @param weightName such as {@code Semi Bold}
 * @param slope {@code upright}, {@code italic} or {@code oblique}
 * @param format such as {@code woff2}
 * @param label what it may be called in a menu
 * @param fallback the families after its own, as CSS has them
 * @param sha256 in hexadecimal digits
 */
public record PackedFile(
        String file,
        String family,
        String weight,
        String weightName,
        String slope,
        String format,
        String label,
        String fallback,
        long bytes,
        String sha256) {}
