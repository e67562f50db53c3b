package app.unciala.core.page;

import app.unciala.core.css.CssText;
import app.unciala.core.css.cascade.FamilyName;
import app.unciala.core.css.cascade.Rule;
import app.unciala.core.css.cascade.TextStyle;
import app.unciala.core.css.cascade.TextStyle.CustomProperty;
import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.page.PageFinding.Kind;
import app.unciala.core.page.Run.Given;
import app.unciala.core.proof.Names;
import app.unciala.font.Numbers;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** What was asked for a text against what it is given. */
final class RunFindings {
    private final PageFaces faces;
    private final Map<String, Gathered> gathered = new LinkedHashMap<>();

    private RunFindings(PageFaces faces) {
        this.faces = faces;
    }

    /** One finding for all texts that share it. */
    private static final class Gathered {
        private final Run first;
        private final Kind kind;
        private final String message;
        private final Optional<String> fix;
        private int count;

        private Gathered(Run first, Kind kind, String message, Optional<String> fix) {
            this.first = first;
            this.kind = kind;
            this.message = message;
            this.fix = fix;
        }

        private PageFinding finding() {
            return PageFinding.at(first, kind, message, count - 1, fix);
        }
    }

    static Stream<PageFinding> find(List<Run> runs, PageFaces faces) {
        RunFindings findings = new RunFindings(faces);
        runs.forEach(findings::look);
        return findings.gathered.values().stream().map(Gathered::finding);
    }

    private void look(Run run) {
        TextStyle style = run.style();
        Given main = run.main();
        Optional<FamilyName> asked = style.families().stream()
                .filter(family -> !faces.isOfSystems(family))
                .findFirst();
        if (asked.isPresent() && !faces.declares(asked.get())) {
            undeclared(run, asked.get());
        } else if (asked.isPresent() && !asked.get().isSame(main.family()) && !lacksOnly(run, asked.get())) {
            passedOver(run, asked.get());
        }
        if (!main.isSystem()) {
            faked(run, main);
            others(run, main);
        }
        boolean endsInGeneric =
                style.families().get(style.families().size() - 1).isGeneric();
        if (asked.isPresent() && !endsInGeneric) {
            add(
                    run,
                    Kind.NO_GENERIC,
                    "The families asked" + where(style) + " end without a generic one.",
                    Optional.of("font-family: " + written(style.families()) + ", sans-serif"));
        }
        if (!main.isSystem()) {
            run.given().stream()
                    .filter(given -> !given.family().equalsIgnoreCase(main.family()))
                    .findFirst()
                    .ifPresent(given -> lacking(run, main.family(), given));
        }
    }

    /** The family asked for paints nothing of a text: its files fail, or have none of the characters. */
    private void passedOver(Run run, FamilyName asked) {
        Given main = run.main();
        int first = main.characters().isEmpty() ? ' ' : main.characters().codePointAt(0);
        if (faces.fails(asked, run.style(), first)) {
            add(
                    run,
                    Kind.FALLBACK,
                    asked.name() + " is asked for, but " + main.family() + " is shown: no file of it can be used.",
                    Optional.empty());
        } else {
            lacking(run, asked.name(), main);
        }
    }

    /** Whether the family asked for paints a part of the text: the rest of it is lacking there, and told as that. */
    private static boolean lacksOnly(Run run, FamilyName asked) {
        return run.given().stream().anyMatch(given -> !given.isSystem() && asked.isSame(given.family()));
    }

    private void faked(Run run, Given main) {
        TextStyle style = run.style();
        if (main.synthesized().contains("bold")) {
            add(
                    run,
                    Kind.FAKED_BOLD,
                    asked(run) + " is asked for, but " + name(main) + " with a faked bold is shown: no rule declares "
                            + Numbers.plain(style.weight()) + at(main) + ".",
                    Optional.of("@font-face { font-family: " + CssText.quote(main.family()) + "; font-weight: "
                            + Numbers.plain(style.weight()) + "; … } or " + run.element() + " { font-weight: "
                            + Numbers.plain(main.weight()) + " }"));
        }
        if (main.synthesized().contains("oblique")) {
            add(
                    run,
                    Kind.FAKED_ITALIC,
                    asked(run) + " is asked for, but " + name(main)
                            + " with a faked slant is shown: no rule declares an "
                            + style.slope().key() + at(main) + ".",
                    Optional.of("@font-face { font-family: " + CssText.quote(main.family()) + "; font-style: "
                            + style.slope().css() + "; … } or " + run.element() + " { font-style: normal }"));
        }
    }

