package app.unciala.core.metrics;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import app.unciala.core.css.GenericFamily;
import app.unciala.font.FontException;
import app.unciala.font.file.FontReader;
import app.unciala.font.metrics.AverageAdvance;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.table.HheaTable;
import app.unciala.testing.RealFonts;
import java.util.BitSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FallbackMetricsTest {
    /** The open faces drawn to the metrics of the system's, and the system's own where it is open. */
    @ParameterizedTest
    @CsvSource({
        "Arial, false, LiberationSans-Regular.ttf",
        "Arial, true, LiberationSans-Bold.ttf",
        "Times New Roman, false, LiberationSerif-Regular.ttf",
        "Times New Roman, true, LiberationSerif-Bold.ttf",
        "Courier New, false, LiberationMono-Regular.ttf",
        "DejaVu Sans, false, DejaVuSans.ttf",
        "DejaVu Sans, true, DejaVuSans-Bold.ttf"
    })
    void theTableHoldsTheMetricsOfRealFaces(String family, boolean bold, String file) {
        SystemFace stated = SystemFace.named(family).stream()
                .filter(face -> face.bold() == bold)
                .findFirst()
                .orElseThrow();
        Sfnt real = face(file);
        HheaTable hhea = HheaTable.read(real);
        assertThat(stated.ascent()).isEqualTo(hhea.ascender());
        assertThat(stated.descent()).isEqualTo(-hhea.descender());
        assertThat(stated.lineGap()).isEqualTo(hhea.lineGap());
        assertThat(stated.averageAdvance()).isCloseTo(AverageAdvance.of(real), within(0.0001));
        FallbackMetrics itself = FallbackMetrics.of(real, stated);
        assertThat(itself.sizeAdjust()).isCloseTo(1, within(0.001));
    }

    @Test
    void theScaledFallbackIsAsHighAndAsLongAsTheFont() {
        Sfnt font = face("OpenSans-Regular.ttf");
        SystemFace arial = SystemFace.named("arial").get(0);
        FallbackMetrics metrics = FallbackMetrics.of(font, arial);
        HheaTable hhea = HheaTable.read(font);
        assertThat(metrics.ascentOverride() * metrics.sizeAdjust()).isCloseTo(hhea.ascender() / 2048.0, within(1e-9));
        assertThat(metrics.descentOverride() * metrics.sizeAdjust())
                .isCloseTo(-hhea.descender() / 2048.0, within(1e-9));
        assertThat(metrics.sizeAdjust() * arial.averageAdvance()).isCloseTo(AverageAdvance.of(font), within(1e-9));
        assertThat(metrics.css("Open Fallback"))
                .contains("font-family: \"Open Fallback\";", "src: local(\"Arial\");")
                .containsPattern("size-adjust: 10\\d\\.\\d\\d%;\n")
                .containsPattern("ascent-override: \\d+\\.\\d\\d%;\n")
                .containsPattern("descent-override: \\d+\\.\\d\\d%;\n")
                .containsPattern("line-gap-override: \\d+\\.\\d\\d%;\n");
    }

    @Test
    void aFaceOfTheSameKindStandsIn() {
        assertThat(SystemFace.of(GenericFamily.SERIF, false).family()).isEqualTo("Times New Roman");
        assertThat(SystemFace.of(GenericFamily.MONOSPACE, true).bold()).isTrue();
        assertThat(SystemFace.of(GenericFamily.CURSIVE, true).family()).isEqualTo("Arial");
    }

    @Test
    void aFaceWithoutLatinLettersCannotBeMeasured() {
        BitSet digits = new BitSet();
        digits.set('0', '9');
        Sfnt cut = Subsetter.subset(face("Lato-Regular.ttf"), digits);
        assertThatThrownBy(() -> AverageAdvance.of(cut)).isInstanceOf(FontException.class);
    }

    private static Sfnt face(String name) {
        return FontReader.read(RealFonts.bytes(RealFonts.named(name))).faces().get(0);
    }
}
