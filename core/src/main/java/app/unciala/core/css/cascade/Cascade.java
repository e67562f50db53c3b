package app.unciala.core.css.cascade;

import app.unciala.core.css.Keywords;
import app.unciala.core.css.cascade.CascadedValues.CascadedValue;
import app.unciala.core.css.cascade.StyleRules.Block;
import app.unciala.core.css.cascade.StyleRules.Origin;
import app.unciala.core.css.cascade.StyleRules.Selected;
import app.unciala.core.css.cascade.TextStyle.CustomProperty;
import app.unciala.core.css.cascade.TextStyle.Transform;
import app.unciala.core.css.selector.Element;
import app.unciala.core.css.selector.Selector;
import app.unciala.core.css.selector.Selector.Matching;
import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.Token;
import app.unciala.font.budget.Budget;
import app.unciala.font.face.Slope;
import com.google.common.io.Resources;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/** Works out the styles of the elements of a page from its style sheets (CSS Cascading 5, section 6). */
public final class Cascade {
    /** Elements that selectors are tried with on one page: more than any page needs whose selectors are sensible. */
    private static final long MOST_TRIES = 60_000_000;

    private static final String BROWSER = browserStyles();
    private static final String QUIRKS = "table { font-size: medium; font-weight: normal; font-style: normal }";
    private static final Set<String> DRAWN = Set.of("svg", "g", "text", "tspan", "textpath");
    private static final List<String> PRESENTATION =
            List.of("font-family", "font-size", "font-weight", "font-style", "font-stretch", "visibility", "display");

    /** Elements whose declarations are kept, also for cascades with one more style sheet. */
    private static final int MOST_KEPT = 20_000;

    private final StyleRules browserRules;
    private final StyleRules rules;
    /** The cascade to which the rules are added; null where they are all that there are. */
    private final @Nullable Cascade before;

    private final IdentityHashMap<Element, DeclaredValues> kept = new IdentityHashMap<>();
    /** What elements have that inherit the same variables and declare the same, by what they inherit. */
    private final IdentityHashMap<Variables, Map<DeclaredVariables, Variables>> variables = new IdentityHashMap<>();

    private final Map<String, RegisteredProperty> registered;
    private final Viewport viewport;
    private final String url;
    private final boolean quirks;
    private final Matching matching = new Matching(MOST_TRIES);
    /** Lists of families by the value that says them. */
    private final IdentityHashMap<List<Token>, Optional<List<FamilyName>>> families = new IdentityHashMap<>();

    private double rootSize = TextStyle.INITIAL.size();

    /**
     * The cascade of a page.
     *
     * @param url of the page, which {@code style} attributes stand in
     * @param quirks where it has no document type, and so is read as pages were long ago
     */
    public Cascade(PageSheets sheets, Viewport viewport, String url, boolean quirks) {
        PageSheets browser = new PageSheets(viewport, (address, base) -> Optional.empty());
        browser.addBrowser(quirks ? BROWSER + QUIRKS : BROWSER);
        browserRules = browser.rules();
        rules = sheets.rules();
        registered = sheets.registered();
        this.viewport = viewport;
        this.url = url;
        this.quirks = quirks;
        before = null;
    }

    private Cascade(Cascade before, StyleRules more) {
        browserRules = before.browserRules;
        rules = more;
        registered = before.registered;
        viewport = before.viewport;
        url = before.url;
        quirks = before.quirks;
        rootSize = before.rootSize;
        this.before = before;
    }

    /** The cascade of the page with the rules of one more style sheet. */
    public Cascade with(PageSheets more) {
        return new Cascade(this, more.rules());
    }

    /** Whether rules of the style sheet that was added speak of an element, or of its pseudo-element if one is named. */
    public boolean adds(Element element, String pseudoElement) {
        return before != null && !added(element, pseudoElement).isEmpty();
    }

    private List<Selected> added(Element element, String pseudoElement) {
        List<Selected> added = new ArrayList<>();
        rules.forEach(element, pseudoElement, selected -> {
            if (selected.selector().matches(element, matching)) {
                added.add(selected);
            }
        });
        return added;
    }

