package app.unciala.font.face;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.file.FontReader;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.testing.RealFonts;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FaceIdentifierTest {
    @ParameterizedTest
    @CsvSource({
        // weight class, bold bit, style name; settled weight
        "300, false, Light, 300",
        "700, true, Bold, 700",
        "400, true, Bold, 700",
        "400, false, Bold, 400",
        "250, false, Thin, 250",
        "4, false, Regular, 400",
        "7, true, Bold, 700",
        "0, false, SemiBold, 600",
        "0, false, Whatever, 400",
        "900, false, Heavy, 900"
    })
    void settlesTheWeightInTheDocumentedOrder(int weightClass, boolean bold, String style, int weight) {
        Sfnt face =
                face(weightClass, bold ? 1 << 5 : 0, bold, Map.of(1, "Harrow", 2, "Regular", 16, "Harrow", 17, style));
        FaceIdentity identity = FaceIdentifier.identify(face);
        assertThat(identity.slot().weight()).isEqualTo(Range.of(weight));
        assertThat(identity.family()).isEqualTo("Harrow");
    }

    @Test
    void statStandsInWhereOs2SaysNothingAndIsEvidenceOtherwise() {
        byte[] stat = new ByteSink()
                .u32(0x00010001)
                .u16(8)
                .u16(2)
                .u32(20)
                .u16(2)
                .u32(36)
                .u16(2)
                .tag("wght")
                .u16(256)
                .u16(0)
                .tag("wdth")
                .u16(257)
                .u16(1)
                .u16(4)
                .u16(16)
                .u16(1)
                .u16(0)
                .u16(0)
                .u16(258)
                .u32(600 << 16)
                .u16(4)
                .u16(1)
                .u16(0)
                .u16(259)
                .u16(1)
                .u32(75 << 16)
                .toArray();
        Sfnt silent = face(0, 0, false, Map.of(1, "Harrow", 2, "Regular")).with("STAT", stat);
        assertThat(FaceIdentifier.identify(silent).slot().weight()).isEqualTo(Range.of(600));
        Sfnt light = face(300, 0, false, Map.of(1, "Harrow", 2, "Regular")).with("STAT", stat);
        FaceIdentity identity = FaceIdentifier.identify(light);
        assertThat(identity.slot().weight()).isEqualTo(Range.of(300));
        assertThat(identity.conflicts()).extracting(Evidence::source).contains("STAT wght", "STAT wdth");
    }

    @Test
    void aStyleAtTheEndOfAFamilyNameGoesOnlyWhenTheTablesConfirmIt() {
        Sfnt light = face(300, 0, false, Map.of(1, "Harrow Light", 2, "Regular"));
        assertThat(FaceIdentifier.identify(light).family()).isEqualTo("Harrow");
        Sfnt black = face(400, 0, false, Map.of(1, "Harrow Black", 2, "Regular"));
        assertThat(FaceIdentifier.identify(black).family()).isEqualTo("Harrow Black");
        assertThat(FaceIdentifier.identify(black).conflicts()).isNotEmpty();
        Sfnt narrow = face(300, 0, false, Map.of(1, "Harrow Condensed Light", 2, "Regular"));
        assertThat(FaceIdentifier.identify(narrow).family()).isEqualTo("Harrow Condensed");
        Sfnt onlyStyle = face(700, 1 << 5, true, Map.of(1, "Bold", 2, "Bold"));
        assertThat(FaceIdentifier.identify(onlyStyle).family()).isEqualTo("Bold");
    }

    @Test
    void italicComesFromTheStyleBitsAndAConflictIsEvidence() {
        Sfnt italic = face(400, 1, false, Map.of(1, "Harrow", 2, "Italic"));
        assertThat(FaceIdentifier.identify(italic).slot().slope()).isEqualTo(Slope.ITALIC);
        Sfnt named = face(400, 0, false, Map.of(1, "Harrow", 2, "Italic"));
        FaceIdentity identity = FaceIdentifier.identify(named);
        assertThat(identity.slot().slope()).isEqualTo(Slope.UPRIGHT);
        assertThat(identity.conflicts()).contains(new Evidence("style name", "Italic", false, "upright"));
    }

    @Test
    void aConflictSaysWhatWasSettledOnInstead() {
        Sfnt condensed = face(600, 0, false, Map.of(1, "Harrow Condensed", 2, "Bold"));
        assertThat(FaceIdentifier.identify(condensed).conflicts())
                .contains(
                        new Evidence("style name", "Condensed Bold (weight 700)", false, "weight 600"),
                        new Evidence("style name", "Condensed Bold (width 75 %)", false, "width 100 %"));
        Sfnt shortened = face(400, 0, false, Map.of(16, "Harrow Northern", 1, "Harrow Nth", 2, "Regular"));
        assertThat(FaceIdentifier.identify(shortened).conflicts())
                .containsExactly(new Evidence("name 1", "Harrow Nth", false, "Harrow Northern"));
    }

    @ParameterizedTest
    @CsvSource({
        // names 16, 17, 21, 22; settled family and subfamily
        "Harrow, Display Bold, Harrow Display, Bold, Harrow Display, Bold",
        "Harrow, Display Bold, , , Harrow Display, Display Bold",
        "Harrow Display, Display Bold, , , Harrow Display, Display Bold",
        "Harrow, Caption Semibold Italic, , , Harrow Caption, Caption Semibold Italic",
        "Harrow, 08 Bold, , , Harrow 08, 08 Bold",
        "Harrow, 36pt Bold, , , Harrow 36pt, 36pt Bold",
        // Weight 7, width 5: numbers of a style, not a size.
        "Harrow, 75 Bold, , , Harrow, 75 Bold",
        "Harrow, Bold, , , Harrow, Bold",
        "Harrow, Inline Bold, Harrow Inline, Bold, Harrow Inline, Bold",
        "Harrow, Bold, , Bold, Harrow, Bold"
    })
    void stylesBesidesWeightWidthAndSlopeAreFamiliesOfTheirOwn(
            String typographic, String style, String wws, String wwsStyle, String family, String subfamily) {
        Map<Integer, String> names = new TreeMap<>(Map.of(1, "Harrow", 2, "Regular", 16, typographic, 17, style));
        if (wws != null) {
            names.put(21, wws);
        }
        if (wwsStyle != null) {
            names.put(22, wwsStyle);
        }
        FaceIdentity identity = FaceIdentifier.identify(face(700, 1 << 5, true, names));
        assertThat(identity.family()).isEqualTo(family);
        assertThat(identity.subfamily()).isEqualTo(subfamily);
        assertThat(identity.slot().weight()).isEqualTo(Range.of(700));
    }

    @Test
    void anAxisValueOfAnUnknownFormatIsPassedOver() {
        byte[] stat = new ByteSink()
                .u32(0x00010001)
                .u16(8)
                .u16(1)
                .u32(20)
                .u16(2)
                .u32(28)
                .u16(2)
                .tag("wght")
                .u16(256)
                .u16(0)
                .u16(4)
                .u16(6)
                .u16(9)
                .u16(1)
                .u16(0)
                .u16(0)
                .u16(258)
                .u32(600 << 16)
                .toArray();
        Sfnt face = face(0, 0, false, Map.of(1, "Harrow", 2, "Regular")).with("STAT", stat);
        assertThat(FaceIdentifier.identify(face).slot().weight()).isEqualTo(Range.of(600));
    }

    @ParameterizedTest
    @CsvSource({
        "SemiBold Italic, 600, , ITALIC",
        "Extra Light, 200, , ",
        "Ultra-Condensed Black Oblique, 900, 50, OBLIQUE",
        "Semi Condensed Demi Bold, 600, 87.5, ",
        "Demi Oblique, 600, , OBLIQUE",
        "DemiItalic, 600, , ITALIC",
        "Book, 400, , ",
        "Sonnet, , , "
    })
    void readsStyleNames(String style, Integer weight, Double width, Slope slope) {
        StyleNames.Said said = StyleNames.read(style);
        assertThat(said.weight().orElse(null)).isEqualTo(weight);
        assertThat(said.width().orElse(null)).isEqualTo(width);
        assertThat(said.slope().orElse(null)).isEqualTo(slope);
    }

    @Test
    void slotsAreNamedAsPeopleSayThem() {
        assertThat(Slot.of(400, 100, Slope.ITALIC).label()).isEqualTo("Italic");
        assertThat(Slot.of(800, 75, Slope.UPRIGHT).label()).isEqualTo("Condensed Extra Bold");
        assertThat(new Slot(new Range(100, 900), Range.of(100), Slope.UPRIGHT).label())
                .isEqualTo("Thin to Black");
        assertThat(Slot.of(700, 100, Slope.ITALIC).key()).isEqualTo("700-100-italic");
        assertThat(new Slot(new Range(100, 900), Range.of(100), Slope.UPRIGHT).serves(Slot.of(437, 100, Slope.UPRIGHT)))
                .isTrue();
    }

    /** A face with just the tables that identity is read from. */
    private static Sfnt face(int weightClass, int fsSelection, boolean macBold, Map<Integer, String> names) {
        Sfnt real = FontReader.read(RealFonts.small()).faces().get(0);
        byte[] os2 = real.require("OS/2").toArray();
        os2[4] = (byte) (weightClass >> 8);
        os2[5] = (byte) weightClass;
        os2[6] = 0;
        os2[7] = 5;
        os2[62] = (byte) (fsSelection >> 8);
        os2[63] = (byte) fsSelection;
        byte[] head = real.require("head").toArray();
        head[44] = 0;
        head[45] = (byte) (macBold ? 1 : 0);
        byte[] post = real.require("post").toArray();
        post[4] = post[5] = post[6] = post[7] = 0;
        ByteSink records = new ByteSink();
        ByteSink storage = new ByteSink();
        new TreeMap<>(names).forEach((id, text) -> {
            byte[] bytes = text.getBytes(StandardCharsets.UTF_16BE);
            records.u16(3).u16(1).u16(0x409).u16(id).u16(bytes.length).u16(storage.size());
            storage.bytes(bytes);
        });
        ByteSink name = new ByteSink()
                .u16(0)
                .u16(names.size())
                .u16(6 + 12 * names.size())
                .bytes(records)
                .bytes(storage);
        return real.with("OS/2", os2).with("head", head).with("post", post).with("name", name.toArray());
    }
}
