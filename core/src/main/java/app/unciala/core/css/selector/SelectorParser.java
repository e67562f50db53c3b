package app.unciala.core.css.selector;

import app.unciala.core.css.selector.Selector.Combinator;
import app.unciala.core.css.selector.Selector.Key;
import app.unciala.core.css.selector.Selector.Step;
import app.unciala.core.css.selector.Simple.AnyOf;
import app.unciala.core.css.selector.Simple.Attribute;
import app.unciala.core.css.selector.Simple.Has;
import app.unciala.core.css.selector.Simple.Named;
import app.unciala.core.css.selector.Simple.Nth;
import app.unciala.core.css.selector.Simple.PseudoClass;
import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.Token;
import app.unciala.core.css.syntax.Token.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/** Reads selectors from tokens (Selectors 4, section 3 and 18). */
public final class SelectorParser {
    private static final int DEEPEST = 32;

    private final StyleSheet sheet;
    private final @Nullable Around around;

    private SelectorParser(StyleSheet sheet, @Nullable Around around) {
        this.sheet = sheet;
        this.around = around;
    }

    /**
     * What a rule stands in: another rule, or a scope, whose selectors add no weight and are what {@code :scope} means.
     */
    public record Around(List<Selector> selectors, boolean isScope) {}

    /** A selector that browsers do not take. */
    private static final class Invalid extends Exception {
        private static final long serialVersionUID = 1L;

        Invalid() {
            super(null, null, false, false);
        }
    }

    /** The selectors of a rule that stands in no other; nothing when one of them is none, as browsers drop all then. */
    public static Optional<List<Selector>> read(StyleSheet sheet, List<Token> prelude) {
        return read(new SelectorParser(sheet, null), prelude, false);
    }

    /** The selectors of a rule inside another (CSS Nesting 1) or inside a scope (CSS Cascading 6, section 2.5). */
    public static Optional<List<Selector>> readNested(StyleSheet sheet, List<Token> prelude, Around around) {
        return read(new SelectorParser(sheet, around), prelude, true);
    }

    private static Optional<List<Selector>> read(SelectorParser parser, List<Token> prelude, boolean nested) {
        try {
            List<Selector> selectors = new ArrayList<>();
            for (List<Token> part : StyleSheet.atCommas(prelude)) {
                selectors.add(nested ? parser.nested(part) : parser.complex(part, false, 0));
            }
            return Optional.of(selectors);
        } catch (Invalid e) {
            return Optional.empty();
        }
    }

    /** A nested selector without {@code &} is one for descendants, or begins with its combinator. */
    private Selector nested(List<Token> part) throws Invalid {
        boolean refers = part.stream().anyMatch(token -> token.isDelim('&') || (isScope() && token.isIdent("scope")));
        Selector own = complex(part, !refers || combinator(part, 0) != null, 0);
        if (refers && combinator(part, 0) == null) {
            return own;
        }
        List<Step> steps = new ArrayList<>();
        steps.add(new Step(Combinator.DESCENDANT, List.of(parent())));
        steps.addAll(own.steps());
        return new Selector(steps, own.pseudoElement(), own.text());
    }

    private boolean isScope() {
        return around != null && around.isScope();
    }

    private Simple parent() {
        return around == null
                ? new PseudoClass("scope", element -> element.parent().isEmpty())
                : new AnyOf(around.selectors(), false, !around.isScope());
    }

    private @Nullable Combinator combinator(List<Token> tokens, int at) {
        if (at >= tokens.size()) {
            return null;
        }
        Token token = tokens.get(at);
        return token.isDelim('>')
                ? Combinator.CHILD
                : token.isDelim('+') ? Combinator.NEXT : token.isDelim('~') ? Combinator.LATER : null;
    }

