package app.unciala.core.proof;

import app.unciala.core.css.CssText;
import app.unciala.core.css.Keywords;
import app.unciala.core.css.syntax.Token;
import app.unciala.core.css.syntax.Token.Kind;
import app.unciala.core.search.WrongLetters;
import java.text.Normalizer;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/** Family names as style sheets write them, compared as people mistake them. */
public final class Names {
    /** Names of the system's own font, which stand for no family of this name. */
    private static final Set<String> SYSTEM_FONT = Set.of("-apple-system", "blinkmacsystemfont");

    /** Families that come with operating systems, in lower case. */
    private static final Set<String> SYSTEM = Set.of(
            "arial",
            "arial black",
            "arial narrow",
            "arial unicode ms",
            "helvetica",
            "helvetica neue",
            "times",
            "times new roman",
            "courier",
            "courier new",
            "georgia",
            "verdana",
            "tahoma",
            "trebuchet ms",
            "impact",
            "comic sans ms",
            "palatino",
            "palatino linotype",
            "book antiqua",
            "garamond",
            "baskerville",
            "didot",
            "bodoni mt",
            "optima",
            "futura",
            "gill sans",
            "avenir",
            "avenir next",
            "century gothic",
            "lucida grande",
            "lucida sans",
            "lucida sans unicode",
            "lucida console",
            "monaco",
            "menlo",
            "consolas",
            "sf mono",
            "sfmono-regular",
            "cascadia code",
            "cascadia mono",
            "segoe ui",
            "segoe ui emoji",
            "segoe ui symbol",
            "segoe ui historic",
            "apple color emoji",
            "noto color emoji",
            "noto sans",
            "noto serif",
            "roboto",
            "roboto mono",
            "droid sans",
            "droid sans mono",
            "droid serif",
            "oxygen",
            "oxygen-sans",
            "ubuntu",
            "ubuntu mono",
            "cantarell",
            "dejavu sans",
            "dejavu sans mono",
            "dejavu serif",
            "liberation sans",
            "liberation serif",
            "liberation mono",
            "bitstream vera sans",
            "charter",
            "cambria",
            "calibri",
            "candara",
            "constantia",
            "corbel",
            "franklin gothic medium",
            "hoefler text",
            "rockwell",
            "copperplate",
            "papyrus",
            "brush script mt",
            "american typewriter",
            "andale mono",
            "geneva",
            "symbol",
            "webdings",
            "wingdings",
            "emojione mozilla",
            "twemoji mozilla",
            "android emoji",
            "emojisymbols",
            "pingfang sc",
            "pingfang tc",
            "microsoft yahei",
            "hiragino sans",
            "hiragino kaku gothic pro",
            "meiryo",
            "osaka",
            "ms pgothic",
            "ms gothic",
            "yu gothic",
            "simsun",
            "malgun gothic",
            "apple sd gothic neo");

    private Names() {}

    /**
     * One name of a list of families.
     *
     * @param written how it stands there: as a string, as identifiers, as a function whose value is not known, or, as
     *     a bad string, in typographic quotes
     */
    public record Name(String text, Kind written, boolean valid, int start, int end) {
        boolean quoted() {
            return written == Kind.STRING;
        }

        boolean unquoted() {
            return written == Kind.IDENT;
        }

        /** Whether it is no name, but a function such as {@code var()} whose value is not known. */
        boolean unknown() {
            return written == Kind.FUNCTION;
        }

        public boolean isGeneric() {
            return !quoted() && Names.isGeneric(text.toLowerCase(Locale.ROOT));
        }

        boolean isCssWide() {
            return !quoted()
                    && (Keywords.WIDE.contains(folded(text)) || folded(text).equals("default"));
        }

        public boolean isSystem() {
            return isGeneric() || SYSTEM.contains(folded(text));
        }

        boolean names(String family) {
            return text.equalsIgnoreCase(family);
        }

        String key() {
            return folded(text);
        }
    }

    private static boolean isGeneric(String folded) {
        return Keywords.GENERIC_FAMILIES.contains(folded) || SYSTEM_FONT.contains(folded);
    }

    /** Whether a family of this name, in lower case, comes with operating systems. */
    public static boolean isOfSystems(String folded) {
        return SYSTEM.contains(folded) || isGeneric(folded);
    }

    /** Reads one entry of a list of families: a string, or identifiers with spaces between. */
    static Optional<Name> read(List<Token> entry, String source) {
        if (entry.isEmpty()) {
            return Optional.empty();
        }
        Token first = entry.get(0);
        int start = first.start();
        int end = entry.get(entry.size() - 1).end();
        if (entry.size() == 1 && first.is(Kind.STRING)) {
            return Optional.of(new Name(first.value(), Kind.STRING, true, start, end));
        }
        boolean runsOn = entry.stream().anyMatch(token -> token.is(Kind.COLON));
        if (runsOn || entry.stream().anyMatch(token -> token.is(Kind.FUNCTION))) {
            return Optional.of(new Name(source, Kind.FUNCTION, true, start, end));
        }
        if (first.is(Kind.STRING)) {
            // A string and more: a comma is missing, which is told where the declaration is read.
            return Optional.of(new Name(source, Kind.FUNCTION, true, start, end));
        }
        boolean valid = entry.stream().allMatch(token -> token.is(Kind.IDENT) || token.is(Kind.WHITESPACE));
        String text = valid
                ? entry.stream()
                        .filter(token -> token.is(Kind.IDENT))
                        .map(Token::value)
                        .collect(Collectors.joining(" "))
                : source.replaceAll("[\"'\\s]+", " ");
        boolean typographic = TypographicQuotes.in(text);
        return Optional.of(new Name(
                TypographicQuotes.removed(text).strip(),
                typographic ? Kind.BAD_STRING : Kind.IDENT,
                valid,
                start,
                end));
    }

    static String quoted(String family) {
        return CssText.quote(family);
    }

    static String folded(String name) {
        return name.strip().toLowerCase(Locale.ROOT);
    }

    /** Letters and digits only, without accents: the same for names that differ in case, hyphens or spaces. */
    static String plain(String name) {
        return Normalizer.normalize(name, Normalizer.Form.NFD)
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^\\p{L}\\p{Nd}]", "");
    }

    /** The family that was probably meant: the same but for case and signs, for words of style, or for a letter or two. */
    public static Optional<String> near(String name, Collection<String> families) {
        return new NearNames(families).of(name);
    }

    /** How many letters are wrong between two names, counted up to 3. */
    static int distance(String a, String b) {
        return WrongLetters.between(a, b, 2);
    }
}
