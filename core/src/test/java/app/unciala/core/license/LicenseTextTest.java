package app.unciala.core.license;

import static org.assertj.core.api.Assertions.assertThat;
import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertTrue;

import app.unciala.font.file.FontReader;
import app.unciala.font.report.FaceReport;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/** Real fonts and the copyright files of their Debian packages; the sentences here are our own. */
class LicenseTextTest {
    @ParameterizedTest
    @CsvSource({
        "truetype/lato/Lato-Regular.ttf, OFL-1.1",
        "opentype/cantarell/Cantarell-Regular.otf, OFL-1.1",
        "truetype/gentium/Gentium-R.ttf, OFL-1.1",
        "truetype/open-sans/OpenSans-Regular.ttf, Apache-2.0",
        "truetype/dejavu/DejaVuSans.ttf, Bitstream-Vera",
        "truetype/lohit-devanagari/Lohit-Devanagari.ttf, OFL-1.1",
    })
    void aFontsOwnRecordsNameItsLicense(String font, String spdx) throws IOException {
        Path file = Path.of("/usr/share/fonts").resolve(font);
        Optional<String> found = FontReader.read(Files.readAllBytes(file)).faces().stream()
                .map(FaceReport::of)
                .flatMap(face -> LicenseText.recognize(face.license(), face.licenseUrl()).stream())
                .map(recognized -> recognized.license().spdx())
                .findFirst();
        assertEquals(Optional.of(spdx), found);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "This Font Software is licensed under the SIL Open Font License, Version 1.1.|OFL-1.1",
                "SIL OPEN FONT LICENSE Version 1.1 - 26 February 2007|OFL-1.1",
                "SIL Open Font License v1.0|OFL-1.0",
                "Licensed under the Apache License, Version 2.0|Apache-2.0",
                "UBUNTU FONT LICENCE Version 1.0|Ubuntu-font-1.0",
                "To the public domain by CC0 1.0|CC0-1.0",
                "Creative Commons Attribution-ShareAlike 4.0 International|CC-BY-SA-4.0",
                "Creative Commons Attribution 4.0 International|CC-BY-4.0",
                "GNU General Public License, version 3, with font exception|GPL-3.0-or-later WITH Font-exception-2.0",
                "GPLv2 of the GNU General Public License with font exception|GPL-2.0-or-later WITH Font-exception-2.0",
                "GNU General Public License version 3|GPL-3.0-or-later",
                "GNU General Public License version 2|GPL-2.0-or-later",
                "Released under the MIT License|MIT",
                "LaTeX Project Public License, version 1.3c|LPPL-1.3c",
            })
    void aTextIsRecognizedByItsTitleWhateverItsLines(String text, String spdx) {
        assertEquals(spdx, LicenseText.recognize(text).orElseThrow().license().spdx());
    }

    @Test
    void theFirstOneNamedCounts() {
        String text =
                "SIL Open Font License, Version 1.1. The build scripts are under the Apache License, Version 2.0.";
        assertEquals(
                OpenLicense.OFL_1_1, LicenseText.recognize(text).orElseThrow().license());
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Desktop license. You may install the font on five computers.",
                "Free for personal use only.",
                "This is a license agreement between you and the foundry. It is not an open font license.",
                "General terms for the public",
            })
    void noOtherTextIsTakenForAnOpenLicense(String text) {
        assertEquals(Optional.empty(), LicenseText.recognize(text));
        assertEquals(Optional.empty(), LicenseText.recognize(text, "https://foundry.example/eula"));
    }

    @Test
    void anAddressAloneIsEnoughForAFont() {
        assertEquals(
                "OFL-1.1",
                LicenseText.recognize("", "https://openfontlicense.org")
                        .orElseThrow()
                        .license()
                        .spdx());
        assertEquals(
                "Apache-2.0",
                LicenseText.recognize("See the address.", "http://www.apache.org/licenses/LICENSE-2.0.html")
                        .orElseThrow()
                        .license()
                        .spdx());
    }

    @ParameterizedTest
    @CsvSource({
        "https://www.gnu.org/licenses/gpl-2.0.html, GPL-2.0-or-later",
        "http://www.gnu.org/licenses/old-licenses/gpl-2.0.txt, GPL-2.0-or-later",
        "https://www.gnu.org/licenses/gpl-3.0.html, GPL-3.0-or-later",
        "http://www.gnu.org/licenses/gpl.html, GPL-3.0-or-later",
        "http://www.gnu.org/licenses/gpl, GPL-3.0-or-later"
    })
    void versionsOfOneLicenseAreToldApartByTheirAddresses(String address, String spdx) {
        assertThat(LicenseText.recognize("", address).orElseThrow().license().spdx())
                .isEqualTo(spdx);
    }

    @Test
    void theQuoteIsOfTheTextAndShort() {
        String text = "x".repeat(500) + " under the SIL Open Font License, Version 1.1. " + "y".repeat(500);
        String quote = LicenseText.recognize(text).orElseThrow().quote();
        assertTrue(quote.contains("SIL Open Font License, Version 1.1"), quote);
        assertTrue(quote.length() < 250, quote);
    }

    @Test
    void reservedNamesAreReadWhereTheyAreNamed() {
        assertEquals(
                List.of("Marl", "Marl Text"),
                LicenseText.reservedNames(
                        "Copyright 2030 the authors, with Reserved Font Name \"Marl\" and “Marl Text”."));
        assertEquals(List.of("Ostrel"), LicenseText.reservedNames("with Reserved Font Name Ostrel.\n\nMore text"));
        assertEquals(List.of(), LicenseText.reservedNames("a font with Reserved Font Names or not"));
        assertEquals(List.of(), LicenseText.reservedNames("no names here"));
    }

    @Test
    void everyLicenseIsFoundByItsIdentifier() {
        Set<String> identifiers = new HashSet<>();
        for (OpenLicense license : OpenLicense.values()) {
            assertTrue(identifiers.add(license.spdx()));
            assertEquals(Optional.of(license), OpenLicense.ofSpdx(license.spdx().toLowerCase(Locale.ROOT)));
        }
        assertEquals(Optional.empty(), OpenLicense.ofSpdx("none"));
    }

    @Test
    void aLongHostileTextIsReadInABoundedTime() {
        String text = "general public license font ".repeat(200_000);
        assertEquals(Optional.empty(), LicenseText.recognize(text));
        char[] quotes = new char[1_000_000];
        Arrays.fill(quotes, '"');
        assertEquals(List.of(), LicenseText.reservedNames("with reserved font name " + new String(quotes)));
    }
}
