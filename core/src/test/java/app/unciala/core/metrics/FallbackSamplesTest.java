package app.unciala.core.metrics;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontFormat;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.testing.RealFonts;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;

/** Writes a font with the stand-in made for it; e2e/tests/engine.spec.ts sets text in both and compares the widths. */
class FallbackSamplesTest {
    private static final Path FOLDER = Path.of("target", "samples");

    @Test
    void aFallbackForTheOpenTwinOfArial() throws Exception {
        Sfnt lato = FontReader.read(RealFonts.bytes(RealFonts.named("Lato-Regular.ttf")))
                .faces()
                .get(0);
        write("fallback-font.woff2", FontWriter.write(lato, FontFormat.WOFF2));
        write("fallback-stand.ttf", RealFonts.bytes(RealFonts.named("LiberationSans-Regular.ttf")));
        String css = FallbackMetrics.of(lato, SystemFace.named("Arial").get(0)).css("Stand");
        assertThat(css).contains("local(\"Arial\")");
        write("fallback.css", css.getBytes(UTF_8));
    }

    private static void write(String name, byte[] bytes) throws IOException {
        Files.write(Files.createDirectories(FOLDER).resolve(name), bytes);
    }
}
