package app.unciala.font.face;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.file.FontReader;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.HeadTable;
import app.unciala.font.table.Os2Table;
import app.unciala.font.table.PostTable;
import app.unciala.font.testing.BuiltAxes;
import app.unciala.font.testing.BuiltNames;
import app.unciala.font.testing.BuiltTable;
import app.unciala.testing.RealFonts;
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
        Sfnt face = face(
                weightClass,
                bold ? Os2Table.BOLD : 0,
                bold,
                Map.of(1, "Harrow", 2, "Regular", 16, "Harrow", 17, style));
        FaceIdentity identity = FaceIdentifier.identify(face);
        assertThat(identity.slot().weight()).isEqualTo(Range.of(weight));
        assertThat(identity.family()).isEqualTo("Harrow");
    }

    @Test
    void statStandsInWhereOs2SaysNothingAndIsEvidenceOtherwise() {
        byte[] stat = BuiltAxes.stat(
                        new String[] {"wght", "wdth"}, BuiltAxes.value(0, 258, 600), BuiltAxes.combination(1, 259, 75))
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
        BuiltTable unknown = BuiltTable.of(9);
        byte[] stat = BuiltAxes.stat(new String[] {"wght"}, unknown, BuiltAxes.value(0, 258, 600))
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
        ByteSink os2 = new ByteSink().bytes(real.require("OS/2"));
        os2.putU16(Os2Table.WEIGHT_CLASS, weightClass);
        os2.putU16(Os2Table.WIDTH_CLASS, Os2Table.NORMAL_WIDTH);
        os2.putU16(Os2Table.FS_SELECTION, fsSelection);
        ByteSink head = new ByteSink().bytes(real.require("head"));
        head.putU16(HeadTable.MAC_STYLE, macBold ? HeadTable.BOLD : 0);
        ByteSink post = new ByteSink().bytes(real.require("post"));
        post.putU32(PostTable.ITALIC_ANGLE, 0);
        return real.with("OS/2", os2.toArray())
                .with("head", head.toArray())
                .with("post", post.toArray())
                .with("name", BuiltNames.english(names));
    }
}
