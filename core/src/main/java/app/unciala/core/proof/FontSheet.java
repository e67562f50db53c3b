package app.unciala.core.proof;

import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.StyleSheet.AtRule;
import app.unciala.core.css.syntax.StyleSheet.Declaration;
import app.unciala.core.css.syntax.StyleSheet.QualifiedRule;
import app.unciala.core.css.syntax.Token;
import app.unciala.core.css.syntax.Token.Kind;
import app.unciala.core.proof.Names.Name;
import app.unciala.core.proof.WordsOfStyle.Divided;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/** What a style sheet says of fonts: the faces it declares, and the rules that use families. */
final class FontSheet {
    /** So many custom properties are followed for one list of families. */
    private static final int MOST_PROPERTIES = 200;

    private static final int MOST_ASKED = 50;

    private final StyleSheet sheet;
    private final List<DeclaredFace> faces;
    private final List<FontUse> uses = new ArrayList<>();
    private final Map<String, Declaration> properties = new HashMap<>();
    private final Map<String, List<DeclaredFace>> byFamily = new LinkedHashMap<>();
    private final List<String> families = new ArrayList<>();
    private @Nullable Set<String> askedOnly;
    private @Nullable Map<String, Long> parts;
    private final Map<String, List<FontUse>> bySubject = new HashMap<>();

    private FontSheet(StyleSheet sheet) {
        this.sheet = sheet;
        faces = rulesNamed("font-face")
                .filter(AtRule::hasBlock)
                .map(rule -> DeclaredFace.read(sheet, rule))
                .toList();
        for (DeclaredFace face : faces) {
            face.family().ifPresent(name -> byFamily.computeIfAbsent(name.key(), key -> {
                        families.add(name.text());
                        return new ArrayList<>();
                    })
                    .add(face));
        }
        sheet.allRules().stream()
                .flatMap(rule -> rule.declarations().stream())
                .filter(Declaration::isCustomProperty)
                .forEach(declaration -> properties.put(declaration.name(), declaration));
        sheet.allRules().stream()
                .filter(QualifiedRule.class::isInstance)
                .map(QualifiedRule.class::cast)
                .forEach(this::readUses);
        uses.forEach(use -> use.subjects().forEach(subject -> bySubject
                .computeIfAbsent(subject, key -> new ArrayList<>())
                .add(use)));
    }

    static FontSheet read(String css) {
        return new FontSheet(StyleSheet.read(css));
    }

    StyleSheet sheet() {
        return sheet;
    }

    List<DeclaredFace> faces() {
        return faces;
    }

    List<FontUse> uses() {
        return uses;
    }

    Stream<AtRule> rulesNamed(String name) {
        return sheet.allRules().stream()
                .filter(AtRule.class::isInstance)
                .map(AtRule.class::cast)
                .filter(rule -> rule.name().equals(name));
    }

    /** The faces declared under a name, in any case. */
    List<DeclaredFace> declared(String family) {
        return byFamily.getOrDefault(Names.folded(family), List.of());
    }

    /** The names under which faces are declared, each once, as first written. */
    List<String> declaredFamilies() {
        return families;
    }

    /**
     * What the name of a declared family says of a weight or a slope, and the family that it is one of: by its words, or by a
     * family that rules ask for and no face is declared under. Nothing for a name that says neither, or a width.
     */
    Optional<Divided> divided(String declared) {
        return Stream.concat(
                        WordsOfStyle.divide(declared).stream(),
                        askedOnly().stream().flatMap(asked -> WordsOfStyle.divideAfter(asked, declared).stream()))
                .filter(divided -> divided.style().width().isEmpty())
                .filter(divided -> divided.style().weight().isPresent()
                        || divided.style().slope().isPresent())
                .findFirst();
    }

    /** Whether the faces of a family are declared as families of their own, each named by its style. */
    boolean isInParts(String family) {
        return declared(family).isEmpty() && parts().getOrDefault(Names.plain(family), 0L) > 1;
    }

    /** Whether a declared family is such a part. */
    boolean isPart(String declared) {
        return divided(declared).filter(divided -> isInParts(divided.family())).isPresent();
    }

    /** How many declared families are named by a style of one family. */
    private Map<String, Long> parts() {
        if (parts == null) {
            parts = families.stream()
                    .flatMap(declared -> divided(declared).stream())
                    .collect(Collectors.groupingBy(divided -> Names.plain(divided.family()), Collectors.counting()));
        }
        return parts;
    }

    /** Families that rules ask for first and no face is declared under; few, or there is no telling what belongs together. */
    private Set<String> askedOnly() {
        if (askedOnly == null) {
            Set<String> names = new LinkedHashSet<>();
            uses.stream()
                    .flatMap(use -> use.families().stream().limit(1))
                    .filter(name -> !name.unknown() && !name.isGeneric() && !name.isCssWide() && !name.isSystem())
                    .map(Name::text)
                    .filter(name -> declared(name).isEmpty())
                    .forEach(names::add);
            askedOnly = names.size() > MOST_ASKED ? Set.of() : names;
        }
        return askedOnly;
    }

    /** The rules that set what a selector ends in, such as {@code h1}. */
    List<FontUse> usesOf(String subject) {
        return bySubject.getOrDefault(subject, List.of());
    }

    private void readUses(QualifiedRule rule) {
        Optional<Declaration> family = rule.declaration("font-family");
        Optional<Declaration> shorthand = rule.declaration("font");
        if (family.isPresent()) {
            uses.add(use(rule, family.get(), family.get().value(), List.of()));
        } else if (shorthand.isPresent()) {
            List<Token> value = shorthand.get().value();
            int at = FontUse.familyStart(value);
            if (at > 0) {
                uses.add(use(rule, shorthand.get(), value.subList(at, value.size()), value.subList(0, at)));
            }
        } else {
            FontUse.withoutFamily(sheet, rule).ifPresent(uses::add);
        }
    }

    private FontUse use(QualifiedRule rule, Declaration declaration, List<Token> families, List<Token> before) {
        List<Name> names = new ArrayList<>();
        readNames(families, names, new HashSet<>());
        return FontUse.of(sheet, rule, declaration, names, before);
    }

    /** The names of a list of families; {@code var()} is replaced by what the property is set to last, if it is here. */
    private void readNames(List<Token> families, List<Name> names, Set<String> resolving) {
        for (List<Token> entry : StyleSheet.atCommas(families)) {
            Optional<Declaration> property = property(entry);
            if (property.isPresent()
                    && resolving.size() < MOST_PROPERTIES
                    && resolving.add(property.get().name())) {
                readNames(property.get().value(), names, resolving);
            } else {
                Names.read(entry, sheet.source(entry)).ifPresent(names::add);
            }
        }
    }

    private Optional<Declaration> property(List<Token> entry) {
        return entry.size() >= 2
                        && entry.get(0).is(Kind.FUNCTION)
                        && entry.get(0).value().equalsIgnoreCase("var")
                ? entry.stream()
                        .filter(token -> token.is(Kind.IDENT))
                        .findFirst()
                        .flatMap(name -> Optional.ofNullable(properties.get(name.value())))
                : Optional.empty();
    }
}
