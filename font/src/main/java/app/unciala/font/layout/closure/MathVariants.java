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
    private static final int VERTICAL_COUNT = 6;
    private static final int HORIZONTAL_COUNT = 8;
    private static final int CONSTRUCTIONS = 10;
    private static final int VARIANT_SIZE = 4;
    private static final int PART_SIZE = 10;

    private final @Nullable ByteView variants;
    private final Work work = new Work("MATH");

    private MathVariants(@Nullable ByteView variants) {
        this.variants = variants;
    }

    /** The variants of a {@code MATH} table. */
    public static MathVariants of(ByteView math) {
        int offset = math.u16(8);
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
            parts(variants, variants.u16(2), CONSTRUCTIONS, vertical, glyph, found);
            parts(variants, variants.u16(4), CONSTRUCTIONS + 2 * vertical, horizontal, glyph, found);
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
        int count = construction.u16(2);
        work.spend(count);
        for (int i = 0; i < count; i++) {
            found.accept(construction.u16(4 + VARIANT_SIZE * i));
        }
        if (construction.u16(0) != 0) {
            ByteView assembly = construction.from(construction.u16(0));
            int parts = assembly.u16(4);
            work.spend(parts);
            for (int i = 0; i < parts; i++) {
                found.accept(assembly.u16(6 + PART_SIZE * i));
            }
        }
    }
}
