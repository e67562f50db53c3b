package app.unciala.core.pack;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.css.TextRole;
import app.unciala.core.face.Range;
import app.unciala.core.face.Slope;
import app.unciala.core.face.Slot;
import app.unciala.core.pack.Pack.Entry;
import app.unciala.core.pack.PackRequest.Face;
import app.unciala.core.pack.PackRequest.Role;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import org.junit.jupiter.api.Test;

class PackWriterTest {
    private static final Slot BOLD = Slot.of(700, 100, Slope.UPRIGHT);
    private static final Slot VARIABLE = new Slot(new Range(100, 900), new Range(75, 100), Slope.ITALIC);

    @Test
    void holdsFontsStyleSheetSpecimenAndLicenses() {
        Pack pack = PackWriter.write(request("Harrow & Sons \"*/"));
        assertThat(pack.entries())
                .extracting(Entry::path)
                .hasSize(5)
                .contains("type.css", "specimen.html", "LICENSES.txt");
        String css = text(pack, "type.css");
        String bold = pack.entries().get(0).path();
        assertThat(bold).matches("fonts/harrow-sons-700\\.[0-9a-f]{8}\\.woff2");
        assertThat(css)
                .contains("src: url(\"" + bold + "\") format(\"woff2\");")
                .contains("font-weight: 100 900;")
                .contains("font-stretch: 75% 100%;")
                .contains("--type-headings: \"Harrow & Sons \\\"*/\", \"Georgia\", \"Times New Roman\", serif;")
                .contains("h2, h3, h4, h5, h6,\n.type-headings {");
        assertThat(text(pack, "specimen.html")).contains("Harrow &amp; Sons").doesNotContain("Sons \"*/");
        assertThat(text(pack, "LICENSES.txt")).contains("Bold: The license");
    }

    @Test
    void isTheSameForTheSameRequest() {
        assertThat(PackWriter.write(request("Harrow")).zip())
                .isEqualTo(PackWriter.write(request("Harrow")).zip());
    }

    private static PackRequest request(String family) {
        return new PackRequest(
                "Client",
                List.of("client.example"),
                LocalDate.of(2030, 5, 10),
                List.of(new Role(TextRole.HEADINGS, family, BOLD, GenericFamily.SERIF)),
                List.of(
                        new Face(family, BOLD, new byte[] {1}, "The license"),
                        new Face(family, VARIABLE, new byte[] {2}, "The license")));
    }

    private static String text(Pack pack, String path) {
        return pack.entries().stream()
                .filter(entry -> entry.path().equals(path))
                .map(entry -> new String(entry.bytes(), StandardCharsets.UTF_8))
                .findFirst()
                .orElseThrow();
    }
}
