package app.unciala.core.css.cascade;

import app.unciala.core.css.cascade.StyleRules.Block;
import app.unciala.core.css.cascade.StyleRules.Origin;
import app.unciala.core.css.cascade.StyleRules.Selected;
import app.unciala.core.css.selector.Selector;
import app.unciala.core.css.selector.SelectorParser;
import app.unciala.core.css.selector.SelectorParser.Around;
import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.StyleSheet.AtRule;
import app.unciala.core.css.syntax.StyleSheet.Declaration;
import app.unciala.core.css.syntax.StyleSheet.Node;
import app.unciala.core.css.syntax.StyleSheet.QualifiedRule;
import app.unciala.core.css.syntax.Token;
import app.unciala.core.css.syntax.Token.Kind;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiFunction;

/** Gathers the rules of all style sheets of a page that hold in one window, in the order of the cascade. */
public final class PageSheets {
    private static final int MOST_IMPORTS_DEEP = 12;
    private static final int MOST_RULES = 100_000;

    /**
     * A style sheet.
     *
     * @param url what it is told by
     * @param base what addresses in it are relative to
     * @param firstLine the line of {@code url} in which its text begins, from 1
     */
    public record Sheet(String url, String base, StyleSheet read, int firstLine) {
        /** A style sheet that is a file of its own. */
        public static Sheet of(String url, String text) {
            return new Sheet(url, url, StyleSheet.read(text), 1);
        }
    }

    /** A rule for a face, with the sheet it stands in; {@code base} is what its addresses are relative to. */
    public record FaceRule(AtRule rule, StyleSheet sheet, String url, String base, int line) {}

    private final BiFunction<String, String, Optional<Sheet>> imports;
    private final MediaQuery media;
    private final Layer outermost;
    private final StyleRules rules = new StyleRules();
    private final List<FaceRule> faces = new ArrayList<>();
    private final Map<String, RegisteredProperty> registered = new HashMap<>();
    private final Set<String> open = new HashSet<>();
    private int order;

    /**
     * No rules yet.
     *
     * @param imports the style sheet at an address, which is relative to that of the other style sheet
     */
    public PageSheets(Viewport viewport, BiFunction<String, String, Optional<Sheet>> imports) {
        this.imports = imports;
        media = new MediaQuery(viewport);
        outermost = Layer.outermost();
    }

    private PageSheets(PageSheets around, int order) {
        imports = (address, base) -> Optional.empty();
        media = around.media;
        outermost = around.outermost;
        this.order = order;
    }

    /**
     * The rules of one more style sheet alone, with their place in the cascade after those that are there, or before them.
     * It imports none, and may name layers that are there.
     */
    public PageSheets more(Sheet sheet, boolean before) {
        PageSheets more = new PageSheets(this, before ? -MOST_RULES : order);
        more.add(sheet, "");
        return more;
    }

    /** What a rule stands in. */
    private record Within(Origin origin, Layer layer, Optional<Around> around) {
        Within in(Layer inner) {
            return new Within(origin, inner, around);
        }
    }

    void addBrowser(String css) {
        Sheet sheet = Sheet.of("", css);
        add(sheet, new Within(Origin.BROWSER, Layer.outermost(), Optional.empty()), 0);
    }

    /** Adds a style sheet after those that are there, if its {@code media} holds. */
    public void add(Sheet sheet, String mediaText) {
        if (media.holds(StyleSheet.tokens(mediaText))) {
            add(sheet, new Within(Origin.AUTHOR, outermost, Optional.empty()), 0);
        }
    }

    /** The rules for faces that hold, in their order. */
    public List<FaceRule> faces() {
        return List.copyOf(faces);
    }

    /** Whether there are more rules than are read. */
    public boolean isCut() {
        return order >= MOST_RULES;
    }

    StyleRules rules() {
        outermost.number(0);
        return rules;
    }

    Map<String, RegisteredProperty> registered() {
        return registered;
    }

    private void add(Sheet sheet, Within within, int depth) {
        new Walk(sheet, sheet.read(), depth).rules(sheet.read().rules(), within);
    }

    /** Walks through one style sheet. */
    private final class Walk {
        private final Sheet sheet;
        private final StyleSheet read;
        private final int depth;
        private boolean mayImport = true;

        private Walk(Sheet sheet, StyleSheet read, int depth) {
            this.sheet = sheet;
            this.read = read;
            this.depth = depth;
        }

        private int line(Node node) {
            return sheet.firstLine() + read.place(node.start()).line() - 1;
        }

        private void rules(List<? extends Node> nodes, Within within) {
            for (Node node : nodes) {
                if (order >= MOST_RULES) {
                    return;
                }
                if (node instanceof AtRule rule) {
                    atRule(rule, within);
                } else if (node instanceof QualifiedRule rule) {
                    mayImport = false;
                    qualified(rule, within);
                }
            }
        }

        private void qualified(QualifiedRule rule, Within within) {
            Optional<List<Selector>> selectors = within.around()
                    .map(around -> SelectorParser.readNested(read, rule.prelude(), around))
                    .orElseGet(() -> SelectorParser.read(read, rule.prelude()));
            selectors.ifPresent(found -> {
                declarations(found, rule.content(), line(rule), within);
                inside(rule.content(), within, new Around(found, false));
            });
        }

        private void inside(List<Node> content, Within within, Around around) {
            rules(content, new Within(within.origin(), within.layer(), Optional.of(around)));
        }