    private Selector complex(List<Token> tokens, boolean relative, int depth) throws Invalid {
        if (tokens.isEmpty() || depth > DEEPEST) {
            throw new Invalid();
        }
        List<Step> steps = new ArrayList<>();
        Compound compound = new Compound(tokens, depth);
        int at = 0;
        Combinator before = Combinator.DESCENDANT;
        Combinator first = relative ? combinator(tokens, 0) : null;
        if (first != null) {
            before = first;
            at = afterWhitespace(tokens, 1);
        }
        while (true) {
            if (compound.pseudoElement != null) {
                throw new Invalid();
            }
            at = compound.read(at);
            steps.add(new Step(before, compound.take()));
            int next = afterWhitespace(tokens, at);
            if (next == tokens.size()) {
                break;
            }
            Combinator said = combinator(tokens, next);
            if (said == null && next == at) {
                throw new Invalid();
            }
            before = said == null ? Combinator.DESCENDANT : said;
            at = said == null ? next : afterWhitespace(tokens, next + 1);
            if (at == tokens.size()) {
                throw new Invalid();
            }
        }
        Optional<String> pseudoElement = Optional.ofNullable(compound.pseudoElement);
        return relative
                ? Selector.relative(steps, pseudoElement, sheet.source(tokens))
                : new Selector(steps, pseudoElement, sheet.source(tokens));
    }

    private static int afterWhitespace(List<Token> tokens, int at) {
        int next = at;
        while (next < tokens.size() && tokens.get(next).is(Kind.WHITESPACE)) {
            next++;
        }
        return next;
    }

    /** Reads one compound after another of the tokens of a complex selector. */
    private final class Compound {
        private final List<Token> tokens;
        private final int depth;
        private List<Simple> simples = new ArrayList<>();
        private @Nullable String pseudoElement;

        private Compound(List<Token> tokens, int depth) {
            this.tokens = tokens;
            this.depth = depth;
        }

        private List<Simple> take() {
            List<Simple> taken = simples;
            simples = new ArrayList<>();
            return taken;
        }

        /** Reads a compound; gives the index after it. */
        private int read(int from) throws Invalid {
            int at = type(from);
            while (at < tokens.size()) {
                int next = subclass(at);
                if (next == at) {
                    break;
                }
                at = next;
            }
            if (at == from) {
                throw new Invalid();
            }
            return at;
        }

        private int type(int from) throws Invalid {
            int at = from;
            if (at + 1 < tokens.size()
                    && tokens.get(at).isDelim('*')
                    && tokens.get(at + 1).isDelim('|')) {
                at += 2;
            } else if (at < tokens.size() && tokens.get(at).isDelim('|')) {
                throw new Invalid();
            }
            if (at < tokens.size() && tokens.get(at).is(Kind.IDENT)) {
                if (at + 1 < tokens.size() && tokens.get(at + 1).isDelim('|')) {
                    throw new Invalid();
                }
                simples.add(new Named(Key.Kind.TYPE, tokens.get(at).value().toLowerCase(Locale.ROOT)));
                return at + 1;
            }
            if (at < tokens.size() && tokens.get(at).isDelim('*')) {
                simples.add(new Simple.Any());
                return at + 1;
            }
            return at;
        }

        private int subclass(int at) throws Invalid {
            Token token = tokens.get(at);
            if (token.isDelim('&')) {
                simples.add(parent());
                return at + 1;
            }
            if (token.is(Kind.WHITESPACE) || combinator(tokens, at) != null) {
                return at;
            }
            boolean plain = pseudoElement == null;
            if (plain
                    && token.is(Kind.HASH)
                    && !token.value().isEmpty()
                    && !Character.isDigit(token.value().charAt(0))) {
                simples.add(new Named(Key.Kind.ID, token.value()));
                return at + 1;
            }
            if (plain
                    && token.isDelim('.')
                    && at + 1 < tokens.size()
                    && tokens.get(at + 1).is(Kind.IDENT)) {
                simples.add(new Named(Key.Kind.CLASS, tokens.get(at + 1).value()));
                return at + 2;
            }
            if (plain && token.is(Kind.OPEN_SQUARE)) {
                int end = closing(at);
                simples.add(attribute(at + 1, end));
                return end + 1;
            }
            if (token.is(Kind.COLON) && at + 1 < tokens.size()) {
                return tokens.get(at + 1).is(Kind.COLON) ? pseudoElement(at + 2) : pseudoClass(at + 1);
            }
            throw new Invalid();
        }

