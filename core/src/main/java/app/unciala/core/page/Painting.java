package app.unciala.core.page;

import app.unciala.core.css.cascade.Cascade;
import app.unciala.core.css.cascade.FamilyName;
import app.unciala.core.css.cascade.PageSheets;
import app.unciala.core.css.cascade.TextStyle;
import app.unciala.core.css.selector.Element;
import app.unciala.core.page.PageDocument.Text;
import app.unciala.core.page.PageFaces.Chosen;
import app.unciala.core.page.RoleTexts.Shown;
import app.unciala.core.page.Run.Given;
import app.unciala.font.face.Range;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/** Works out the style of every text of a page, and what paints it. */
final class Painting {
    private final Cascade cascade;
    private final PageFaces faces;
    private final SeenStyles seen;
    private final List<Text> texts;
    /** The painting to which a style sheet is added, with the same faces; null where none is. */
    private final @Nullable Painting before;
    /** In the order of the texts; nothing for those that are not shown. */
    private final List<Optional<Run>> runs;

    private final IdentityHashMap<Element, TextStyle> styles = new IdentityHashMap<>();
    private final IdentityHashMap<Element, Boolean> touched = new IdentityHashMap<>();
    private final IdentityHashMap<Element, Boolean> boxes = new IdentityHashMap<>();
    private final IdentityHashMap<Element, Optional<Element>> summaries = new IdentityHashMap<>();

    Painting(Cascade cascade, PageFaces faces, SeenStyles seen, List<Text> texts) {
        this(cascade, faces, seen, texts, null);
    }

    private Painting(Cascade cascade, PageFaces faces, SeenStyles seen, List<Text> texts, @Nullable Painting before) {
        this.cascade = cascade;
        this.faces = faces;
        this.seen = seen;
        this.texts = texts;
        this.before = before;
        List<Optional<Run>> all = new ArrayList<>(texts.size());
        for (Text text : texts) {
            all.add(before != null && isAsBefore(text) ? before.runs.get(all.size()) : run(text));
        }
        runs = all;
    }

    /** The page with the rules of one more style sheet, as no browser has shown it. */
    Painting with(PageSheets more) {
        return seen == SeenStyles.NONE ? new Painting(cascade.with(more), faces, seen, texts, this) : with(more, faces);
    }

    /** The same, where its faces are others as well. */
    Painting with(PageSheets more, PageFaces others) {
        return new Painting(cascade.with(more), others, SeenStyles.NONE, texts, null);
    }

    /** The texts that are shown, in the order of the page. */
    List<Shown> shown() {
        List<Shown> shown = new ArrayList<>();
        for (int i = 0; i < texts.size(); i++) {
            Text text = texts.get(i);
            runs.get(i)
                    .map(run -> new Shown(text.element(), text.pseudoElement().orElse(""), run))
                    .ifPresent(shown::add);
        }
        return shown;
    }

    PageFaces faces() {
        return faces;
    }

    /** Whether the style sheet that was added changes nothing of a text. */
    private boolean isAsBefore(Text text) {
        return !isTouched(text.element())
                && text.pseudoElement()
                        .map(name -> !cascade.adds(text.element(), name))
                        .orElse(true);
    }

    /** Whether it speaks of an element, or of one that this stands in. */
    private boolean isTouched(Element element) {
        Boolean known = touched.get(element);
        if (known == null) {
            known = cascade.adds(element, "")
                    || element.parent().filter(this::isTouched).isPresent();
            touched.put(element, known);
        }
        return known;
    }

    private TextStyle style(Element element) {
        TextStyle known = styles.get(element);
        if (known == null) {
            known = workedOut(element);
            styles.put(element, known);
        }
        return known;
    }

    private TextStyle workedOut(Element element) {
        if (before != null && !isTouched(element)) {
            return before.style(element);
        }
        Optional<Element> parent = element.parent();
        return seen.of(element, parent.isEmpty() ? cascade.ofRoot(element) : cascade.of(element, style(parent.get())));
    }

    /** The style of an element if some declarations were to win. */
    TextStyle styleWith(Element element, Map<String, String> winning) {
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
    private boolean isFoldedIn(Element parent, Element child) {
        return parent.tag().equals("details")
                && !parent.has("open")
                && summaries.computeIfAbsent(parent, Painting::summary).orElse(null) != child;
    }

    private static Optional<Element> summary(Element details) {
        return details.children().stream()
                .filter(child -> child.tag().equals("summary"))
                .findFirst();
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
                said = own.filter(TextStyle::hasBox).flatMap(TextStyle::content).orElse("");
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
            case Character.CONTROL, Character.FORMAT, Character.LINE_SEPARATOR, Character.PARAGRAPH_SEPARATOR -> false;
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
