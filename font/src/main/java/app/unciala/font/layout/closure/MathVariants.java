package app.unciala.font.layout.closure;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.layout.Coverage;
import java.util.function.IntConsumer;
import org.jspecify.annotations.Nullable;

/**
 * The glyphs that mathematics is stretched with (OpenType 1.9, "MATH", MathVariants): larger variants of a glyph, and the
 * parts that it is assembled from.
 */
public final class MathVariants {
    /** Where {@code MATH} says where the variants are. */
    private static final int VARIANTS = 8;

    private static final int VERTICAL_COVERAGE = 2;
    private static final int HORIZONTAL_COVERAGE = 4;
    private static final int VERTICAL_COUNT = 6;
    private static final int HORIZONTAL_COUNT = 8;
    private static final int CONSTRUCTIONS = 10;

    /** Of a glyph construction: the offset to its assembly, and its variants, each a glyph and a length. */
    private static final int ASSEMBLY = 0;

    private static final int VARIANT_COUNT = 2;
    private static final int VARIANT_RECORDS = 4;
    private static final int VARIANT = 4;

    /** Of a glyph assembly, whose parts are glyphs with lengths and flags. */
    private static final int PART_COUNT = 4;

    private static final int PART_RECORDS = 6;
    private static final int PART = 10;

    private final @Nullable ByteView variants;
    private final Work work = new Work("MATH");

    private MathVariants(@Nullable ByteView variants) {
        this.variants = variants;
    }

    /** The variants of a {@code MATH} table. */
    public static MathVariants of(ByteView math) {
        int offset = math.u16(VARIANTS);
        return new MathVariants(offset == 0 ? null : math.from(offset));
    }

    /**
     * Tells the glyphs that a glyph may be replaced by or put together from.
     *
     * @throws app.unciala.font.FontException if the table points outside itself
     */
    public void parts(int glyph, IntConsumer found) {
        if (variants != null) {
            int vertical = variants.u16(VERTICAL_COUNT);
            int horizontal = variants.u16(HORIZONTAL_COUNT);
            parts(variants, variants.u16(VERTICAL_COVERAGE), CONSTRUCTIONS, vertical, glyph, found);
            parts(variants, variants.u16(HORIZONTAL_COVERAGE), CONSTRUCTIONS + 2 * vertical, horizontal, glyph, found);
        }
    }

    private void parts(ByteView table, int coverage, int constructions, int count, int glyph, IntConsumer found) {
        int index = Coverage.of(table, coverage, work).index(glyph);
        if (index >= 0 && index < count) {
            int offset = table.u16(constructions + 2 * index);
            if (offset != 0) {
                construction(table.from(offset), found);
            }
        }
    }

    private void construction(ByteView construction, IntConsumer found) {
        int count = construction.u16(VARIANT_COUNT);
        work.spend(count);
        for (int i = 0; i < count; i++) {
            found.accept(construction.u16(VARIANT_RECORDS + VARIANT * i));
        }
        if (construction.u16(ASSEMBLY) != 0) {
            ByteView assembly = construction.from(construction.u16(ASSEMBLY));
            int parts = assembly.u16(PART_COUNT);
            work.spend(parts);
            for (int i = 0; i < parts; i++) {
                found.accept(assembly.u16(PART_RECORDS + PART * i));
            }
        }
    }
}