    /** Given in another weight or slope without anything being faked. */
    private void others(Run run, Given main) {
        TextStyle style = run.style();
        if (main.weight() != style.weight() && !main.synthesized().contains("bold")) {
            add(
                    run,
                    Kind.OTHER_WEIGHT,
                    asked(run) + " is asked for, but " + name(main) + " is shown: no rule declares "
                            + Numbers.plain(style.weight()) + at(main) + ".",
                    Optional.of("font-weight: " + Numbers.plain(main.weight())));
        }
        if (style.slope() == Slope.UPRIGHT && main.slope() != Slope.UPRIGHT) {
            add(
                    run,
                    Kind.OTHER_SLOPE,
                    asked(run) + " is asked for, but " + name(main) + " is shown: no rule declares an upright face"
                            + at(main) + ".",
                    Optional.empty());
        }
    }

    private void lacking(Run run, String family, Given other) {
        String characters = run.given().stream()
                .filter(given -> !given.family().equalsIgnoreCase(family))
                .map(Given::characters)
                .collect(Collectors.joining());
        String shown =
                characters.codePoints().limit(12).mapToObj(Character::toString).collect(Collectors.joining(" "));
        add(
                run,
                Kind.MISSING_CHARACTERS,
                family + " lacks " + shown + ", which " + other.family() + " shows.",
                Optional.empty());
    }

    private void undeclared(Run run, FamilyName asked) {
        Optional<String> near = nearest(asked.name());
        Given main = run.main();
        add(
                run,
                Kind.UNDECLARED_FAMILY,
                "“" + asked.name() + "” is asked for" + where(run.style()) + source(run.style())
                        + ", and no rule declares it; "
                        + (main.isSystem() ? main.family() : name(main)) + " is shown"
                        + near.map(name -> ". Declared is “" + name + "”.").orElse("."),
                near.map(name -> corrected(run, asked, name)));
    }

    /** The rule to set instead: that of the custom property where the family comes from one. */
    private static String corrected(Run run, FamilyName asked, String name) {
        TextStyle style = run.style();
        for (CustomProperty property : style.familyProperty().stream().toList()) {
            Optional<List<FamilyName>> said = FamilyName.list(StyleSheet.tokens(property.value()));
            if (said.filter(names -> names.contains(asked)).isPresent()) {
                return property.rule().selector() + " { " + property.name() + ": " + renamed(said.get(), asked, name)
                        + " }";
            }
        }
        return style.familyRule().map(Rule::selector).orElse(run.path()) + " { font-family: "
                + renamed(style.families(), asked, name) + " }";
    }

    private static String renamed(List<FamilyName> families, FamilyName asked, String name) {
        return written(families.stream()
                .map(family -> family.equals(asked) ? new FamilyName(name, false) : family)
                .toList());
    }

    private static String source(TextStyle style) {
        return style.familyProperty()
                .map(property -> " from " + property.name() + " of "
                        + property.rule().selector() + " ("
                        + fileName(property.rule().url()) + ", line "
                        + property.rule().line() + ")")
                .orElse("");
    }

    /** The declared name that was probably meant; one may have a word more than the other. */
    private Optional<String> nearest(String name) {
        return Names.near(name, faces.names()).or(() -> faces.names().stream()
                .filter(declared -> beginsWith(declared, name) || beginsWith(name, declared))
                .findFirst());
    }

    private static boolean beginsWith(String name, String start) {
        return name.toLowerCase(Locale.ROOT).startsWith(start.toLowerCase(Locale.ROOT) + " ");
    }

    private void add(Run run, Kind kind, String message, Optional<String> fix) {
        String key = kind + " " + message;
        Gathered known = gathered.get(key);
        if (known == null) {
            known = new Gathered(run, kind, message, fix);
            gathered.put(key, known);
        }
        known.count++;
    }

    /** What is asked of the family that is given. */
    private static String asked(Run run) {
        return run.main().family() + " "
                + label(run.style().weight(), run.style().slope());
    }

    private static String name(Given given) {
        return given.family() + " " + label(given.weight(), given.slope());
    }

    private static String label(double weight, Slope slope) {
        return Slot.of(weight, 100, slope).label();
    }

    private static String at(Given given) {
        return given.rule()
                .map(rule -> " (" + fileName(rule.url()) + ", line " + rule.line() + ")")
                .orElse("");
    }

    private static String where(TextStyle style) {
        return style.familyRule()
                .map(rule -> " by " + rule.selector() + " (" + fileName(rule.url()) + ", line " + rule.line() + ")")
                .orElse("");
    }

    private static String fileName(String url) {
        String name = Addresses.fileName(url);
        return name.isEmpty() ? url.replaceAll("[?#].*", "") : name;
    }

    private static String written(List<FamilyName> families) {
        List<String> names = new ArrayList<>();
        families.forEach(family -> names.add(family.isGeneric() ? family.name() : CssText.quote(family.name())));
        return String.join(", ", names);
    }
}