        private void declarations(List<Selector> selectors, List<Node> content, int line, Within within) {
            List<Entry> entries = content.stream()
                    .filter(Declaration.class::isInstance)
                    .map(Declaration.class::cast)
                    .filter(declaration -> Property.isRead(declaration.name()))
                    .flatMap(declaration -> Entry.of(read, declaration).stream())
                    .toList();
            if (entries.isEmpty()) {
                return;
            }
            Block block = new Block(within.origin(), within.layer(), order++, entries, sheet.url(), line);
            selectors.forEach(selector -> rules.add(new Selected(selector, block)));
        }

        private void atRule(AtRule rule, Within within) {
            switch (rule.name()) {
                case "charset" -> {}
                case "import" -> {
                    if (mayImport) {
                        imported(rule, within);
                    }
                }
                case "layer" -> layer(rule, within);
                default -> {
                    mayImport = false;
                    inner(rule, within);
                }
            }
        }

        private void inner(AtRule rule, Within within) {
            switch (rule.name()) {
                case "media" -> {
                    if (media.holds(rule.prelude())) {
                        body(rule, within);
                    }
                }
                case "supports" -> {
                    if (Supports.hold(rule.prelude())) {
                        body(rule, within);
                    }
                }
                case "container" -> {
                    if (container(rule.prelude())) {
                        body(rule, within);
                    }
                }
                case "scope" -> scope(rule, within);
                case "font-face" -> faces.add(new FaceRule(rule, read, sheet.url(), sheet.base(), line(rule)));
                case "property" -> register(rule);
                default -> {}
            }
        }

        /** The rules inside, and in nested ones the declarations, which are those of the rule around. */
        private void body(AtRule rule, Within within) {
            within.around().ifPresent(outer -> declarations(outer.selectors(), rule.content(), line(rule), within));
            rules(rule.content(), within);
        }

        private void layer(AtRule rule, Within within) {
            List<List<Token>> names = StyleSheet.atCommas(rule.prelude());
            if (!rule.hasBlock()) {
                names.forEach(name -> within.layer().named(read.source(name)));
                return;
            }
            mayImport = false;
            Layer inner = rule.prelude().isEmpty()
                    ? within.layer().anonymous()
                    : within.layer().named(read.source(rule.prelude()));
            body(rule, within.in(inner));
        }

        /** A container is taken to be as wide as the window. */
        private boolean container(List<Token> prelude) {
            int from = 0;
            if (!prelude.isEmpty()
                    && prelude.get(0).is(Kind.IDENT)
                    && !prelude.get(0).isIdent("not")) {
                from = 1;
            }
            return media.holds(StyleSheet.trimmed(prelude.subList(from, prelude.size())));
        }

        private void scope(AtRule rule, Within within) {
            List<Token> prelude = rule.prelude();
            if (prelude.isEmpty() || !prelude.get(0).is(Kind.OPEN_ROUND)) {
                body(rule, within);
                return;
            }
            SelectorParser.read(read, StyleSheet.trimmed(prelude.subList(1, StyleSheet.closing(prelude, 0))))
                    .ifPresent(roots -> inside(rule.content(), within, new Around(roots, true)));
        }

        private void register(AtRule rule) {
            String name = read.source(rule.prelude());
            if (name.startsWith("--")) {
                boolean inherits = rule.declaration("inherits")
                        .filter(said -> FontValues.word(said.value())
                                .filter("false"::equals)
                                .isPresent())
                        .isEmpty();
                registered.put(
                        name,
                        new RegisteredProperty(
                                inherits, rule.declaration("initial-value").map(said -> read.source(said.value()))));
            }
        }

        private void imported(AtRule rule, Within within) {
            if (rule.prelude().isEmpty() || depth >= MOST_IMPORTS_DEEP) {
                return;
            }
            List<Token> prelude = rule.prelude();
            Token first = prelude.get(0);
            int at = 1;
            String address = first.value();
            if (first.is(Kind.FUNCTION) && first.value().equalsIgnoreCase("url")) {
                int end = StyleSheet.closing(prelude, 0);
                address = prelude.subList(1, end).stream()
                        .filter(token -> token.is(Kind.STRING))
                        .map(Token::value)
                        .findFirst()
                        .orElse("");
                at = Math.min(prelude.size(), end + 1);
            } else if (!first.is(Kind.STRING) && !first.is(Kind.URL)) {
                return;
            }
            Layer layer = within.layer();
            boolean holds = true;
            while (at < prelude.size()) {
                Token token = prelude.get(at);
                int end = Math.min(prelude.size(), StyleSheet.closing(prelude, at) + 1);
                String name = token.value().toLowerCase(Locale.ROOT);
                if (token.isIdent("layer")) {
                    layer = within.layer().anonymous();
                } else if (token.is(Kind.FUNCTION) && name.equals("layer")) {
                    layer = within.layer().named(read.source(StyleSheet.trimmed(prelude.subList(at + 1, end - 1))));
                } else if (token.is(Kind.FUNCTION) && name.equals("supports")) {
                    holds &= Supports.holdInside(StyleSheet.trimmed(prelude.subList(at + 1, end - 1)));
                } else if (!token.is(Kind.WHITESPACE)) {
                    break;
                }
                at = end;
            }
            Layer into = layer;
            if (holds && media.holds(StyleSheet.trimmed(prelude.subList(at, prelude.size())))) {
                imports.apply(address, sheet.base())
                        .filter(found -> open.add(found.url()))
                        .ifPresent(found -> {
                            add(found, within.in(into), depth + 1);
                            open.remove(found.url());
                        });
            }
        }
    }
}
