package app.unciala.font.sfnt;

import app.unciala.font.FontException;
import app.unciala.font.FontFormat;
import app.unciala.font.Problem;
import app.unciala.font.bytes.ByteView;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** One face as a set of tables, out of whatever container it came in. */
public final class Sfnt {
    /** The version tag of a face with TrueType outlines. */
    public static final int TRUETYPE = 0x00010000;
    /** The version tag {@code OTTO} of a face with CFF outlines. */
    public static final int CFF = 0x4F54544F;

    /** The version tag {@code true} that old systems give a face with TrueType outlines. */
    public static final int APPLE_TRUETYPE = 0x74727565;
    /** The tag {@code ttcf} that a collection begins with. */
    public static final int COLLECTION = 0x74746366;

    private final int flavor;
    private final Map<String, ByteView> tables;
    private final List<Problem> problems;

    public Sfnt(int flavor, Map<String, ByteView> tables, List<Problem> problems) {
        this.flavor = flavor;
        this.tables = Collections.unmodifiableMap(new TreeMap<>(tables));
        this.problems = List.copyOf(problems);
    }

    /** The sfnt version tag: {@link #TRUETYPE}, {@link #CFF}, or {@link #APPLE_TRUETYPE}. */
    public int flavor() {
        return flavor;
    }

    /** The tables by tag, in the order of their tags. */
    public Map<String, ByteView> tables() {
        return tables;
    }

    public List<Problem> problems() {
        return problems;
    }

    public Optional<ByteView> table(String tag) {
        return Optional.ofNullable(tables.get(tag));
    }

    /**
     * A table that every font needs.
     *
     * @throws FontException if the face does not have it
     */
    public ByteView require(String tag) {
        ByteView table = tables.get(tag);
        if (table == null) {
            throw new FontException(tag, -1, "is missing, and a font needs it");
        }
        return table;
    }

    public boolean hasCffOutlines() {
        return tables.containsKey("CFF ") || tables.containsKey("CFF2");
    }

    /** The format of this face in a file of its own without compression: TTF or OTF. */
    public FontFormat bareFormat() {
        return hasCffOutlines() ? FontFormat.OTF : FontFormat.TTF;
    }

    /** The same face with one table put in or replaced. */
    public Sfnt with(String tag, byte[] bytes) {
        Map<String, ByteView> changed = new TreeMap<>(tables);
        changed.put(tag, ByteView.of(bytes, tag));
        return new Sfnt(flavor, changed, problems);
    }

    public Sfnt without(String tag) {
        Map<String, ByteView> changed = new TreeMap<>(tables);
        changed.remove(tag);
        return new Sfnt(flavor, changed, problems);
    }
}