    private static String browserStyles() {
        try {
            return Resources.toString(Cascade.class.getResource("browser.css"), StandardCharsets.UTF_8);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Whether matching was given up because of selectors that take too long. */
    public boolean isSpent() {
        return matching.isSpent();
    }

    /** The style of the root element, which is asked for before any other. */
    public TextStyle ofRoot(Element root) {
        TextStyle style = computed(candidates(root, ""), TextStyle.INITIAL, root);
        rootSize = style.size();
        return style;
    }

    /** The style of an element inside another of style {@code parent}. */
    public TextStyle of(Element element, TextStyle parent) {
        return computed(candidates(element, ""), parent, element);
    }

    /** The style of a pseudo-element, such as {@code before}; nothing where no rule speaks of it. */
    public Optional<TextStyle> ofPseudoElement(String name, Element element, TextStyle parent) {
        DeclaredValues found = candidates(element, name);
        return found.isEmpty() ? Optional.empty() : Optional.of(computed(found, parent, element));
    }

    /** The style that an element inside another of style {@code parent} would have if some declarations were to win. */
    public TextStyle of(Element element, TextStyle parent, Map<String, String> winning) {
        DeclaredValues found = candidates(element, "").copy();
        String declarations = winning.entrySet().stream()
                .map(entry -> entry.getKey() + ":" + entry.getValue() + " !important;")
                .collect(Collectors.joining());
        found.addWinning(block(declarations, element));
        return computed(found, parent, element);
    }

    private DeclaredValues candidates(Element element, String pseudo) {
        DeclaredValues known = pseudo.isEmpty() ? kept.get(element) : null;
        if (known != null) {
            return known;
        }
        DeclaredValues found = before == null ? collected(element, pseudo) : added(element, pseudo, before);
        if (pseudo.isEmpty() && kept.size() < MOST_KEPT) {
            kept.put(element, found);
        }
        return found;
    }

    private DeclaredValues added(Element element, String pseudo, Cascade unchanged) {
        List<Selected> added = added(element, pseudo);
        DeclaredValues found = unchanged.candidates(element, pseudo);
        if (!added.isEmpty()) {
            found = found.copy();
            added.forEach(found::addAll);
            found.order();
        }
        return found;
    }

    private DeclaredValues collected(Element element, String pseudo) {
        DeclaredValues found = new DeclaredValues();
        collect(browserRules, element, pseudo, found);
        collect(rules, element, pseudo, found);
        if (pseudo.isEmpty()) {
            element.attribute("style")
                    .ifPresent(text -> found.addAll(block(text, element), DeclaredValues.AFTER_ALL_LAYERS));
            String hints = hints(element);
            if (!hints.isEmpty()) {
                found.addAll(block(hints, element), DeclaredValues.BEFORE_ALL_LAYERS);
            }
        }
        found.order();
        return found;
    }

    private void collect(StyleRules from, Element element, String pseudo, DeclaredValues found) {
        from.forEach(element, pseudo, selected -> {
            Selector selector = selected.selector();
            if (selector.matches(element, matching)) {
                found.addAll(selected);
            }
        });
    }

    private Block block(String declarations, Element element) {
        StyleSheet sheet = StyleSheet.read("*{" + declarations + "}");
        List<Entry> entries = sheet.rules().stream()
                .limit(1)
                .flatMap(rule -> rule.declarations().stream())
                .filter(declaration -> Property.isRead(declaration.name()))
                .flatMap(declaration -> Entry.of(sheet, declaration).stream())
                .toList();
        return new Block(Origin.AUTHOR, Layer.outermost(), 0, entries, url, element.line());
    }

    /** What attributes say that stand for properties: {@code hidden}, those of {@code font} (HTML, "Rendering") and in SVG. */
    private static String hints(Element element) {
        if (element.attribute("hidden")
                .filter(value -> !value.equalsIgnoreCase("until-found"))
                .isPresent()) {
            return "display:none";
        }
        if (element.tag().equals("font")) {
            return ofFont(element);
        }
        return DRAWN.contains(element.tag())
                ? PRESENTATION.stream()
                        .flatMap(name -> element.attribute(name).stream().map(value -> name + ":" + value + ";"))
                        .collect(Collectors.joining())
                : "";
    }

    private static String ofFont(Element font) {
        String size = font.attribute("size").orElse("").strip();
        String family =
                font.attribute("face").map(face -> "font-family:" + face + ";").orElse("");
        if (!size.matches("[+-]?\\d{1,3}")) {
            return family;
        }
        int number = Integer.parseInt(size) + (Character.isDigit(size.charAt(0)) ? 0 : 3);
        return family + "font-size:" + Keywords.SIZES.get(Math.max(1, Math.min(7, number)));
    }

    private TextStyle computed(DeclaredValues found, TextStyle parent, Element element) {
        Budget.check();
        Variables variables = variables(found, parent);
        CascadedValues values = new CascadedValues(found, variables);
        Lengths lengths = new Lengths(parent.size(), rootSize, parent.size(), viewport);
        CascadedValue<List<FamilyName>> said = values.of(Property.FAMILY, this::families);
        CascadedValue<Double> weight = values.of(Property.WEIGHT, value -> weight(value, parent, lengths));
        CascadedValue<Slope> slope = values.of(Property.STYLE, FontValues::style);
        List<FamilyName> families = said.or(parent.families(), TextStyle.INITIAL.families());
        FontSize.Family family = FontSize.Family.of(families, quirks);
        CascadedValue<FontSize> saidSize =
                values.of(Property.SIZE, value -> FontSize.said(value, parent, family, lengths)
                        .map(own -> own.afterChange(parent.isMonospace(), family)));
        FontSize size = saidSize.or(FontSize.inherited(parent, family), FontSize.initial(family));
        boolean isRoot = element.parent().isEmpty();
        Lengths own = new Lengths(size.pixels(), isRoot ? size.pixels() : rootSize, size.pixels(), viewport);
        CascadedValue<LineHeight> lineHeight = values.of(Property.LINE_HEIGHT, value -> LineHeight.of(value, own));
        CascadedValue<Double> letters = values.of(Property.LETTER_SPACING, value -> spacing(value, own));
        CascadedValue<Double> words = values.of(Property.WORD_SPACING, value -> spacing(value, own));
        Winners around = parent.winners();
        return new TextStyle(
                families,
                said.isInherited() ? parent.familyRules() : said.rules(),
                said.isInherited() ? parent.familyProperty() : customProperty(said.property(), variables),
                size.pixels(),
                weight.or(parent.weight(), 400.0),
                slope.or(parent.slope(), Slope.UPRIGHT),
                values.of(Property.WIDTH, value -> boxed(FontValues.width(value)))
                        .or(parent.width(), 100.0),
                values.of(Property.FAKES_BOLD, Cascade::isAuto).or(parent.fakesBold(), true),
                values.of(Property.FAKES_SLOPE, Cascade::isAuto).or(parent.fakesSlope(), true),
                new Spacing(
                        lineHeight.or(parent.spacing().lineHeight(), LineHeight.NORMAL),
                        letters.or(parent.spacing().letters(), 0.0),
                        words.or(parent.spacing().words(), 0.0)),
                values.of(Property.TRANSFORM, Cascade::transform).or(parent.transform(), Transform.NONE),
                values.of(Property.VISIBILITY, Cascade::isVisible).or(parent.isVisible(), true),
                values.of(Property.DISPLAY, Cascade::hasBox).or(parent.hasBox(), true),
                values.of(Property.CONTENT, Cascade::content).or(Optional.empty(), Optional.empty()),
                size.origin(),
                variables,
                new Winners(
                        Winners.of(said, element, variables, around.family()),
                        Winners.of(weight, element, variables, around.weight()),
                        Winners.of(slope, element, variables, around.slope()),
                        Winners.of(saidSize, element, variables, around.size()),
                        Winners.of(lineHeight, element, variables, around.lineHeight()),
                        Winners.of(letters, element, variables, around.letterSpacing()),
                        Winners.of(words, element, variables, around.wordSpacing())));
    }

    private Optional<List<FamilyName>> families(List<Token> value) {
        return families.computeIfAbsent(value, FamilyName::list);
    }

    private Variables variables(DeclaredValues found, TextStyle parent) {
        Map<String, String> declared = new HashMap<>();
        Map<String, Rule> rules = new HashMap<>();
        found.custom().forEach((name, candidates) -> {
            declared.put(name, candidates.get(0).entry().text());
            if (candidates.get(0).isAuthors()) {
                rules.put(name, candidates.get(0).rule());
            }
        });
        if (declared.isEmpty() && registered.isEmpty()) {
            return parent.variables();
        }
        return variables
                .computeIfAbsent(parent.variables(), any -> new HashMap<>())
                .computeIfAbsent(new DeclaredVariables(declared, rules), any -> parent.variables()
                        .with(declared, rules, registered));
    }

    /** The custom properties that an element declares: their values by name, and the rules of the page that say them. */
    private record DeclaredVariables(Map<String, String> values, Map<String, Rule> rules) {}

    /** The custom property that a value comes from, with where it is said. */
    private static Optional<CustomProperty> customProperty(Optional<String> name, Variables variables) {
        return name.flatMap(known -> variables
                .rule(known)
                .flatMap(rule -> variables.value(known).map(value -> new CustomProperty(known, value.strip(), rule))));
    }

    private static Optional<Double> weight(List<Token> value, TextStyle parent, Lengths lengths) {
        Optional<String> word = FontValues.word(value);
        if (word.filter("bolder"::equals).isPresent()) {
            return Optional.of(FontValues.bolder(parent.weight()));
        }
        if (word.filter("lighter"::equals).isPresent()) {
            return Optional.of(FontValues.lighter(parent.weight()));
        }
        return boxed(FontValues.weight(value, lengths));
    }

    private static Optional<Double> boxed(OptionalDouble value) {
        return value.isPresent() ? Optional.of(value.getAsDouble()) : Optional.empty();
    }

    private static Optional<Double> spacing(List<Token> value, Lengths lengths) {
        return FontValues.word(value).filter("normal"::equals).isPresent()
                ? Optional.of(0.0)
                : boxed(lengths.length(value));
    }

    private static Optional<Boolean> isAuto(List<Token> value) {
        return FontValues.word(value).filter(Set.of("auto", "none")::contains).map("auto"::equals);
    }

    private static Optional<Transform> transform(List<Token> value) {
        return value.stream()
                .filter(token -> token.is(Token.Kind.IDENT))
                .findFirst()
                .map(token -> switch (token.value().toLowerCase(Locale.ROOT)) {
                    case "uppercase" -> Transform.UPPERCASE;
                    case "lowercase" -> Transform.LOWERCASE;
                    case "capitalize" -> Transform.CAPITALIZE;
                    default -> Transform.NONE;
                });
    }

    private static Optional<Boolean> isVisible(List<Token> value) {
        return FontValues.word(value)
                .filter(Set.of("visible", "hidden", "collapse")::contains)
                .map("visible"::equals);
    }

    private static Optional<Boolean> hasBox(List<Token> value) {
        return value.isEmpty() ? Optional.empty() : Optional.of(!value.get(0).isIdent("none"));
    }

    /** The strings of a pseudo-element's content; quotes and counters are left out. */
    private static Optional<Optional<String>> content(List<Token> value) {
        if (value.isEmpty()) {
            return Optional.empty();
        }
        StringBuilder text = new StringBuilder();
        value.stream()
                .takeWhile(token -> !token.isDelim('/'))
                .filter(token -> token.is(Token.Kind.STRING))
                .forEach(token -> text.append(token.value()));
        boolean none = FontValues.word(value)
                .filter(Set.of("none", "normal")::contains)
                .isPresent();
        return Optional.of(none ? Optional.empty() : Optional.of(text.toString()));
    }
}
