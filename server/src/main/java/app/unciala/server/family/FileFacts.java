package app.unciala.server.family;

import app.unciala.font.drawing.Sketch;
import app.unciala.font.face.Classification;
import app.unciala.font.face.Embedding;
import app.unciala.font.face.UseMarks.Mark;
import app.unciala.font.language.LanguageCoverage;
import app.unciala.font.language.SampleLetters;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import java.util.List;
import java.util.Optional;

/**
 * What a font file says of itself, as far as the inventory keeps it; {@code subfamily} is what its foundry calls the style,
 * {@code languages} are the tags of those it covers.
 */
public record FileFacts(
        String subfamily,
        String drawing,
        Sketch sketch,
        int glyphs,
        int codePoints,
        String sample,
        String version,
        Embedding.Level embedding,
        String foundry,
        Optional<Classification> classification,
        Optional<Mark> mark,
        List<String> languages) {
    public static FileFacts of(Sfnt face, FaceReport report) {
        return new FileFacts(
                report.identity().subfamily(),
                report.drawing(),
                Sketch.of(face),
                report.glyphs(),
                report.codePoints().length,
                SampleLetters.of(report.codePoints()),
                report.version(),
                report.embedding().level(),
                FaceReport.foundryOf(face),
                Classification.propose(face).map(Classification.Proposal::classification),
                report.details().marks().stream().findFirst(),
                LanguageCoverage.covered(report.codePoints()));
    }
}
