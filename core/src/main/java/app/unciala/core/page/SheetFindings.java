package app.unciala.core.page;

import app.unciala.core.page.PageFinding.Kind;
import app.unciala.core.page.Resources.Resource;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** The way to the style sheets of a page. */
final class SheetFindings {
    private SheetFindings() {}

    static Stream<PageFinding> find(String page, List<Resource> sheets, OwnHosts own) {
        List<PageFinding> found = new ArrayList<>();
        for (Resource sheet : sheets) {
            if (!sheet.isFound()) {
                boolean mixed = Addresses.isMixed(page, sheet.url());
                found.add(PageFinding.of(
                        mixed ? Kind.MIXED_CONTENT : Kind.UNREACHABLE,
                        "The style sheet at " + sheet.url() + " cannot be used: " + sheet.why() + ".",
                        Optional.empty()));
            } else if (!sheet.mediaType().isEmpty() && !sheet.mediaType().equals("text/css")) {
                found.add(PageFinding.of(
                        Kind.NOT_A_STYLE_SHEET,
                        "The style sheet at " + sheet.url() + " is sent as " + sheet.mediaType()
                                + ", and browsers do not use it.",
                        Optional.of("Content-Type: text/css")));
            }
            ContactFindings.fetched(page, sheet.url(), "style sheet", own).ifPresent(found::add);
        }
        return found.stream();
    }
}
