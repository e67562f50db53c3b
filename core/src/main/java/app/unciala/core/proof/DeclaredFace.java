package app.unciala.core.proof;

import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.StyleSheet.AtRule;
import app.unciala.core.css.syntax.StyleSheet.Declaration;
import app.unciala.core.css.syntax.Token;
import app.unciala.core.css.syntax.Token.Kind;
import app.unciala.core.proof.Names.Name;
import app.unciala.font.face.Range;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * One {@code @font-face} rule.
 *
 * @param slot what its descriptors say; normal where they say nothing
 */
public record DeclaredFace(AtRule rule, Optional<Name> family, Slot slot, List<Source> sources) {
    /**
     * One entry of {@code src}.
     *
     * @param url what it loads, or nothing for {@code local()}
     * @param urlStart where the address begins in the text, with quotes around it as far as it has any
     * @param hint what {@code format()} says, in lower case
     * @param hintStart where the word in {@code format()} begins, with its quotes
     */
    public record Source(
            Declaration src,
            int start,
            int end,
            Optional<String> url,
            int urlStart,
            int urlEnd,
            Optional<String> hint,
            int hintStart,
            int hintEnd) {
        /** The name of the file, without folders, query and fragment. */
        Optional<String> fileName() {
            return url.filter(address -> !isInline()).map(address -> {
                String path = address.replaceAll("[?#].*$", "");
                return path.substring(Math.max(path.lastIndexOf('/'), path.lastIndexOf('\\')) + 1);
            });
        }

        public boolean isInline() {
            return url.filter(address -> address.regionMatches(true, 0, "data:", 0, 5))
                    .isPresent();
        }
    }

    public static DeclaredFace read(StyleSheet sheet, AtRule rule) {
        List<Source> sources = new ArrayList<>();
        for (Declaration declaration : rule.declarations()) {
            if (declaration.is("src")) {
                StyleSheet.atCommas(declaration.value()).stream()
                        .filter(entry -> !entry.isEmpty())
                        .forEach(entry -> sources.add(source(sheet, declaration, entry)));
            }
        }
        Optional<Name> family = rule.declaration("font-family")
                .flatMap(declaration -> Names.read(declaration.value(), sheet.source(declaration.value())));
        return new DeclaredFace(rule, family, slot(rule), sources);
    }

    public boolean isOf(String name) {
        return family.filter(own -> own.names(name)).isPresent();
    }

    /** The text of its {@code unicode-range}, if it has one. */
    String characters(StyleSheet sheet) {
        return rule.declaration("unicode-range")
                .map(declaration -> sheet.source(declaration.value()))
                .orElse("");
    }

    private static Source source(StyleSheet sheet, Declaration src, List<Token> entry) {
        Optional<String> url = Optional.empty();
        int urlStart = -1;
        int urlEnd = -1;
        Optional<String> hint = Optional.empty();
        int hintStart = -1;
        int hintEnd = -1;
        String function = "";
        for (Token token : entry) {
            if (token.is(Kind.FUNCTION)) {
                function = token.value().toLowerCase(Locale.ROOT);
            } else if (token.is(Kind.URL) || (function.equals("url") && token.is(Kind.STRING))) {
                url = Optional.of(token.value());
                urlStart = token.is(Kind.URL) ? token.start() + 4 : token.start();
                boolean closed = sheet.text().charAt(token.end() - 1) == ')';
                urlEnd = token.is(Kind.URL) && closed ? token.end() - 1 : token.end();
            } else if (function.equals("format") && (token.is(Kind.STRING) || token.is(Kind.IDENT))) {
                hint = Optional.of(token.value().toLowerCase(Locale.ROOT));
                hintStart = token.start();
                hintEnd = token.end();
            } else if (token.is(Kind.CLOSE_ROUND)) {
                function = "";
            }
        }
        return new Source(
                src,
                entry.get(0).start(),
                entry.get(entry.size() - 1).end(),
                url,
                urlStart,
                urlEnd,
                hint,
                hintStart,
                hintEnd);
    }

    private static Slot slot(AtRule rule) {
        Range weight = rule.declaration("font-weight")
                .flatMap(declaration -> range(declaration.value(), 1, 1000))
                .orElse(Range.of(400));
        Range width = rule.declaration("font-stretch")
                .or(() -> rule.declaration("font-width"))
                .flatMap(declaration -> range(declaration.value(), 1, 1000))
                .orElse(Range.of(100));
        Slope slope = rule.declaration("font-style")
                .map(declaration -> slope(declaration.value()))
                .orElse(Slope.UPRIGHT);
        return new Slot(weight, width, slope);
    }

    private static Slope slope(List<Token> value) {
        return value.stream().anyMatch(token -> token.isIdent("italic"))
                ? Slope.ITALIC
                : value.stream().anyMatch(token -> token.isIdent("oblique")) ? Slope.OBLIQUE : Slope.UPRIGHT;
    }

    /** One or two numbers, percentages or words; nothing when they are none, or out of range. */
    private static Optional<Range> range(List<Token> value, double least, double most) {
        List<Double> ends = new ArrayList<>();
        for (Token token : value) {
            if (token.is(Kind.NUMBER) || token.is(Kind.PERCENTAGE)) {
                ends.add(token.number());
            } else if (token.is(Kind.IDENT)) {
                WordsOfStyle.number(token.value()).ifPresent(ends::add);
            }
        }
        if (ends.isEmpty() || ends.stream().anyMatch(end -> end < least || end > most)) {
            return Optional.empty();
        }
        double first = ends.get(0);
        double last = ends.get(ends.size() - 1);
        return Optional.of(new Range(Math.min(first, last), Math.max(first, last)));
    }
}
