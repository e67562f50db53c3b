package app.unciala.core.page;

import app.unciala.core.css.cascade.Cascade;
import app.unciala.core.css.cascade.PageSheets;
import app.unciala.core.css.cascade.PageSheets.FaceRule;
import app.unciala.core.css.cascade.PageSheets.Sheet;
import app.unciala.core.css.cascade.Viewport;
import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.StyleSheetBytes;
import app.unciala.core.page.Overrides.Position;
import app.unciala.core.page.PageDocument.SheetLink;
import app.unciala.core.page.PageReading.AsRead;
import app.unciala.core.page.Resources.Resource;
import app.unciala.core.page.Resources.Use;
import app.unciala.core.page.RoleTexts.Shown;
import app.unciala.font.file.FontFile;
import java.nio.charset.StandardCharsets;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** Reads a page with its style sheets and fonts, as a browser of today would show it in one window. */
public final class PageReader {
    private static final Pattern CHARSET = Pattern.compile("charset\\s*=\\s*\"?([^\";\\s]+)", Pattern.CASE_INSENSITIVE);
    private static final int MOST_SHEETS = 200;
    /** How many bytes of style sheets and fonts are kept parsed from one page to the next. */
    private static final long MOST_KEPT = 100_000_000;

    private final Resources resources;
    private final Viewport viewport;
    private final OwnHosts own;
    private final Map<String, Resource> sheets = new LinkedHashMap<>();
    private final IdentityHashMap<Resource, Sheet> parsed = new IdentityHashMap<>();
    private final IdentityHashMap<Resource, FontFile> opened = new IdentityHashMap<>();

    /** A reader of pages that share style sheets and fonts, which are read once as far as the resources give them once. */
    public PageReader(Resources resources, Viewport viewport) {
        this(resources, viewport, OwnHosts.OF_PAGE);
    }

    /** The same for a site that has hosts of its own besides those of its pages. */
    public PageReader(Resources resources, Viewport viewport, OwnHosts own) {
        this.resources = resources;
        this.viewport = viewport;
        this.own = own;
    }

    /** Reads one page. */
    public static PageReading read(String url, Resources resources, Viewport viewport) {
        return new PageReader(resources, viewport).read(url);
    }

    /** Reads the page at an address; what it says when there is none is the answer that came. */
    public PageReading read(String asked) {
        sheets.clear();
        forgetIfMany();
        Resource answer = resources.get(asked, Use.PAGE);
        if (!answer.isFound()) {
            return PageReading.failed(asked, answer);
        }
        String url = answer.url();
        return read(asked, answer, PageDocument.read(answer.bytes(), charset(answer), url), SeenStyles.NONE);
    }

    /** Reads a page as somebody's browser shows it. */
    public PageReading read(BrowserReading reading) {
        sheets.clear();
        byte[] bytes = reading.document().getBytes(StandardCharsets.UTF_8);
        Resource answer =
                new Resource(reading.page(), 200, Map.of("content-type", "text/html"), bytes, Optional.empty());
        return read(reading.page(), answer, PageDocument.of(reading), SeenStyles.of(reading));
    }

    private PageReading read(String asked, Resource answer, PageDocument document, SeenStyles seen) {
        String url = answer.url();
        PageSheets styles = new PageSheets(viewport, (address, base) -> sheet(address, base, url));
        document.sheets().forEach(link -> add(styles, link, document.base(), url));
        PageFonts fonts = new PageFonts(resources, url, opened);
        PageFaces faces = new PageFaces(styles.faces(), fonts, seen.familiesOfScripts());
        Cascade cascade = new Cascade(styles, viewport, url, document.quirks());
        Painting painting = new Painting(cascade, faces, seen, document.texts());
        List<Resource> asSheets = List.copyOf(sheets.values());
        List<Run> runs = painting.shown().stream().map(Shown::run).toList();
        boolean givenUp = cascade.isSpent() || styles.isCut();
        return new PageReading(
                asked,
                answer,
                new AsRead(document, styles, painting),
                fonts,
                PageFindings.find(url, runs, document, faces, fonts, asSheets, own, givenUp),
                asSheets);
    }

