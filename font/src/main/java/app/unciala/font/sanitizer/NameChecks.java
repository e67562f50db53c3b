package app.unciala.font.sanitizer;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.MaxpTable;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.PostTable;

/** The tables of names: {@code name}, and the glyph names of {@code post}. */
final class NameChecks {
    /** The glyph names that need not be written. */
    private static final int STANDARD_NAMES = 258;
    /** Of {@code post} of version 2: how many glyphs there are, and the number of the name of each. */
    private static final int GLYPH_COUNT = PostTable.HEADER;

    private static final int INDICES = GLYPH_COUNT + 2;

    private NameChecks() {}

    static void name(Sfnt face, Findings findings) {
        ByteView name = face.require("name");
        int format = name.u16(0);
        findings.addIf(format > 1, "name", "has the unknown format " + format);
        int count = name.u16(NameTable.COUNT);
        int recordsEnd = NameTable.RECORDS + NameTable.RECORD * count;
        findings.addIf(recordsEnd > name.length(), "name", "says it has " + count + " records, more than fit");
        int texts = name.u16(NameTable.STORAGE_OFFSET);
        findings.addIf(
                texts < recordsEnd || texts > name.length(),
                "name",
                "puts its texts at byte " + texts + ", where they cannot be");
    }

    static void post(Sfnt face, Findings findings) {
        if (face.table("post").isEmpty()) {
            findings.add("post", "is missing");
            return;
        }
        ByteView post = face.require("post");
        switch (post.i32(0)) {
            case PostTable.STANDARD_NAMES, PostTable.NO_NAMES -> post.slice(0, PostTable.HEADER);
            case PostTable.OWN_NAMES -> glyphNames(post, MaxpTable.read(face).numGlyphs(), findings);
            default -> findings.add("post", "has the unknown version " + Integer.toHexString(post.i32(0)));
        }
    }

    /** Version 2: an index for each glyph, then the names that are not among the standard ones, each after its length. */
    private static void glyphNames(ByteView post, int numGlyphs, Findings findings) {
        int count = post.u16(GLYPH_COUNT);
        if (count == 0) {
            return;
        }
        if (count != numGlyphs) {
            findings.add("post", "names " + count + " glyphs of " + numGlyphs);
            return;
        }
        byte[] texts = post.from(INDICES + 2 * count).toArray();
        int names = 0;
        for (int at = 0; at < texts.length; names++) {
            int end = at + 1 + (texts[at] & 0xFF);
            if (end > texts.length) {
                findings.add("post", "has a glyph name that runs past its end");
                return;
            }
            for (at++; at < end; at++) {
                if (texts[at] == 0) {
                    findings.add("post", "has a zero in a glyph name");
                    return;
                }
            }
        }
        for (int glyph = 0; glyph < count; glyph++) {
            int index = post.u16(INDICES + 2 * glyph);
            if (index >= STANDARD_NAMES + names) {
                findings.add("post", "gives glyph " + glyph + " the name " + index + " of " + (STANDARD_NAMES + names));
                return;
            }
        }
    }
}
