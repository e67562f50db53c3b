package app.unciala.server.family;

import app.unciala.core.face.Embedding;
import app.unciala.core.face.FaceReport;
import app.unciala.core.language.SampleLetters;

/** What a font file says of itself, as far as the inventory keeps it. */
public record FileFacts(
        String subfamily,
        String drawing,
        int glyphs,
        int codePoints,
        String sample,
        String version,
        Embedding.Level embedding) {
    public static FileFacts of(FaceReport report) {
        return new FileFacts(
                report.identity().subfamily(),
                report.drawing(),
                report.glyphs(),
                report.codePoints().length,
                SampleLetters.of(report.codePoints()),
                report.version(),
                report.embedding().level());
    }
}
