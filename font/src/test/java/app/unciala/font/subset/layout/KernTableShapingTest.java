package app.unciala.font.subset.layout;

import static app.unciala.font.testing.BuiltTable.coverage;
import static app.unciala.font.testing.BuiltTable.layout;
import static app.unciala.font.testing.BuiltTable.lookup;
import static app.unciala.font.testing.BuiltTable.of;
import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.SubsetPlan;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.table.CmapTable;
import app.unciala.font.testing.BuiltTable;
import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * A font with a table {@code kern}, by which A and V move together, and with kerning of other glyphs in GPOS: HarfBuzz takes
 * the old table where GPOS has no kerning for the script of the text, and sets it in the source and in the cut alike.
 */
class KernTableShapingTest {
    private static final int SINGLE = 1;
    private static final int X_ADVANCE = 4;

    @TempDir
    Path folder;

    @ParameterizedTest
    @CsvSource({
        // the script that GPOS has kerning for, and whether the old table is looked at for Latin
        "cyrl, true",
        "DFLT, false",
        "latn, false"
    })
    void theOldTableIsLookedAtForTheSameScripts(String script, boolean looked) throws Exception {
        Sfnt real = FontReader.read(RealFonts.small()).faces().get(0);
        CmapTable cmap = CmapTable.read(real);
        BuiltTable other = of(1).offset(coverage(cmap.glyph('C'))).u16(X_ADVANCE, 300);
        BuiltTable kern = of(0, 1, 0, 14 + 6, 1, 1, 6, 0, 0).u16(cmap.glyph('A'), cmap.glyph('V'), -150);
        Sfnt face = real.without("GSUB")
                .with("GPOS", layout(script, "kern", lookup(SINGLE, other)).toArray())
                .with("kern", kern.toArray());
        String expected = shaped(face);
        assertThat(shaped(Subsetter.subset(face, SubsetPlan.ofText("AVC")))).isEqualTo(expected);
        assertThat(shaped(Subsetter.subset(face, SubsetPlan.ofText("AV"))))
                .as("also where nothing is left of the kerning in GPOS")
                .isEqualTo(expected);
        assertThat(expected.equals(shaped(face.without("kern")))).isEqualTo(!looked);
    }

    private String shaped(Sfnt face) throws Exception {
        Path file = Files.write(folder.resolve("f.ttf"), FontWriter.write(face, face.bareFormat()));
        return Tool.shape(file, "", "AV").replaceAll("[\\[|]\\d+=", "=");
    }
}
