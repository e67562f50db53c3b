package app.unciala.font.layout;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.variation.ItemVariationStore;
import java.util.Optional;

/** {@code GDEF} (OpenType 1.9): where its parts begin, in bytes from the start of the table; 0 for a part that is not there. */
public record GdefTable(ByteView table) {
    private static final int MINOR_VERSION = 2;
    private static final int GLYPH_CLASSES = 4;
    private static final int ATTACHMENT_POINTS = 6;
    private static final int LIGATURE_CARETS = 8;
    private static final int MARK_CLASSES = 10;
    /** From version 1.2 on. */
    private static final int MARK_GLYPH_SETS = 12;
    /** From version 1.3 on. */
    private static final int VARIATION_STORE = 14;

    public static Optional<GdefTable> read(Sfnt face) {
        return face.table("GDEF").map(GdefTable::new);
    }

    public int glyphClasses() {
        return table.u16(GLYPH_CLASSES);
    }

    public int attachmentPoints() {
        return table.u16(ATTACHMENT_POINTS);
    }

    public int ligatureCarets() {
        return table.u16(LIGATURE_CARETS);
    }

    public int markClasses() {
        return table.u16(MARK_CLASSES);
    }

    public int markGlyphSets() {
        return table.u16(MINOR_VERSION) >= 2 ? table.u16(MARK_GLYPH_SETS) : 0;
    }

    /** The deltas of values in {@code GDEF} and {@code GPOS}. */
    public Optional<ItemVariationStore> variationStore() {
        return table.u16(MINOR_VERSION) < 3 || table.u32(VARIATION_STORE) == 0
                ? Optional.empty()
                : Optional.of(ItemVariationStore.read(table.from(table.offset32(VARIATION_STORE))));
    }
}
