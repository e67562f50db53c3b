package app.unciala.core.page;

import app.unciala.core.css.cascade.PageSheets;
import app.unciala.core.page.Resources.Resource;
import app.unciala.core.page.RoleTexts.Shown;
import java.util.List;
import java.util.Optional;

/** A page that was read: its runs of text, and what was found wrong on the way. */
public final class PageReading {
    private final String url;
    private final Resource answer;
    private final List<Shown> shown;
    private final Optional<AsRead> asRead;
    private final List<Run> runs;
    private final List<PageFinding> findings;
    private final String title;
    private final List<String> links;
    private final List<PageRequest> requests;
    private final List<PageContact> contacts;
    private final List<PageFont> used;

    /** What a page was read from, so that it can be tried with other style sheets. */
    record AsRead(PageDocument document, PageSheets sheets, Painting painting) {}

    PageReading(
            String url,
            Resource answer,
            AsRead asRead,
            PageFonts fonts,
            List<PageFinding> findings,
            List<Resource> sheets) {
        this.url = url;
        this.answer = answer;
        this.asRead = Optional.of(asRead);
        this.findings = findings;
        shown = List.copyOf(asRead.painting().shown());
        runs = shown.stream().map(Shown::run).toList();
        title = asRead.document().title();
        links = asRead.document().links();
        requests = PageRequest.of(sheets, fonts.all());
        contacts = asRead.document().contacts();
        used = PageFont.of(fonts.all());
    }

    private PageReading(String url, Resource answer) {
        this.url = url;
        this.answer = answer;
        shown = List.of();
        asRead = Optional.empty();
        runs = List.of();
        title = "";
        links = List.of();
        requests = List.of();
        contacts = List.of();
        used = List.of();
        findings = List.of(PageFinding.of(
                PageFinding.Kind.UNREACHABLE, "The page cannot be read: " + answer.why() + ".", Optional.empty()));
    }

    /** A page of which nothing is known but why. */
    public static PageReading failed(String url, Resource answer) {
        return new PageReading(url, answer);
    }

    /** The address that was asked for. */
    public String url() {
        return url;
    }

    /** The address at the end of all redirects. */
    public String at() {
        return answer.url();
    }

    /** The media type that it is sent as, empty when none is said. */
    public String mediaType() {
        return answer.mediaType();
    }

    /** What the page calls itself, empty if it does not. */
    public String title() {
        return title;
    }

    /** The addresses that it leads to, each once, without their fragments. */
    public List<String> links() {
        return links;
    }

    /** The style sheets and fonts that showing it asks for, in the order of asking. */
    public List<PageRequest> requests() {
        return requests;
    }

    /** Hosts that it gets in touch with by links and scripts, those of the site among them. */
    public List<PageContact> contacts() {
        return contacts;
    }

    /** The fonts that could be used, each address once. */
    public List<PageFont> fonts() {
        return used;
    }

    /** Whether there was any answer, be it that there is no such page. */
    public boolean isAnswered() {
        return answer.status() != 0;
    }

    public boolean isRead() {
        return answer.isFound();
    }

    /** Why it could not be read, in words. */
    public String why() {
        return answer.why();
    }

    /** What came from the address. */
    Resource answer() {
        return answer;
    }

    List<Shown> shown() {
        return shown;
    }

    /** Of a page that was read. */
    AsRead asRead() {
        return asRead.orElseThrow();
    }

    PageFaces faces() {
        return asRead().painting().faces();
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
