package app.unciala.core.page;

import app.unciala.core.page.PageFinding.Kind;
import app.unciala.core.page.Resources.Resource;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** Gathers what is wrong with the fonts of a page. */
final class PageFindings {
    private PageFindings() {}

    static List<PageFinding> find(
            String page,
            List<Run> runs,
            PageDocument document,
            PageFaces faces,
            PageFonts fonts,
            List<Resource> sheets,
            OwnHosts own,
            boolean givenUp) {
        Stream<PageFinding> gaveUp = givenUp || document.isCut()
                ? Stream.of(PageFinding.of(
                        Kind.GIVEN_UP,
                        "The page has more elements, rules or slow selectors than are read; what is said of the rest of it"
                                + " is not known to be true.",
                        Optional.empty()))
                : Stream.empty();
        return Stream.of(
                        RunFindings.find(runs, faces),
                        FileFindings.find(page, faces, fonts, document, runs, own),
                        SheetFindings.find(page, sheets, own),
                        ContactFindings.find(page, document.contacts(), own),
                        gaveUp)
                .flatMap(found -> found)
                .distinct()
                .sorted(Comparator.comparing(
                        (PageFinding finding) -> finding.kind().severity()))
                .toList();
    }
}
