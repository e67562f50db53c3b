package app.unciala.font.face;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.file.FontReader;
import app.unciala.font.report.FaceReport;
import app.unciala.testing.RealFonts;
import java.util.List;
import java.util.Random;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class FontVersionTest {
    @ParameterizedTest
    @CsvSource({
        "Version 1.1, Version 1.023, 1",
        "Version 1.100, Version 1.1, 0",
        "Version 2, Version 1.999, 1",
        "1.5;tool 9, Version 1.6, -1",
        "not stated, Version 1.6, 0",
        "'', '', 0",
    })
    void versionsAreFixedPointNumbers(String a, String b, int expected) {
        assertThat(Integer.signum(FontVersion.compare(a, b))).isEqualTo(expected);
        assertThat(Integer.signum(FontVersion.compare(b, a))).isEqualTo(-expected);
    }

    @ParameterizedTest
    @CsvSource({
        "Version 1.023;hotconv 1.0.109, 1.023",
        "Version 003.010, 003.010",
        "v12, 12",
        "'', not stated",
        "beta, not stated",
    })
    void theFigureIsAsItStands(String version, String figure) {
        assertThat(FontVersion.figure(version)).isEqualTo(figure);
    }

    @Test
    void statedVersionsAreInOneOrderWhateverTheyAreComparedWith() {
        Random random = new Random(9);
        List<String> versions = random.ints(60, 0, 5000)
                .mapToObj(number -> "Version " + number / 1000 + "." + String.format("%03d", number % 1000))
                .toList();
        for (String a : versions) {
            for (String b : versions) {
                assertThat(Integer.signum(FontVersion.compare(a, b)))
                        .isEqualTo(-Integer.signum(FontVersion.compare(b, a)));
                for (String c : versions.subList(0, 12)) {
                    if (FontVersion.compare(a, b) > 0 && FontVersion.compare(b, c) > 0) {
                        assertThat(FontVersion.compare(a, c)).isPositive();
                    }
                }
            }
        }
    }

    @Test
    void everyRealFontStatesOne() {
        RealFonts.all().forEach(path -> {
            String version = FaceReport.of(
                            FontReader.read(RealFonts.bytes(path)).faces().get(0))
                    .version();
            assertThat(FontVersion.figure(version)).as(path + ": " + version).matches("\\d.*");
        });
    }
}
