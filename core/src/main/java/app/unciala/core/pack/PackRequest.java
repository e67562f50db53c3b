package app.unciala.core.pack;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.css.TextRole;
import app.unciala.core.css.TextSetting;
import app.unciala.core.metrics.FallbackMetrics;
import app.unciala.core.pack.SiteCharacters.ScriptPart;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Range;
import app.unciala.font.face.Slot;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.stream.Stream;

/**
 * What a pack is made from.
 *
 * @param version of the program that makes it
 * @param words the site's own words, for its specimen page; may be empty
 * @param checklist what the host needs done by hand
 * @param names of families in CSS by those they have in the inventory; a family that is not among them keeps its own
 * @param overrides rules of the site's own, which come last; may be empty
 */
public record PackRequest(
        String siteName,
        List<String> domains,
        LocalDate day,
        String version,
        String words,
        Map<String, String> names,
        Placement placement,
        OutputShape shape,
        Checklist checklist,
        String overrides,
        List<Role> roles,
        List<Face> faces) {
    /** What has to be done on a host before files are uploaded, such as letting in a file type, and undone after it. */
    public record Checklist(List<String> before, List<String> after) {
        public static final Checklist NOTHING = new Checklist(List.of(), List.of());

        /** What is written a thing a line. */
        public static Checklist of(String before, String after) {
            return new Checklist(lines(before), lines(after));
        }

        private static List<String> lines(String text) {
            return text.lines()
                    .map(String::strip)
                    .filter(line -> !line.isEmpty())
                    .toList();
        }

        /** All of it, in its order. */
        public List<String> all() {
            return Stream.concat(before.stream(), after.stream()).toList();
        }
    }

    /**
     * A text role set in a family.
     *
     * @param slot the face of the family that plain text of this role uses
     * @param fallbacks families before the generic one; without any, those that most systems have
     * @param setting what else is said of its text
     */
    public record Role(
            TextRole role, String family, Slot slot, GenericFamily generic, List<String> fallbacks, Setting setting) {}

    /** What a role says besides its face; the selector is empty where it says none. */
    public record Setting(String selector, TextSetting text) {
        public static Setting none() {
            return new Setting("", TextSetting.NONE);
        }
    }

    /**
     * One face to deliver, or its part for one script.
     *
     * @param source the digest of the file it was made from
     * @param files its bytes by format
     * @param slant the angles of a variable slope in degrees, clockwise, if it has one
     * @param license what the licenses say of it, in one line
     * @param notices what must go along with it: copyright and license texts
     * @param part the characters that it is for, where other files of the same face have others
     * @param cut how many characters were kept of how many, if it was cut
     * @param stand a system face with its metrics made to match, if one shall stand in until the font is there
     */
    public record Face(
            String family,
            Slot slot,
            String source,
            SortedMap<FontFormat, byte[]> files,
            Optional<Range> slant,
            String license,
            List<Notice> notices,
            Optional<ScriptPart> part,
            Optional<Cut> cut,
            Optional<FallbackMetrics> stand) {
        /** What the face is called among the others: its slot, and the script of a part. */
        String label() {
            return slot.label()
                    + part.map(ScriptPart::script)
                            .filter(script -> !script.isEmpty())
                            .map(script -> " " + script)
                            .orElse("");
        }
    }

    /** A text that goes along with fonts, under its file name, byte for byte. */
    public record Notice(String name, byte[] bytes) {
        /** A text of our own, in UTF-8. */
        public Notice(String name, String text) {
            this(name, text.getBytes(StandardCharsets.UTF_8));
        }

        @Override
        public boolean equals(Object other) {
            return other instanceof Notice notice && name.equals(notice.name) && Arrays.equals(bytes, notice.bytes);
        }

        @Override
        public int hashCode() {
            return 31 * name.hashCode() + Arrays.hashCode(bytes);
        }
    }

    /** Numbers of characters. */
    public record Cut(int kept, int of) {}
}