        private int closing(int open) throws Invalid {
            int end = StyleSheet.closing(tokens, open);
            if (end == tokens.size()) {
                throw new Invalid();
            }
            return end;
        }

        private Simple attribute(int from, int end) throws Invalid {
            List<Token> said = tokens.subList(from, end).stream()
                    .filter(token -> !token.is(Kind.WHITESPACE))
                    .toList();
            int at = 0;
            while (at < said.size()
                    && (said.get(at).isDelim('*') || said.get(at).isDelim('|'))
                    && at + 1 < said.size()
                    && (said.get(at + 1).isDelim('|') || said.get(at + 1).is(Kind.IDENT))) {
                at++;
            }
            if (at >= said.size() || !said.get(at).is(Kind.IDENT)) {
                throw new Invalid();
            }
            String name = said.get(at++).value().toLowerCase(Locale.ROOT);
            if (at == said.size()) {
                return new Attribute(name, '\0', "", false);
            }
            char operator = '=';
            if (!said.get(at).isDelim('=')) {
                if (!said.get(at).is(Kind.DELIM)
                        || "~|^$*".indexOf(said.get(at).value().charAt(0)) < 0) {
                    throw new Invalid();
                }
                operator = said.get(at++).value().charAt(0);
            }
            if (at + 1 >= said.size() || !said.get(at).isDelim('=')) {
                throw new Invalid();
            }
            Token value = said.get(at + 1);
            if (!value.is(Kind.IDENT) && !value.is(Kind.STRING)) {
                throw new Invalid();
            }
            boolean anyCase = KnownNames.ANY_CASE_VALUES.contains(name);
            if (at + 2 < said.size()) {
                Token flag = said.get(at + 2);
                if (at + 3 != said.size() || (!flag.isIdent("i") && !flag.isIdent("s"))) {
                    throw new Invalid();
                }
                anyCase = flag.isIdent("i");
            }
            return new Attribute(name, operator, value.value(), anyCase);
        }

        private int pseudoElement(int at) throws Invalid {
            if (at >= tokens.size()
                    || (!tokens.get(at).is(Kind.IDENT) && !tokens.get(at).is(Kind.FUNCTION))) {
                throw new Invalid();
            }
            String name = tokens.get(at).value().toLowerCase(Locale.ROOT);
            if (!KnownNames.PSEUDO_ELEMENTS.contains(name) && !name.startsWith("-webkit-")) {
                throw new Invalid();
            }
            pseudoElement = pseudoElement == null ? name : pseudoElement + "::" + name;
            return tokens.get(at).is(Kind.FUNCTION) ? closing(at) + 1 : at + 1;
        }

        private int pseudoClass(int at) throws Invalid {
            Token token = tokens.get(at);
            String name = token.value().toLowerCase(Locale.ROOT);
            if (token.is(Kind.IDENT)) {
                if (KnownNames.OLD_PSEUDO_ELEMENTS.contains(name)) {
                    return pseudoElement(at);
                }
                if (isScope() && name.equals("scope")) {
                    simples.add(parent());
                    return at + 1;
                }
                simples.add(PseudoClasses.of(name)
                        .map(holds -> new PseudoClass(name, holds))
                        .orElseThrow(Invalid::new));
                return at + 1;
            }
            if (!token.is(Kind.FUNCTION)) {
                throw new Invalid();
            }
            int end = closing(at);
            simples.add(function(name, trimmed(at + 1, end)));
            return end + 1;
        }

        private List<Token> trimmed(int from, int end) {
            return StyleSheet.trimmed(tokens.subList(from, end));
        }

