package app.unciala.font.rename;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.drawing.DrawingDigest;
import app.unciala.font.face.FaceIdentifier;
import app.unciala.font.face.FaceIdentity;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.glyph.OutlineReader;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.NameTable;
import app.unciala.testing.RealFonts;
import app.unciala.testing.Tool;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class RenamerTest {
    /** Name records that carry the family or are made from it; all others stay as they are. */
    private static final Set<Integer> NAMING = Set.of(1, 3, 4, 6, 16, 18, 21, 25);

    static Stream<Path> fonts() {
        return Stream.of(
                        "Lato-Light.ttf",
                        "Lato-BoldItalic.ttf",
                        "DejaVuSansMono.ttf",
                        "EBGaramond08-Italic.otf",
                        "Inter.var.ttf")
                .map(RealFonts::named);
    }

    @ParameterizedTest
    @MethodSource("fonts")
    void everyNameThatCarriesTheFamilyCarriesTheNewOne(Path path, @TempDir Path folder) throws Exception {
        Sfnt face = FontReader.read(RealFonts.bytes(path)).faces().get(0);
        FaceIdentity before = FaceIdentifier.identify(face);
        Sfnt renamed = Renamer.rename(face, "Müller & Tärnow Text");
        assertThat(FaceIdentifier.identify(renamed).family()).isEqualTo("Müller & Tärnow Text");
        assertThat(FaceIdentifier.identify(renamed).subfamily()).isEqualTo(before.subfamily());
        assertThat(FaceIdentifier.identify(renamed).slot()).isEqualTo(before.slot());
        NameTable names = NameTable.read(renamed);
        assertThat(names.records()).hasSameSizeAs(NameTable.read(face).records());
        for (NameTable.NameRecord record : names.records()) {
            if (NAMING.contains(record.nameId())) {
                assertThat(record.text())
                        .as(record.toString())
                        .doesNotContain(before.family())
                        .doesNotContain(before.family().replace(" ", ""));
            } else {
                assertThat(NameTable.read(face).records()).contains(record);
            }
        }
        assertThat(names.best(NameTable.POSTSCRIPT_NAME).orElseThrow()).matches("MllerTrnowText(-[A-Za-z0-9]+)?");
        assertThat(drawing(renamed)).isEqualTo(drawing(face));
        Path file = Files.write(folder.resolve("renamed"), FontWriter.write(renamed, renamed.bareFormat()));
        assertThat(Tool.run("fc-scan", "--format", "%{family}\\n", file)).startsWith("Müller & Tärnow Text");
    }

    @Test
    void aNameThatIsNoneIsRefused() {
        Sfnt face = FontReader.read(RealFonts.small()).faces().get(0);
        for (String name : new String[] {"", "  ", "!?", "x".repeat(101)}) {
            assertThatThrownBy(() -> Renamer.rename(face, name)).isInstanceOf(IllegalArgumentException.class);
        }
    }

    private static String drawing(Sfnt face) {
        return DrawingDigest.of(face, CmapTable.read(face), OutlineReader.read(face));
    }
}
