package app.unciala.font.table;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.testing.BuiltNames;
import app.unciala.font.testing.BuiltNames.Name;
import app.unciala.font.testing.BuiltTable;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class NameTableTest {
    private static final int GERMAN = 0x407;

    @Test
    void englishOnWindowsIsPreferredAmongNames() {
        NameTable names = names(
                Name.macintosh(1, "Mac English"),
                Name.windows(GERMAN, 1, "Windows German"),
                Name.english(1, "Windows English"),
                Name.windows(GERMAN, 2, "Fett"),
                Name.macintosh(2, "Bold"));
        assertThat(names.best(1)).contains("Windows English");
        assertThat(names.best(2)).contains("Bold");
        assertThat(names.best(16)).isEmpty();
    }

    @Test
    void macNamesAreInMacRomanAndControlCharactersGo() {
        assertThat(names(Name.macintosh(1, "Caf\u00e9 \u00a9")).best(1)).contains("Caf\u00e9 \u00a9");
        assertThat(names(Name.english(1, "\u0000Harrow\u0007 ")).best(1)).contains("Harrow");
        assertThat(names(Name.english(1, "  ")).best(1)).isEmpty();
    }

    @Test
    void aNameOutsideTheTableIsLeftOut() {
        // Version, count, where the texts begin; records: platform, encoding, language, name, length, offset.
        BuiltTable table = BuiltTable.of(0, 2, 30)
                .u16(3, 1, 0x409, 1, 2, 0)
                .u16(3, 1, 0x409, 2, 400, 0)
                .u16('H');
        NameTable names = NameTable.read(face(table.toArray()));
        assertThat(names.best(1)).contains("H");
        assertThat(names.best(2)).isEmpty();
    }

    @Test
    void whatTheMacintoshPlatformRepeatsGoes() {
        NameTable names = names(Name.macintosh(1, "Harrow"), Name.english(1, "Harrow"), Name.macintosh(2, "Fat"));
        assertThat(names.withoutRepeats().records())
                .extracting(NameTable.NameRecord::text)
                .containsExactly("Harrow", "Fat");
    }

    @Test
    void namesAreReadAsTheyWereWritten() {
        NameTable names =
                names(Name.english(4, "Harrow Bold"), Name.macintosh(4, "Caf\u00e9"), Name.windows(GERMAN, 2, "Fett"));
        assertThat(NameTable.read(face(NameWriter.write(names.records()))).records())
                .containsExactlyInAnyOrderElementsOf(names.records());
    }

    private static NameTable names(Name... all) {
        return NameTable.read(face(BuiltNames.table(all)));
    }

    private static Sfnt face(byte[] name) {
        return new Sfnt(Sfnt.TRUETYPE, Map.of("name", ByteView.of(name, "name")), List.of());
    }
}
