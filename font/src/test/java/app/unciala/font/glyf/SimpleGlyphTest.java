package app.unciala.font.glyf;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import java.util.Random;
import org.junit.jupiter.api.Test;

/** Glyphs made at random. */
class SimpleGlyphTest {
    @Test
    void glyphsAreReadAsTheyWereWritten() {
        for (int seed = 0; seed < 300; seed++) {
            SimpleGlyph glyph = random(new Random(seed));
            ByteSink out = new ByteSink();
            glyph.write(out, glyph.bounds());
            ByteView bytes = ByteView.of(out.toArray(), "glyf");
            SimpleGlyph read = SimpleGlyph.read(bytes);
            assertThat(read.xs()).as("seed %d", seed).isEqualTo(glyph.xs());
            assertThat(read.ys()).isEqualTo(glyph.ys());
            assertThat(read.onCurve()).isEqualTo(glyph.onCurve());
            assertThat(read.contourEnds()).isEqualTo(glyph.contourEnds());
            assertThat(read.instructions()).isEqualTo(glyph.instructions());
            assertThat(read.overlaps()).isEqualTo(glyph.overlaps());
            assertThat(GlyphHeader.box(bytes)).isEqualTo(glyph.bounds());
        }
    }

    private static SimpleGlyph random(Random random) {
        int contours = 1 + random.nextInt(4);
        int[] ends = new int[contours];
        int points = 0;
        for (int i = 0; i < contours; i++) {
            points += 1 + random.nextInt(40);
            ends[i] = points - 1;
        }
        int reach = random.nextBoolean() ? 200 : 12000;
        int[] xs = random.ints(points, -reach, reach).toArray();
        int[] ys = random.ints(points, -reach, reach).toArray();
        boolean[] onCurve = new boolean[points];
        for (int i = 0; i < points; i++) {
            onCurve[i] = random.nextBoolean();
            if (i > 0 && random.nextInt(3) == 0) {
                xs[i] = xs[i - 1];
            }
        }
        byte[] instructions = new byte[random.nextInt(5)];
        random.nextBytes(instructions);
        return new SimpleGlyph(ends, onCurve, xs, ys, instructions, random.nextBoolean());
    }
}
