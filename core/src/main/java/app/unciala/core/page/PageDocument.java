package app.unciala.core.page;

import app.unciala.core.css.selector.Element;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.Charset;
import java.nio.charset.IllegalCharsetNameException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import org.jsoup.Jsoup;
import org.jsoup.nodes.Attribute;
import org.jsoup.nodes.DataNode;
import org.jsoup.nodes.Document;
import org.jsoup.nodes.Document.QuirksMode;
import org.jsoup.nodes.Node;
import org.jsoup.nodes.TextNode;
import org.jsoup.parser.Parser;
import org.jspecify.annotations.Nullable;

/**
 * A page as it was sent: its elements, its texts in their order, and the style sheets it names. Scripts are not run.
 *
 * @param base what addresses in it are relative to
 * @param title what it calls itself, empty if it does not
 * @param contacts hosts that it gets in touch with by links and scripts
 * @param links the addresses that it leads to, each once, without their fragments
 * @param quirks whether it has no document type, and so is read as pages were long ago
 * @param isCut whether it has more elements than are read
 */
record PageDocument(
        Element root,
        List<Text> texts,
        List<SheetLink> sheets,
        List<Preload> preloads,
        List<PageContact> contacts,
        String base,
        String title,
        List<String> links,
        boolean quirks,
        boolean isCut) {
    private static final int MOST_ELEMENTS = 200_000;
    private static final int DEEPEST = 500;
    private static final int MOST_LINKS = 5_000;

    /** Elements whose texts are never painted as they stand there. */
    private static final Set<String> WITHOUT_TEXT = Set.of(
            "audio",
            "canvas",
            "desc",
            "defs",
            "iframe",
            "metadata",
            "noscript",
            "script",
            "select",
            "style",
            "symbol",
            "template",
            "video");

    /** Kinds of input that show what they are set to. */
    private static final Set<String> SHOWN_INPUTS = Set.of(
            "",
            "text",
            "search",
            "url",
            "tel",
            "email",
            "number",
            "submit",
            "reset",
            "button",
            "date",
            "month",
            "week",
            "time",
            "datetime-local");

    /**
     * A text, in the element that it stands in.
     *
     * @param pseudoElement the pseudo-element that it is shown by, if one does
     */
    record Text(Element element, String text, Optional<String> pseudoElement) {}

    /** A style sheet that the page names ({@code address}), or has in itself ({@code text}). */
    record SheetLink(Optional<String> address, String text, String media, int line) {}

    /** A file that is asked for before a rule needs it. */
    record Preload(String address, String as, boolean crossOrigin, int line) {}

    /** Reads a page; {@code charset} as the server says, or null. */
    static PageDocument read(byte[] bytes, @Nullable String charset, String url) {
        try {
            Parser parser = Parser.htmlParser().setTrackPosition(true);
            Document document = Jsoup.parse(new ByteArrayInputStream(bytes), known(charset), url, parser);
            return new Reading(url).read(document);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** A page as a browser shows it: its elements as they are now, with the style sheets that count. */
    static PageDocument of(BrowserReading reading) {
        Document document = Jsoup.parse(reading.document(), reading.page(), Parser.xmlParser());
        return new Reading(reading.page()).read(document).with(reading);
    }

    private PageDocument with(BrowserReading reading) {
        return new PageDocument(
                root,
                texts,
                reading.sheets().stream()
                        .map(sheet -> new SheetLink(
                                Optional.ofNullable(sheet.address()),
                                Objects.requireNonNullElse(sheet.text(), ""),
                                Objects.requireNonNullElse(sheet.media(), ""),
                                1))
                        .toList(),
                reading.preloads().stream()
                        .map(preload -> new Preload(preload.address(), "font", preload.crossOrigin(), 1))
                        .toList(),
                contacts,
                reading.base(),
                reading.title().strip(),
                links,
                reading.quirks(),
                isCut);
    }

    private static @Nullable String known(@Nullable String charset) {
        try {
            return charset != null && Charset.isSupported(charset) ? charset : null;
        } catch (IllegalCharsetNameException e) {
            return null;
        }
    }

    /** Walks through a parsed page. */
    private static final class Reading {
        private final String url;
        private final List<Text> texts = new ArrayList<>();
        private final List<SheetLink> sheets = new ArrayList<>();
        private final List<Preload> preloads = new ArrayList<>();
        private final Set<PageContact> contacts = new LinkedHashSet<>();
        private @Nullable String base;
        private final List<String> links = new ArrayList<>();
        private int elements;

        private Reading(String url) {
            this.url = url;
        }

        private PageDocument read(Document document) {
            org.jsoup.nodes.Element html = document.selectFirst("html");
            org.jsoup.nodes.Element top = html == null ? document : html;
            Element root = Element.root(top.normalName(), attributes(top), line(top));
            walk(top, root, 0);
            return new PageDocument(
                    root,
                    texts,
                    sheets,
                    preloads,
                    List.copyOf(contacts),
                    base(),
                    document.title().strip(),
                    links.stream()
                            .flatMap(link -> Addresses.resolved(link, base()).stream())
                            .distinct()
                            .toList(),
                    document.quirksMode() == QuirksMode.quirks,
                    elements >= MOST_ELEMENTS);
        }

        private String base() {
            return base == null ? url : base;
        }

        private void walk(org.jsoup.nodes.Element from, Element to, int depth) {
            boolean silent = WITHOUT_TEXT.contains(to.tag())
                    || (to.tag().equals("object") && to.has("data"))
                    || (to.tag().equals("details") && !to.has("open"));
            pseudo(to, "before");
            StringBuilder text = new StringBuilder();
            for (Node node : from.childNodes()) {
                // Texts that nothing stands between are one.
                if (node instanceof TextNode part) {
                    text.append(part.getWholeText());
                    continue;
                }
                text(text, to, silent);
                if (node instanceof DataNode) {
                    to.hasText();
                } else if (node instanceof org.jsoup.nodes.Element child
                        && elements < MOST_ELEMENTS
                        && depth < DEEPEST) {
                    elements++;
                    Element added = to.add(child.normalName(), attributes(child), line(child));
                    linked(child, added);
                    if (!Set.of("noscript", "template", "iframe").contains(added.tag())) {
                        walk(child, added, depth + 1);
                    }
                }
            }
            text(text, to, silent);
            field(to);
            pseudo(to, "after");
        }

        private void text(StringBuilder text, Element in, boolean silent) {
            if (text.isEmpty()) {
                return;
            }
            in.hasText();
            String shown = text.toString().replaceAll("[ \\t\\n\\r\\f]+", " ").strip();
            if (!silent && !shown.replace('\u00A0', ' ').isBlank()) {
                texts.add(new Text(in, shown, Optional.empty()));
            }
            text.setLength(0);
        }

        /** Whether there is one is for the style sheets to say. */
        private void pseudo(Element element, String name) {
            texts.add(new Text(element, "", Optional.of(name)));
        }

        private void field(Element element) {
            boolean input = element.tag().equals("input")
                    && SHOWN_INPUTS.contains(
                            element.attribute("type").orElse("").toLowerCase(Locale.ROOT));
            String value = element.attribute("value").orElse("").strip();
            String placeholder = element.attribute("placeholder").orElse("").strip();
            if (input && !value.isEmpty()) {
                texts.add(new Text(element, value, Optional.empty()));
            } else if (!placeholder.isEmpty()
                    && (input
                            || (element.tag().equals("textarea")
                                    && element.children().isEmpty()))) {
                texts.add(new Text(element, placeholder, Optional.of("placeholder")));
            }
        }

        private void linked(org.jsoup.nodes.Element from, Element element) {
            switch (element.tag()) {
                case "base" -> {
                    if (base == null && element.has("href")) {
                        base = Addresses.resolved(element.attribute("href").orElse(""), url)
                                .orElse(null);
                    }
                }
                case "style" -> {
                    if (isCss(element)) {
                        int line = from.childNodes().stream()
                                .findFirst()
                                .map(node -> node.sourceRange().start().lineNumber())
                                .orElse(element.line());
                        sheets.add(new SheetLink(
                                Optional.empty(),
                                from.data(),
                                element.attribute("media").orElse(""),
                                Math.max(1, line)));
                    }
                }
                case "a" -> {
                    if (links.size() < MOST_LINKS) {
                        element.attribute("href").ifPresent(links::add);
                    }
                }
                case "link" -> link(element);
                case "script" ->
                    contacts.addAll(
                            PageContact.ofScript(element.attribute("src").orElse(""), from.data(), base()));
                default -> {}
            }
        }

        private void link(Element element) {
            Set<String> relations = Set.copyOf(Arrays.asList(element.attribute("rel")
                    .orElse("")
                    .toLowerCase(Locale.ROOT)
                    .strip()
                    .split("\\s+")));
            String address = element.attribute("href").orElse("").strip();
            if (address.isEmpty()) {
                return;
            }
            if (relations.contains("stylesheet")
                    && !relations.contains("alternate")
                    && !element.has("disabled")
                    && isCss(element)) {
                sheets.add(new SheetLink(
                        Optional.of(address), "", element.attribute("media").orElse(""), element.line()));
            }
            if (relations.contains("preconnect") || relations.contains("dns-prefetch")) {
                Addresses.resolved(address, base())
                        .ifPresent(url -> contacts.add(new PageContact(
                                url,
                                relations.contains("preconnect")
                                        ? PageContact.Kind.PRECONNECT
                                        : PageContact.Kind.DNS_PREFETCH)));
            }
            if (relations.contains("preload")) {
                preloads.add(new Preload(
                        address,
                        element.attribute("as").orElse("").toLowerCase(Locale.ROOT),
                        element.has("crossorigin"),
                        element.line()));
            }
        }

        private static boolean isCss(Element element) {
            String type = element.attribute("type").orElse("").strip().toLowerCase(Locale.ROOT);
            return type.isEmpty() || type.replaceAll(";.*", "").equals("text/css");
        }

        private static Map<String, String> attributes(org.jsoup.nodes.Element element) {
            Map<String, String> attributes = new LinkedHashMap<>();
            for (Attribute attribute : element.attributes()) {
                attributes.putIfAbsent(attribute.getKey().toLowerCase(Locale.ROOT), attribute.getValue());
            }
            return attributes;
        }

        private static int line(org.jsoup.nodes.Element element) {
            return Math.max(1, element.sourceRange().start().lineNumber());
        }
    }
}
