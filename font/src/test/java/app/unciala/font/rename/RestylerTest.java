package app.unciala.font.rename;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.face.FaceIdentifier;
import app.unciala.font.face.FaceIdentity;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.font.file.FontReader;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.NameTable;
import app.unciala.testing.RealFonts;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** The bits of head and OS/2 and name 2 say the same of bold and italic, as OpenType asks. */
class RestylerTest {
    @ParameterizedTest
    @CsvSource({
        "400, 100, UPRIGHT, Harrow, Regular",
        "700, 100, UPRIGHT, Harrow, Bold",
        "700, 100, ITALIC, Harrow, Bold Italic",
        "400, 100, OBLIQUE, Harrow, Italic",
        "600, 100, UPRIGHT, Harrow Semi Bold, Regular",
        "700, 75, UPRIGHT, Harrow Condensed Bold, Regular",
        "700, 75, ITALIC, Harrow Condensed Bold, Italic",
        "900, 125, UPRIGHT, Harrow Expanded Black, Regular"
    })
    void stylesAgreeEverywhere(double weight, double width, Slope slope, String family, String style) {
        Sfnt real = FontReader.read(RealFonts.small()).faces().get(0);
        Sfnt face = Restyler.place(real, "Harrow", Slot.of(weight, width, slope), slope == Slope.UPRIGHT ? 0 : -10);
        NameTable names = NameTable.read(face);
        assertThat(names.best(NameTable.FAMILY)).contains(family);
        assertThat(names.best(NameTable.SUBFAMILY)).contains(style);
        boolean bold = style.contains("Bold");
        boolean italic = style.contains("Italic");
        int selection = face.require("OS/2").u16(62);
        int mac = face.require("head").u16(44);
        assertThat((selection & 1 << 5) != 0).as("fsSelection bold").isEqualTo(bold);
        assertThat((mac & 1) != 0).as("macStyle bold").isEqualTo(bold);
        assertThat((selection & 1) != 0).as("fsSelection italic").isEqualTo(italic);
        assertThat((mac & 2) != 0).as("macStyle italic").isEqualTo(italic);
        assertThat((selection & 1 << 6) != 0).as("fsSelection regular").isEqualTo(!bold && !italic);
        FaceIdentity identity = FaceIdentifier.identify(face);
        assertThat(identity.family()).isEqualTo("Harrow");
        assertThat(identity.slot()).isEqualTo(Slot.of(weight, width, slope));
    }
}
