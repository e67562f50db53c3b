package app.unciala.core.proof;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.css.syntax.StyleSheet.QualifiedRule;
import app.unciala.core.proof.Names.Name;
import app.unciala.core.proof.WordsOfStyle.Divided;
import app.unciala.font.budget.Budget;
import app.unciala.font.face.StyleNames.Said;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** Names of families: quoted where they must be, declared as they are used, with a generic family at the end. */
final class NameFindings {
    /** A style sheet with more rules than this that set one character before an element belongs to an icon font. */
    private static final int ICONS = 4;

    private final FontSheet fonts;
    private final Reference reference;
    private final boolean ofIcons;
    private final boolean imports;
    private final Map<String, GenericFamily> elsewhere;
    private final NearNames near;
    private final Set<String> declared;
    private final List<Finding> found = new ArrayList<>();
    private final Set<Integer> seen = new HashSet<>();

    private NameFindings(FontSheet fonts, Reference reference) {
        this.fonts = fonts;
        this.reference = reference;
        ofIcons = fonts.sheet().allRules().stream()
                        .filter(QualifiedRule.class::isInstance)
                        .filter(rule -> rule.declaration("content").isPresent())
                        .count()
                > ICONS;
        elsewhere = generics(fonts);
        near = new NearNames(fonts.declaredFamilies());
        declared = Set.copyOf(fonts.declaredFamilies());
        imports = fonts.rulesNamed("import").findAny().isPresent();
    }

    static Stream<Finding> find(FontSheet fonts, Reference reference) {
        NameFindings findings = new NameFindings(fonts, reference);
        fonts.faces().stream().flatMap(face -> face.family().stream()).forEach(name -> findings.quoting(name, true));
        for (FontUse use : fonts.uses()) {
            Budget.check();
            use.families().stream()
                    .filter(name -> findings.seen.add(name.start()))
                    .forEach(name ->
                            findings.quoting(name, name.equals(use.families().get(0))));
            findings.declared(use);
            findings.generic(use);
        }
        return findings.found.stream();
    }

    /** Of valid names those that fall back on what may be installed are left as they are. */
    private void quoting(Name name, boolean first) {
        if (!name.unquoted() || name.isCssWide()) {
            return;
        }
        boolean spaced = name.text().contains(" ") && (isDeclared(name) || (first && !name.isSystem()));
        if (!name.valid() || spaced) {
            String quoted = Names.quoted(name.text());
            found.add(Finding.at(
                            fonts.sheet(),
                            name.start(),
                            FindingKind.UNQUOTED_NAME,
                            name.valid()
                                    ? "The name has spaces and stands without quotes; a digit or sign added to it would"
                                            + " end the rule."
                                    : "This name must stand in quotes: without them browsers pass over the declaration.")
                    .fixedBy(quoted, new Edit(name.start(), name.end(), quoted)));
        }
    }

    private void declared(FontUse use) {
        List<Name> names = use.families();
        boolean anyDeclared = names.stream().anyMatch(this::isDeclared);
        boolean leads = true;
        Set<Integer> told = new HashSet<>();
        for (Name name : names) {
            if (name.unknown() || name.isGeneric() || name.isCssWide()) {
                leads = leads && !name.isGeneric() && !name.unknown();
                continue;
            }
            if (!isDeclared(name) && !fonts.isInParts(name.text()) && told.add(name.start())) {
                Optional<String> meant = name.isSystem() ? near.same(name.text()) : near.of(name.text());
                if (meant.isPresent()) {
                    found.add(mismatch(use, name, meant.get()));
                } else if (leads && !name.isSystem() && !anyDeclared && !imports && !ofIcons) {
                    found.add(Finding.at(
                            fonts.sheet(),
                            name.start(),
                            FindingKind.UNDECLARED_FAMILY,
                            "No @font-face declares “" + name.text()
                                    + "”: visitors who have not installed it see the next family."));
                }
            }
            leads = leads && !name.isSystem();
        }
    }

