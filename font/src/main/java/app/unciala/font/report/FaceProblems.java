package app.unciala.font.report;

import app.unciala.font.Problem;
import app.unciala.font.Problem.Severity;
import app.unciala.font.face.Evidence;
import app.unciala.font.face.FaceIdentity;
import app.unciala.font.layout.LayoutFeatures;
import app.unciala.font.metrics.VerticalMetrics;
import app.unciala.font.outline.Outlines;
import app.unciala.font.sanitizer.Sanitizer;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.HheaTable;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/** What is wrong with a face, worst first. */
final class FaceProblems {
    private static final int LONGEST_FAMILY = 100;

    private final Sfnt face;
    private final List<Problem> problems = new ArrayList<>();

    private FaceProblems(Sfnt face) {
        this.face = face;
        problems.addAll(face.problems());
    }

    static List<Problem> of(Sfnt face, FaceIdentity identity, CmapTable cmap, Outlines outlines, FaceDetails details) {
        FaceProblems work = new FaceProblems(face);
        work.identity(identity);
        work.problems.addAll(Sanitizer.of(face));
        work.problems.addAll(outlines.problems());
        work.problems.addAll(LayoutFeatures.problems(face));
        if (cmap.size() == 0) {
            work.add(Severity.ERROR, "cmap", "maps no characters, so no text can be set");
        }
        work.metrics(details.metrics());
        details.cutDown().forEach(sign -> work.add(Severity.NOTE, "cmap", "looks cut down: " + sign));
        details.marks()
                .forEach(mark ->
                        work.add(Severity.WARNING, mark.source(), mark.kind().words() + ": “" + mark.text() + "”"));
        work.problems.sort(Comparator.comparing(Problem::severity).reversed());
        return work.problems;
    }

    private void identity(FaceIdentity identity) {
        for (Evidence conflict : identity.conflicts()) {
            add(Severity.WARNING, conflict.source(), "says " + conflict.says() + ", against " + conflict.settled());
        }
        int length = identity.family().length();
        if (length > LONGEST_FAMILY) {
            add(Severity.WARNING, "name", "has a family name of " + length + " characters");
        }
    }

    private void metrics(VerticalMetrics metrics) {
        HheaTable hhea = HheaTable.read(face);
        if (hhea.ascender() == 0 && hhea.descender() == 0) {
            add(Severity.WARNING, "hhea", "gives no ascender or descender");
        }
        if (!metrics.agree()) {
            add(Severity.NOTE, "OS/2", "and hhea disagree, so lines are not equally high on every system");
        }
    }

    private void add(Severity severity, String table, String text) {
        problems.add(new Problem(severity, table, text));
    }
}
