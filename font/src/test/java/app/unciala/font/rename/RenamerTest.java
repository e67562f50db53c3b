package app.unciala.font.rename;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontFormat;
import app.unciala.font.drawing.DrawingDigest;
import app.unciala.font.face.FaceIdentifier;
import app.unciala.font.face.FaceIdentity;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.glyph.OutlineReader;
import app.unciala.font.sanitizer.Sanitizer;
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
import org.junit.jupiter.params.provider.ValueSource;

class RenamerTest {
    /** Name records that carry the family or are made from it; all others stay as they are. */
    private static final Set<Integer> NAMING = Set.of(1, 3, 4, 6, 16, 17, 18, 21, 25);

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
        // The design size is a part of the family that gets another name.
        assertThat(FaceIdentifier.identify(renamed).subfamily())
                .isEqualTo(before.subfamily().replaceFirst("^08 ", ""));
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

    private static final String CFF_NAMES = """
            import sys
            from fontTools.ttLib import TTFont
            from fontTools.pens.recordingPen import RecordingPen
            before, after = TTFont(sys.argv[1]), TTFont(sys.argv[2])
            cff = after['CFF '].cff; top = cff.topDictIndex[0]
            print(cff.fontNames, top.FullName, '|', top.FamilyName)
            old, new = before.getGlyphSet(), after.getGlyphSet()
            for name in before.getGlyphOrder():
                a, b = RecordingPen(), RecordingPen()
                old[name].draw(a); new[name].draw(b)
                if a.value != b.value: print('differs', name)
            print(before.getGlyphOrder() == after.getGlyphOrder(), top.charset == before['CFF '].cff.topDictIndex[0].charset)
            """;

    @ParameterizedTest
    @ValueSource(strings = {"EBGaramond08-Italic.otf", "Cantarell-Regular.otf", "CID"})
    void theNamesInsideACffTableFollow(String name, @TempDir Path folder) throws Exception {
        Path path = name.equals("CID") ? cidKeyed(folder) : RealFonts.named(name);
        Sfnt face = FontReader.read(RealFonts.bytes(path)).faces().get(0);
        Sfnt renamed = Renamer.rename(face, "Tärnow Text");
        Path written = Files.write(folder.resolve("renamed.otf"), FontWriter.write(renamed, FontFormat.OTF));
        NameTable names = NameTable.read(renamed);
        assertThat(Tool.python(CFF_NAMES, path, written).lines())
                .containsExactly(
                        "['" + names.best(NameTable.POSTSCRIPT_NAME).orElseThrow() + "'] "
                                + names.best(NameTable.FULL_NAME).orElseThrow() + " | Tärnow Text",
                        "True True");
        assertThat(names.best(NameTable.POSTSCRIPT_NAME).orElseThrow()).startsWith("TrnowText-");
        assertThat(DrawingDigest.of(Files.readAllBytes(written))).isEqualTo(DrawingDigest.of(RealFonts.bytes(path)));
        assertThat(Sanitizer.of(renamed)).isEqualTo(Sanitizer.of(face));
        assertThat(Renamer.rename(renamed, "Tärnow Text").require("CFF ").length())
                .as("names that were put in are put in again, and the ones before stay among the strings")
                .isLessThan(face.require("CFF ").length() + 300);
    }

    /** A font whose glyphs select among two font DICTs. */
    private static Path cidKeyed(Path folder) {
        Path path = folder.resolve("cid.otf");
        Tool.python("""
                import sys
                from fontTools.ttLib import TTFont
                from fontTools.cffLib import FDSelect, FontDict, FDArrayIndex, PrivateDict
                from copy import deepcopy
                font = TTFont(sys.argv[1]); cff = font['CFF '].cff; top = cff.topDictIndex[0]
                order = font.getGlyphOrder(); strings = top.CharStrings
                for name in order: strings[name].decompile()
                for name in order:
                    strings[name].private = None
                top.ROS = ('Adobe', 'Identity', 0); top.CIDCount = len(order)
                array = FDArrayIndex(); array.strings = None; array.GlobalSubrs = top.GlobalSubrs
                for part in ('One', 'Two'):
                    dict = FontDict(); dict.Private = deepcopy(top.Private); dict.FontName = part; array.append(dict)
                top.FDArray = array; select = FDSelect(); select.format = 3
                select.gidArray = [i % 7 // 4 for i in range(len(order))]; top.FDSelect = select
                strings.fdArray = array; strings.fdSelect = select
                for i, name in enumerate(order):
                    strings[name].private = array[select.gidArray[i]].Private
                names = {name: 'cid%05d' % i if i else '.notdef' for i, name in enumerate(order)}
                strings.charStrings = {names[name]: value for name, value in strings.charStrings.items()}
                top.charset = [names[name] for name in order]; font.setGlyphOrder(top.charset)
                font.save(sys.argv[2])
                """, RealFonts.named("Cantarell-Regular.otf"), path);
        return path;
    }
}
