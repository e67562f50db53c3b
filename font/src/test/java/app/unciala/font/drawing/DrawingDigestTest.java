package app.unciala.font.drawing;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.file.FontReader;
import app.unciala.font.glyph.OutlineReader;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.testing.RealFonts;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class DrawingDigestTest {
    /** A byte in the middle of a table is another one. */
    @ParameterizedTest
    @CsvSource({
        // table, whether it has a part in the drawing
        "cvt , false",
        "fpgm, false",
        "prep, false",
        "gasp, false",
        "name, false",
        "post, false",
        "GPOS, false",
        "gvar, true",
        "fvar, true",
        "hmtx, true"
    })
    void whatHasAPartInADrawing(String tag, boolean has) {
        Sfnt face = FontReader.read(RealFonts.bytes(RealFonts.named("Inter.var.ttf")))
                .faces()
                .get(0);
        byte[] changed = face.table(padded(tag)).map(table -> table.toArray()).orElse(new byte[64]);
        int at = tag.equals("fvar") ? 23 : tag.equals("hmtx") ? 1 : changed.length - 1;
        changed[at] ^= 1;
        assertThat(digest(face.with(padded(tag), changed)).equals(digest(face)))
                .as(tag)
                .isNotEqualTo(has);
        assertThat(digest(face.with("cvar", new byte[] {0, 1, 0, 0, 0, 0, 0, 0})))
                .as("hints that vary have no part either")
                .isEqualTo(digest(face));
    }

    private static String padded(String tag) {
        return (tag + "    ").substring(0, 4);
    }

    private static String digest(Sfnt face) {
        return DrawingDigest.of(face, CmapTable.read(face), OutlineReader.read(face));
    }
}