    /**
     * The page that was read last as it would be with a style sheet after its own; only of one that could be read. Nothing is
     * found wrong with it.
     */
    public PageReading with(TriedSheet sheet, PageReading reading) {
        AsRead page = reading.asRead();
        PageSheets more = page.sheets().more(Sheet.of(reading.at(), sheet.css()), false);
        PageFonts fonts = new PageFonts(sheet.over(resources), reading.at(), opened);
        List<FaceRule> rules = Stream.concat(page.sheets().faces().stream(), more.faces().stream())
                .toList();
        Painting painting = page.painting().with(more, new PageFaces(rules, fonts, Set.of()));
        return new PageReading(
                reading.url(),
                reading.answer(),
                new AsRead(page.document(), more, painting),
                fonts,
                List.of(),
                List.of());
    }

    /**
     * How the texts of some roles are shown on the page that was read last, in the order of the roles; those of which there
     * are no texts have none. Nothing for a page that could not be read.
     */
    public List<RolesOnPage.OfRole> roles(PageReading reading, List<AskedRole> roles) {
        return reading.isRead() && !roles.isEmpty()
                ? new RolesOnPage(reading, roles, (css, at) -> again(reading, css, at)).all()
                : List.of();
    }

    /** The texts of a page as they would be with some CSS before or after its style sheets. */
    private List<Shown> again(PageReading reading, String css, Position at) {
        AsRead page = reading.asRead();
        Sheet sheet = Sheet.of(reading.at(), css);
        return at == Position.FIRST && css.contains("@layer")
                ? namingLayersFirst(reading, sheet)
                : page.painting()
                        .with(page.sheets().more(sheet, at == Position.FIRST))
                        .shown();
    }

    /** What names a layer first changes the order of the layers, and so all of the cascade. */
    private List<Shown> namingLayersFirst(PageReading reading, Sheet sheet) {
        String url = reading.at();
        PageDocument document = reading.asRead().document();
        PageSheets styles = new PageSheets(viewport, (address, base) -> sheet(address, base, url));
        styles.add(sheet, "");
        document.sheets().forEach(link -> add(styles, link, document.base(), url));
        Cascade cascade = new Cascade(styles, viewport, url, document.quirks());
        return new Painting(cascade, reading.faces(), SeenStyles.NONE, document.texts()).shown();
    }

    /** What was parsed is kept for other pages only while it is not too much, so that many pages need no more than few. */
    private void forgetIfMany() {
        long kept = Stream.concat(parsed.keySet().stream(), opened.keySet().stream())
                .mapToLong(resource -> resource.bytes().length)
                .sum();
        if (kept > MOST_KEPT) {
            parsed.clear();
            opened.clear();
        }
    }

    private static @Nullable String charset(Resource answer) {
        Matcher said = CHARSET.matcher(answer.header("content-type").orElse(""));
        return said.find() ? said.group(1) : null;
    }

    private void add(PageSheets styles, SheetLink link, String base, String page) {
        if (link.address().isEmpty()) {
            styles.add(new Sheet(page, base, StyleSheet.read(link.text()), link.line()), link.media());
        } else {
            sheet(link.address().get(), base, page).ifPresent(sheet -> styles.add(sheet, link.media()));
        }
    }

    /** A style sheet that can be used. */
    private Optional<Sheet> sheet(String address, String base, String page) {
        Optional<String> url = Addresses.resolved(address, base);
        if (url.isEmpty() || sheets.size() >= MOST_SHEETS) {
            return Optional.empty();
        }
        if (Addresses.isMixed(page, url.get())) {
            sheets.putIfAbsent(url.get(), Resource.failed(url.get(), Addresses.MIXED));
            return Optional.empty();
        }
        Resource answer = sheets.computeIfAbsent(url.get(), asked -> resources.get(asked, Use.STYLE_SHEET));
        boolean other = !answer.mediaType().isEmpty() && !answer.mediaType().equals("text/css");
        return answer.isFound() && !other
                ? Optional.of(parsed.computeIfAbsent(
                        answer, any -> Sheet.of(answer.url(), StyleSheetBytes.decode(answer.bytes()))))
                : Optional.empty();
    }
}
