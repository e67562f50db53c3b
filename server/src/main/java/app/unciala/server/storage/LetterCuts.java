package app.unciala.server.storage;

import app.unciala.font.FontException;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.SubsetPlan;
import app.unciala.font.subset.Subsetter;
import app.unciala.server.fault.Fault;
import com.google.common.hash.Hashing;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.lang.Character.UnicodeScript;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Fonts cut to the few letters that a list shows of them, as WOFF 2 of a few kilobytes. A cut is made once and kept under
 * the digest of its font and of its letters, the latest {@value #MOST_KEPT} of a font; it can always be made again.
 */
@Component
public class LetterCuts {
    private static final Logger LOG = LoggerFactory.getLogger(LetterCuts.class);
    private static final int MOST_LETTERS = 300;
    /** Of one font; a specimen in which somebody types asks for some dozens. */
    private static final int MOST_KEPT = 200;

    private static final String ENDING = ".letters.woff2";

    private final DerivedFiles derived;

    LetterCuts(DerivedFiles derived) {
        this.derived = derived;
    }

    /**
     * The cut of a font to the letters of a text, in any order; a font that cannot be cut stands as it is.
     *
     * @param font where its bytes are; its first face is cut
     */
    public Path cut(String sha256, Path font, String text) {
        String letters = text.codePoints()
                .distinct()
                .sorted()
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
        if (letters.isEmpty() || letters.length() > MOST_LETTERS) {
            throw Fault.invalid("text", "Ask for 1 to " + MOST_LETTERS + " different letters.");
        }
        try {
            return derived.keptAmong(MOST_KEPT, sha256, name(letters) + ENDING, () -> made(font, letters));
        } catch (FontException e) {
            LOG.debug("{} cannot be cut to letters: {}", font, e.getMessage());
            return font;
        }
    }

    private static byte[] made(Path font, String letters) {
        try {
            Sfnt face = FontReader.read(Files.readAllBytes(font)).faces().get(0);
            SubsetPlan plan = SubsetPlan.ofText(letters).withoutHinting();
            SubsetPlan kept =
                    letters.codePoints().allMatch(LetterCuts::standsAlone) ? plan.withFeatures("kern"::equals) : plan;
            return FontWriter.writeQuickly(Subsetter.subset(face, kept));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Latin letters and signs, which are set one after another; others may need all of the layout of their script. */
    private static boolean standsAlone(int codePoint) {
        UnicodeScript script = UnicodeScript.of(codePoint);
        return script == UnicodeScript.LATIN || script == UnicodeScript.COMMON;
    }

    private static String name(String letters) {
        return Hashing.sha256()
                .hashString(letters, StandardCharsets.UTF_8)
                .toString()
                .substring(0, 16);
    }
}
