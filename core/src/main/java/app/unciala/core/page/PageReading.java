package app.unciala.core.page;

import app.unciala.core.page.Resources.Resource;
import app.unciala.core.page.RoleTexts.Shown;
import app.unciala.core.page.RoleTexts.Styles;
import java.util.List;
import java.util.Optional;

/** A page that was read: its runs of text, and what was found wrong on the way. */
public final class PageReading {
    private final String url;
    private final Resource answer;
    private final List<Shown> shown;
    private final Optional<PageDocument> document;
    private final Optional<PageFaces> faces;
    private final Styles styles;
    private final List<Run> runs;
    private final List<PageFinding> findings;
    private final String title;
    private final List<String> links;
    private final List<PageRequest> requests;
    private final List<PageContact> contacts;
    private final List<PageFont> used;

    PageReading(
            String url,
            Resource answer,
            List<Shown> shown,
            PageDocument document,
            PageFaces faces,
            Styles styles,
            PageFonts fonts,
            List<Resource> sheets,
            OwnHosts own,
            boolean givenUp) {
        this.url = url;
        this.answer = answer;
        this.shown = List.copyOf(shown);
        this.document = Optional.of(document);
        this.faces = Optional.of(faces);
        this.styles = styles;
        runs = shown.stream().map(Shown::run).toList();
        title = document.title();
        links = document.links();
        requests = PageRequest.of(sheets, fonts.all());
        contacts = document.contacts();
        used = PageFont.of(fonts.all());
        findings = PageFindings.find(answer.url(), runs, document, faces, fonts, sheets, own, givenUp);
    }

    private PageReading(String url, Resource answer) {
        this.url = url;
        this.answer = answer;
        shown = List.of();
        document = Optional.empty();
        faces = Optional.empty();
        styles = (element, winning) -> {
            throw new IllegalStateException("no page");
        };
        runs = List.of();
        title = "";
        links = List.of();
        requests = List.of();
        contacts = List.of();
        used = List.of();
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
    PageDocument document() {
        return document.orElseThrow();
    }

    Styles styles() {
        return styles;
    }

    PageFaces faces() {
        return faces.orElseThrow();
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
