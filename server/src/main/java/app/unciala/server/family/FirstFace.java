package app.unciala.server.family;

import app.unciala.font.FontException;
import app.unciala.font.file.FontReader;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.server.fault.Fault;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;

/** The face of a stored font, which is the first where a file holds several. */
final class FirstFace {
    private FirstFace() {}

    static Sfnt of(Path font) {
        try {
            return FontReader.read(Files.readAllBytes(font)).faces().get(0);
        } catch (FontException e) {
            throw Fault.invalid("This file cannot be read as a font: " + e.getMessage() + ".");
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }
}
