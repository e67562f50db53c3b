package app.unciala.core.pack;

import com.google.common.hash.Hashing;
import java.text.Normalizer;
import java.util.Locale;

/**
 * How a host wants its files to be named.
 *
 * @param digest whether a part of the digest of the content stands in the name, so that a changed file is never taken
 *     from a cache
 */
public record FileNames(Rule rule, boolean digest) {
    private static final int LONGEST = 60;

    public enum Rule {
        /** As the family is written, without signs that no file system takes. */
        KEEP,
        /** Lowercase Latin letters and digits with hyphens between. */
        HYPHENS,
        /** Lowercase Latin letters and digits, nothing else. */
        LETTERS_AND_DIGITS
    }

    /** The name of a file without its extension. */
    String stem(String family, String style, byte[] content) {
        String name = (family + " " + style).strip();
        String stem =
                switch (rule) {
                    case KEEP ->
                        name.replaceAll("[\\p{Cc}\\p{Cf}\\\\/:*?\"<>|#%&{}$!'@+`=,;\\[\\]()]+", "")
                                .strip()
                                .replace(" ", "-");
                    case HYPHENS -> latin(name).replaceAll("[^a-z0-9]+", "-").replaceAll("^-+|-+$", "");
                    case LETTERS_AND_DIGITS -> latin(name).replaceAll("[^a-z0-9]+", "");
                };
        String cut = stem.substring(0, Math.min(LONGEST, stem.length())).replaceAll("-+$", "");
        String kept = cut.isEmpty() ? "font" : cut;
        return digest ? kept + separator() + shortDigest(content) : kept;
    }

    /** What stands between a name and a number that tells it from another. */
    String separator() {
        return rule == Rule.LETTERS_AND_DIGITS ? "" : "-";
    }

    private static String shortDigest(byte[] bytes) {
        return Hashing.sha256().hashBytes(bytes).toString().substring(0, 8);
    }

    /** Accented letters become those without the accent, such as o for ö, and do not divide words. */
    private static String latin(String name) {
        return Normalizer.normalize(name, Normalizer.Form.NFKD)
                .replaceAll("\\p{M}+", "")
                .toLowerCase(Locale.ROOT)
                .replace("ß", "ss")
                .replace("æ", "ae")
                .replace("œ", "oe")
                .replace("ø", "o")
                .replace("đ", "d")
                .replace("ł", "l");
    }
}