    private boolean isDeclared(Name name) {
        return declared.contains(name.text());
    }

    private Finding mismatch(FontUse use, Name name, String near) {
        List<Edit> edits = new ArrayList<>();
        edits.add(new Edit(name.start(), name.end(), Names.quoted(near)));
        WordsOfStyle.divide(name.text())
                .map(Divided::style)
                .flatMap(Said::weight)
                .filter(weight -> !Names.plain(near).equals(Names.plain(name.text())))
                .filter(weight -> use.weight().isEmpty() && weight != 400)
                .ifPresent(weight -> edits.add(Corrections.set(fonts.sheet(), use.rule(), "font-weight", "" + weight)));
        boolean onlyCase = near.equalsIgnoreCase(name.text());
        return Finding.at(
                        fonts.sheet(),
                        name.start(),
                        FindingKind.NAME_MISMATCH,
                        onlyCase
                                ? "“" + name.text() + "” is declared as “" + near
                                        + "”: browsers take the one for the other, other tools may not."
                                : "“" + name.text() + "” is not declared; “" + near + "” is.")
                .fixedBy(Names.quoted(near), edits);
    }

    private void generic(FontUse use) {
        List<Name> names = use.families();
        boolean complete = names.isEmpty()
                || names.stream()
                        .anyMatch(name -> name.isGeneric() || name.isCssWide() || name.unknown() || !name.valid());
        if (complete
                || ofIcons
                || isForSigns(use)
                || !seen.add(-use.declaration().start() - 1)) {
            return;
        }
        Name last = names.get(names.size() - 1);
        String generic = generic(names.get(0)).css();
        found.add(Finding.at(
                        fonts.sheet(),
                        last.start(),
                        FindingKind.NO_GENERIC,
                        "The list of families ends without a generic one; end it with " + generic + ".")
                .fixedBy(", " + generic, Edit.insert(last.end(), ", " + generic)));
    }

    /** Signs and formulas are set in one font, for which no generic family can stand. */
    private static boolean isForSigns(FontUse use) {
        return use.subjects().stream().anyMatch(subject -> subject.matches(".*:(before|after|marker)$"))
                || use.families().stream().anyMatch(name -> name.text()
                        .toLowerCase(Locale.ROOT)
                        .matches(".*(icon|awesome|glyph|symbol|dingbat|emoji|math|katex|music).*"));
    }

    private GenericFamily generic(Name first) {
        Optional<GenericFamily> ofFile = reference.files().stream()
                .flatMap(List::stream)
                .filter(file -> Names.plain(file.family()).equals(Names.plain(first.text())))
                .flatMap(file -> file.generic().stream())
                .findFirst();
        return ofFile.or(() -> said(first.key()))
                .or(() -> Optional.ofNullable(elsewhere.get(first.key())))
                .orElse(GenericFamily.SANS_SERIF);
    }

    /** The generic families that rules give a family, by its key; of several the first. */
    private static Map<String, GenericFamily> generics(FontSheet fonts) {
        Map<String, GenericFamily> generics = new HashMap<>();
        for (FontUse use : fonts.uses()) {
            Budget.check();
            for (Name name : use.families()) {
                if (name.isGeneric()) {
                    Stream.of(GenericFamily.values())
                            .filter(generic -> generic.css().equals(name.key()))
                            .forEach(generic ->
                                    generics.putIfAbsent(use.families().get(0).key(), generic));
                }
            }
        }
        return generics;
    }

    /** What the name itself says of its kind. */
    private static Optional<GenericFamily> said(String name) {
        if (name.matches(".*\\b(mono|code|courier|console|typewriter)\\w*.*")) {
            return Optional.of(GenericFamily.MONOSPACE);
        }
        if (name.contains("sans")) {
            return Optional.of(GenericFamily.SANS_SERIF);
        }
        return name.matches(".*\\b(serif|slab|roman|antiqua|garamond|times|georgia)\\b.*")
                ? Optional.of(GenericFamily.SERIF)
                : Optional.empty();
    }
}
