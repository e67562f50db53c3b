package app.unciala.core.page;

import app.unciala.core.page.Resources.Resource;
import java.util.List;
import java.util.Optional;

/** A page that was read: its runs of text, and what was found wrong on the way. */
public final class PageReading {
    private final String url;
    private final Resource answer;
    private final List<Run> runs;
    private final List<PageFinding> findings;

    PageReading(
            String url,
            Resource answer,
            List<Run> runs,
            PageDocument document,
            PageFaces faces,
            PageFonts fonts,
            List<Resource> sheets,
            boolean givenUp) {
        this.url = url;
        this.answer = answer;
        this.runs = List.copyOf(runs);
        findings = PageFindings.find(answer.url(), runs, document, faces, fonts, sheets, givenUp);
    }

    private PageReading(String url, Resource answer) {
        this.url = url;
        this.answer = answer;
        runs = List.of();
        findings = List.of(PageFinding.of(
                PageFinding.Kind.UNREACHABLE, "The page cannot be read: " + answer.why() + ".", Optional.empty()));
    }

    static PageReading failed(String url, Resource answer) {
        return new PageReading(url, answer);
    }

    /** The address that was asked for. */
    public String url() {
        return url;
    }

    public boolean isRead() {
        return answer.isFound();
    }

    /** Why it could not be read, in words. */
    public String why() {
        return answer.why();
    }

    /** In the order of the page. */
    public List<Run> runs() {
        return runs;
    }

    /** The graver ones first. */
    public List<PageFinding> findings() {
        return findings;
    }
}
