package app.unciala.core.page;

import app.unciala.core.css.cascade.Cascade;
import app.unciala.core.css.cascade.FamilyName;
import app.unciala.core.css.cascade.PageSheets;
import app.unciala.core.css.cascade.PageSheets.Sheet;
import app.unciala.core.css.cascade.TextStyle;
import app.unciala.core.css.cascade.Viewport;
import app.unciala.core.css.selector.Element;
import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.StyleSheetBytes;
import app.unciala.core.page.Overrides.Position;
import app.unciala.core.page.PageDocument.SheetLink;
import app.unciala.core.page.PageDocument.Text;
import app.unciala.core.page.PageFaces.Chosen;
import app.unciala.core.page.Resources.Resource;
import app.unciala.core.page.Resources.Use;
import app.unciala.core.page.RoleTexts.Shown;
import app.unciala.core.page.Run.Given;
import app.unciala.font.face.Range;
import app.unciala.font.file.FontFile;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
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
        return read(asked, answer, PageDocument.read(answer.bytes(), charset(answer), url), SeenStyles.NONE, resources);
    }

    /** Reads a page as somebody's browser shows it. */
    public PageReading read(BrowserReading reading) {
        sheets.clear();
        byte[] bytes = reading.document().getBytes(StandardCharsets.UTF_8);
        Resource answer =
                new Resource(reading.page(), 200, Map.of("content-type", "text/html"), bytes, Optional.empty());
        return read(reading.page(), answer, PageDocument.of(reading), SeenStyles.of(reading), resources);
    }

    /** The page that was read last, as it would be with a style sheet after its own; only of one that could be read. */
    public PageReading with(TriedSheet sheet, PageReading reading) {
        return read(
                reading.url(),
                reading.answer(),
                reading.document().with(sheet.css()),
                SeenStyles.NONE,
                sheet.over(resources));
    }

    private PageReading read(
            String asked, Resource answer, PageDocument document, SeenStyles seen, Resources resources) {
        String url = answer.url();
        PageSheets styles = new PageSheets(viewport, (address, base) -> sheet(address, base, url));
        document.sheets().forEach(link -> add(styles, link, document.base(), url));
        PageFonts fonts = new PageFonts(resources, url, opened);
        PageFaces faces = new PageFaces(styles.faces(), fonts, seen.familiesOfScripts());
        Cascade cascade = new Cascade(styles, viewport, url, document.quirks());
        Painting painting = new Painting(cascade, faces, seen);
        List<Shown> shown = painting.shown(document.texts());
        return new PageReading(
                asked,
                answer,
                shown,
                document,
                faces,
                painting::styleWith,
                fonts,
                List.copyOf(sheets.values()),
                own,
                cascade.isSpent() || styles.isCut());
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
        String url = reading.at();
        PageDocument document = reading.document();
        PageSheets styles = new PageSheets(viewport, (address, base) -> sheet(address, base, url));
        if (at == Position.FIRST) {
            styles.add(Sheet.of(url, css), "");
        }
        document.sheets().forEach(link -> add(styles, link, document.base(), url));
        if (at == Position.LAST) {
            styles.add(Sheet.of(url, css), "");
        }
        Cascade cascade = new Cascade(styles, viewport, url, document.quirks());
        return new Painting(cascade, reading.faces(), SeenStyles.NONE).shown(document.texts());
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

    /** Works out the style of every text, and what paints it. */
    private static final class Painting {
        private final Cascade cascade;
        private final PageFaces faces;
        private final SeenStyles seen;
        private final IdentityHashMap<Element, TextStyle> styles = new IdentityHashMap<>();
        private final IdentityHashMap<Element, Boolean> boxes = new IdentityHashMap<>();

        private Painting(Cascade cascade, PageFaces faces, SeenStyles seen) {
            this.cascade = cascade;
            this.faces = faces;
            this.seen = seen;
        }

        private List<Shown> shown(List<Text> texts) {
            List<Shown> shown = new ArrayList<>();
            for (Text text : texts) {
                run(text)
                        .map(run ->
                                new Shown(text.element(), text.pseudoElement().orElse(""), run))
                        .ifPresent(shown::add);
            }
            return shown;
        }

        private TextStyle style(Element element) {
            TextStyle known = styles.get(element);
            if (known == null) {
                Optional<Element> parent = element.parent();
                known = seen.of(
                        element, parent.isEmpty() ? cascade.ofRoot(element) : cascade.of(element, style(parent.get())));
                styles.put(element, known);
            }
            return known;
        }

        /** The style of an element if some declarations were to win. */
        private TextStyle styleWith(Element element, Map<String, String> winning) {
            return cascade.of(element, element.parent().map(this::style).orElse(TextStyle.INITIAL), winning);
        }

        private boolean hasBox(Element element) {
            Boolean known = boxes.get(element);
            if (known == null) {
                known = style(element).hasBox()
                        && element.parent()
                                .map(parent -> !isFoldedIn(parent, element) && hasBox(parent))
                                .orElse(true);
                boxes.put(element, known);
            }
            return known;
        }

        /** Whether an element is hidden as what it stands in is closed; the first summary is what stays. */
        private static boolean isFoldedIn(Element parent, Element child) {
            return parent.tag().equals("details")
                    && !parent.has("open")
                    && parent.children().stream()
                                    .filter(other -> other.tag().equals("summary"))
                                    .findFirst()
                                    .orElse(null)
                            != child;
        }

        private Optional<Run> run(Text text) {
            if (!seen.has(text.element()) && !hasBox(text.element())) {
                return Optional.empty();
            }
            TextStyle style = style(text.element());
            String path = text.element().path();
            String said = text.text();
            if (text.pseudoElement().isPresent()) {
                String name = text.pseudoElement().get();
                Optional<TextStyle> own = cascade.ofPseudoElement(name, text.element(), style);
                path += "::" + name;
                if (!name.equals("placeholder")) {
                    said = own.filter(TextStyle::hasBox)
                            .flatMap(TextStyle::content)
                            .orElse("");
                }
                style = own.orElse(style);
            }
            return said.isBlank() || !style.isVisible() || style.size() == 0
                    ? Optional.empty()
                    : Optional.of(new Run(said, path, style, given(style.transformed(said), style)));
        }

        private List<Given> given(String text, TextStyle style) {
            Map<Painter, StringBuilder> painted = new LinkedHashMap<>();
            Map<Integer, Painter> known = new HashMap<>();
            Map<Painter, Integer> counts = new HashMap<>();
            text.codePoints().filter(Painting::isPainted).forEach(codePoint -> {
                Painter painter = known.get(codePoint);
                if (painter == null) {
                    painter = painter(style, codePoint);
                    known.put(codePoint, painter);
                }
                counts.merge(painter, 1, Integer::sum);
                if (!Character.isSpaceChar(codePoint)) {
                    painted.computeIfAbsent(painter, any -> new StringBuilder()).appendCodePoint(codePoint);
                }
            });
            if (painted.isEmpty()) {
                painted.put(painter(style, ' '), new StringBuilder());
            }
            return painted.entrySet().stream()
                    .sorted(Comparator.comparing(entry -> -counts.getOrDefault(entry.getKey(), 0)))
                    .map(entry -> entry.getKey().given(style, entry.getValue()))
                    .toList();
        }

        private static boolean isPainted(int codePoint) {
            return switch (Character.getType(codePoint)) {
                case Character.CONTROL, Character.FORMAT, Character.LINE_SEPARATOR, Character.PARAGRAPH_SEPARATOR ->
                    false;
                default -> codePoint < 0xFE00 || codePoint > 0xFE0F;
            };
        }

        /** What paints a character: a face that the page declares, or a family that is left to the system. */
        private record Painter(Optional<Chosen> chosen, String system) {
            Given given(TextStyle style, StringBuilder painted) {
                String characters = painted.codePoints()
                        .distinct()
                        .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                        .toString();
                if (chosen.isEmpty()) {
                    return new Given(
                            system,
                            style.weight(),
                            style.slope(),
                            Optional.empty(),
                            List.of(),
                            characters,
                            Optional.empty());
                }
                Chosen face = chosen.get();
                Range weight = face.face().slot().weight();
                List<String> faked = new ArrayList<>();
                if (face.fakesBold()) {
                    faked.add("bold");
                }
                if (face.fakesSlope()) {
                    faked.add("oblique");
                }
                return new Given(
                        face.face().family(),
                        Math.max(weight.min(), Math.min(weight.max(), style.weight())),
                        face.face().slot().slope(),
                        Optional.of(face.font().at()),
                        faked,
                        characters,
                        Optional.of(face.face().rule()));
            }
        }

        private Painter painter(TextStyle style, int codePoint) {
            for (FamilyName family : style.families()) {
                if (faces.declares(family)) {
                    Optional<Chosen> chosen = faces.painting(family, style, codePoint);
                    if (chosen.isPresent()) {
                        return new Painter(chosen, "");
                    }
                } else if (faces.isOfSystems(family)) {
                    return new Painter(Optional.empty(), family.name());
                }
            }
            return new Painter(Optional.empty(), "serif");
        }
    }
}
