package app.unciala.font.sanitizer;

import app.unciala.font.FontException;
import app.unciala.font.Problem;
import app.unciala.font.sfnt.Sfnt;
import java.util.ArrayList;
import java.util.List;

/**
 * The demands of OpenType 1.9 that browsers check before they use a font. A face that fails one is not used at all, and
 * text falls back to another family, so each failure is an {@code ERROR}.
 */
public final class Sanitizer {
    private static final List<String> DRAWINGS = List.of("glyf", "CFF ", "CFF2", "CBDT", "sbix", "SVG ");

    private Sanitizer() {}

    /** What would make a browser refuse the face; empty for a sound one. Tables that are cut short are a problem, too. */
    public static List<Problem> of(Sfnt face) {
        List<Problem> problems = new ArrayList<>();
        if (DRAWINGS.stream().allMatch(tag -> face.table(tag).isEmpty())) {
            problems.add(Problem.refusal("glyf", "is missing, and so is every other table with drawings"));
        }
        face.tables().forEach((tag, table) -> {
            if (table.length() == 0) {
                problems.add(Problem.refusal(tag, "is empty"));
            }
        });
        for (Check check : List.<Check>of(
                HeaderChecks::head,
                HeaderChecks::hhea,
                HeaderChecks::maxp,
                HeaderChecks::os2,
                NameChecks::name,
                NameChecks::post,
                CmapCheck::cmap,
                GaspCheck::gasp,
                KernCheck::kern)) {
            try {
                check.of(face, (table, text) -> problems.add(Problem.refusal(table, text)));
            } catch (FontException e) {
                problems.add(Problem.refusal(e.table(), e.reason()));
            }
        }
        return problems;
    }

    /** One table's check; a table that ends too early shows by itself. */
    private interface Check {
        void of(Sfnt face, Findings findings);
    }
}