        private Simple function(String name, List<Token> arguments) throws Invalid {
            return switch (name) {
                case "is", "matches", "-webkit-any" -> new AnyOf(forgiving(arguments), false, true);
                case "where" -> new AnyOf(forgiving(arguments), false, false);
                case "not" -> new AnyOf(strict(arguments, false), true, true);
                case "has" -> new Has(strict(arguments, true));
                case "nth-child" -> nth(arguments, false, false);
                case "nth-last-child" -> nth(arguments, true, false);
                case "nth-of-type" -> nth(arguments, false, true);
                case "nth-last-of-type" -> nth(arguments, true, true);
                case "lang" -> language(arguments);
                case "dir" -> direction(arguments);
                case "host", "host-context", "state", "active-view-transition-type" ->
                    new PseudoClass(name, element -> false);
                default -> throw new Invalid();
            };
        }

        private List<Selector> strict(List<Token> arguments, boolean relative) throws Invalid {
            List<Selector> selectors = new ArrayList<>();
            for (List<Token> part : StyleSheet.atCommas(arguments)) {
                Selector selector = complex(part, relative, depth + 1);
                if (selector.pseudoElement().isPresent()) {
                    throw new Invalid();
                }
                selectors.add(selector);
            }
            return selectors;
        }

        /** Those that are none are left out (section 18.1). */
        private List<Selector> forgiving(List<Token> arguments) {
            List<Selector> selectors = new ArrayList<>();
            for (List<Token> part : StyleSheet.atCommas(arguments)) {
                try {
                    Selector selector = complex(part, false, depth + 1);
                    if (selector.pseudoElement().isEmpty()) {
                        selectors.add(selector);
                    }
                } catch (Invalid e) {
                    // In these lists what is no selector is left out, and the others count (Selectors 4, section 4.1).
                }
            }
            return selectors;
        }

        private Simple nth(List<Token> arguments, boolean fromEnd, boolean ofType) throws Invalid {
            int of = 0;
            while (of < arguments.size() && !arguments.get(of).isIdent("of")) {
                of++;
            }
            List<Selector> among = List.of();
            if (of < arguments.size()) {
                if (ofType) {
                    throw new Invalid();
                }
                among = strict(StyleSheet.trimmed(arguments.subList(of + 1, arguments.size())), false);
            }
            return Nth.of(sheet.source(StyleSheet.trimmed(arguments.subList(0, of))), fromEnd, ofType, among)
                    .orElseThrow(Invalid::new);
        }

        private Simple language(List<Token> arguments) throws Invalid {
            List<String> ranges = new ArrayList<>();
            for (List<Token> part : StyleSheet.atCommas(arguments)) {
                if (part.size() != 1
                        || (!part.get(0).is(Kind.IDENT) && !part.get(0).is(Kind.STRING))) {
                    throw new Invalid();
                }
                ranges.add(part.get(0).value().toLowerCase(Locale.ROOT));
            }
            return new PseudoClass("lang", element -> ranges.stream().anyMatch(range -> {
                String language = element.language();
                String asked = range.startsWith("*-") ? range.substring(2) : range;
                return !language.isEmpty()
                        && (language.equals(asked)
                                || language.startsWith(asked + "-")
                                || (range.startsWith("*-") && language.contains("-" + asked)));
            }));
        }

        private Simple direction(List<Token> arguments) throws Invalid {
            if (arguments.size() != 1 || !arguments.get(0).is(Kind.IDENT)) {
                throw new Invalid();
            }
            String asked = arguments.get(0).value().toLowerCase(Locale.ROOT);
            return new PseudoClass("dir", element -> {
                for (Optional<Element> e = Optional.of(element);
                        e.isPresent();
                        e = e.get().parent()) {
                    Optional<String> said = e.get().attribute("dir").map(dir -> dir.toLowerCase(Locale.ROOT));
                    if (said.isPresent() && Set.of("ltr", "rtl").contains(said.get())) {
                        return said.get().equals(asked);
                    }
                }
                return asked.equals("ltr");
            });
        }
    }
}
