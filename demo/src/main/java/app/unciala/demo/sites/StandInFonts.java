package app.unciala.demo.sites;

import app.unciala.demo.DemoFont;
import app.unciala.font.FontFormat;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;

/** The fonts of the demonstration as hosts serve them. */
final class StandInFonts {
    private static final Map<String, byte[]> MADE = new ConcurrentHashMap<>();

    private StandInFonts() {}

    /** A font as WOFF 2; {@code fileName} such as {@code Ostrel-Bold.ttf}. */
    static byte[] woff2(String fileName) {
        return MADE.computeIfAbsent(fileName, name -> DemoFont.all().stream()
                .filter(font -> font.fileName().equals(name))
                .findFirst()
                .map(font ->
                        FontWriter.write(FontReader.read(font.bytes()).faces().get(0), FontFormat.WOFF2))
                .orElseThrow(() -> new IllegalStateException("there is no font " + name)));
    }
}
