package app.unciala.core.page;

import app.unciala.core.css.CssText;
import app.unciala.core.css.cascade.FamilyName;
import app.unciala.core.css.cascade.TextStyle;
import app.unciala.core.css.cascade.TextStyle.CustomProperty;
import app.unciala.core.css.cascade.Winner;
import app.unciala.core.css.cascade.Winner.Place;
import app.unciala.core.css.selector.Selector;
import app.unciala.core.css.selector.Specificity;
import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.page.RoleTexts.RoleText;
import app.unciala.font.face.Slope;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.stream.Collectors;

/**
 * CSS that may show the texts of a role as the role asks, the least first: the custom property that a theme sets, then a
 * rule for the role just strong enough, then one with {@code !important}. Which of them does is found by trying.
 */
final class Overrides {
    /** Where the CSS is put. */
    enum Position {
        /** After all style sheets of the page. */
        LAST,
        /** Before all of them: what wins there wins wherever it stands. */
        FIRST
    }

    private final RoleText text;
    private final TextStyle style;
    private final Position at;

    private Overrides(RoleText text, Position at) {
        this.text = text;
        this.at = at;
        style = text.style();
    }

    /** The candidates for a text, and for all that are shown otherwise for the same reason. */
    static List<String> of(RoleText text, Position at) {
        return new Overrides(text, at).candidates();
    }

    /** A declaration that the role needs, with the one that it has to beat. */
    private record Needed(String declaration, Optional<Winner> against) {
        /** No style sheet of a page wins against what is important in an attribute, or in the browser's own. */
        boolean isBeyondCss() {
            return against.filter(winner -> winner.important() && winner.place() != Place.RULE)
                    .isPresent();
        }

        boolean needsImportance() {
            return against.filter(winner -> winner.important() || winner.place() == Place.STYLE_ATTRIBUTE)
                    .isPresent();
        }

        /** What is important in a layer is beaten in that layer, or in one before it, which nobody can add at the end. */
        Optional<String> layer() {
            return against.filter(winner -> winner.important() && winner.isInLayer())
                    .flatMap(Winner::layer);
        }
    }

    private List<String> candidates() {
        List<Needed> needed = needed();
        if (needed.isEmpty() || needed.stream().anyMatch(Needed::isBeyondCss)) {
            return List.of();
        }
        List<String> candidates = new ArrayList<>();
        customProperty().ifPresent(candidates::add);
        candidates.add(rules(needed));
        return candidates;
    }

    /** What the role asks for and the style does not. */
    private List<Needed> needed() {
        List<Needed> needed = new ArrayList<>();
        if (!text.asksForFamily()) {
            needed.add(new Needed(
                    "font-family: " + stack(), against(style.winners().family())));
        }
        if (!text.asksForWeight()) {
            needed.add(new Needed(
                    "font-weight: " + number(text.role().weight()),
                    against(style.winners().weight())));
        }
        if (!text.asksForSlope()) {
            needed.add(new Needed(
                    "font-style: " + (text.role().slope() == Slope.UPRIGHT ? "normal" : "italic"),
                    against(style.winners().slope())));
        }
        text.otherMeasures()
                .forEach(measure ->
                        needed.add(new Needed(measure.property() + ": " + value(measure), against(measure.winner()))));
        return needed;
    }

    /** What the role says; where an element inside says otherwise, that it takes over what is around it. */
    private String value(OtherMeasure measure) {
        boolean isInside = measure.winner()
                .filter(winner -> RoleTexts.isInside(winner.element(), text.at()))
                .isPresent();
        return isInside
                ? "inherit"
                : Objects.requireNonNull(text.role().setting().declarations().get(measure.property()));
    }

    private static String number(double weight) {
        return weight == Math.rint(weight) ? String.valueOf((long) weight) : String.valueOf(weight);
    }

    /** The declaration to beat; what is inherited from around the role's element gives way to any rule for that element. */
    private Optional<Winner> against(Optional<Winner> winner) {
        return winner.filter(one -> one.element() == text.at() || RoleTexts.isInside(one.element(), text.at()));
    }

    /** The family of the role before what is asked for now. */
    private String stack() {
        String now = style.families().stream()
                .map(family -> family.isGeneric() ? family.name() : CssText.quote(family.name()))
                .collect(Collectors.joining(", "));
        return CssText.quote(text.role().family()) + ", " + now;
    }

    /** The custom property that the family comes from, where that holds nothing but a list of families. */
    private Optional<String> customProperty() {
        if (needed().size() != 1 || text.asksForFamily()) {
            return Optional.empty();
        }
        return style.winners().family().stream()
                .filter(winner -> winner.property().equals("font-family"))
                .flatMap(winner -> winner.via().stream())
                .findFirst()
                .filter(Overrides::isListOfFamilies)
                .flatMap(property -> selector(property)
                        .map(selector -> selector + " { " + property.name() + ": "
                                + CssText.quote(text.role().family()) + ", "
                                + property.value().replace("/**/", "") + "; }"));
    }

    private Optional<String> selector(CustomProperty property) {
        String selector = property.rule().selector();
        return at == Position.LAST ? Optional.of(selector) : stronger(selector);
    }

    /** A selector that selects the same and is stronger by a class; nothing for one that cannot simply be made so. */
    private static Optional<String> stronger(String selector) {
        if (selector.contains(",") || selector.startsWith("*")) {
            return Optional.empty();
        }
        return Optional.of(
                selector.startsWith(":root")
                        ? ":root" + selector
                        : selector.matches("html\\b.*") ? "html:root" + selector.substring(4) : ":root " + selector);
    }

    private static boolean isListOfFamilies(CustomProperty property) {
        return !property.rule().selector().equals("style")
                && FamilyName.list(StyleSheet.trimmed(StyleSheet.tokens(property.value())))
                        .isPresent();
    }

    /** Rules for the role, each just strong enough. */
    private String rules(List<Needed> needed) {
        Map<String, List<String>> bySelector = new LinkedHashMap<>();
        for (Needed one : needed) {
            String selector = one.layer().map(name -> "@layer " + name + " { ").orElse("")
                    + text.role().selectors().stream()
                            .map(selected -> strong(selected, one.against()))
                            .collect(Collectors.joining(", "));
            bySelector
                    .computeIfAbsent(selector, any -> new ArrayList<>())
                    .add(one.declaration() + (one.needsImportance() ? " !important" : "") + ";");
        }
        return bySelector.entrySet().stream()
                .map(entry -> entry.getKey() + " { " + String.join(" ", entry.getValue()) + " }"
                        + (entry.getKey().startsWith("@layer") ? " }" : ""))
                .collect(Collectors.joining("\n"));
    }

    /** A selector of the role, at least as specific as the rule to beat; of two that are equal, the later one wins. */
    private String strong(Selector selector, Optional<Winner> against) {
        String inside = against.filter(winner -> RoleTexts.isInside(winner.element(), text.at()))
                .map(winner -> " " + winner.element().tag())
                .orElse("");
        long specificity = selector.specificity() + (inside.isEmpty() ? 0 : 1);
        long needed = against.map(Winner::specificity).orElse(0L) + (at == Position.LAST ? 0 : 1);
        if (specificity >= needed) {
            return selector.text() + inside;
        }
        Specificity own = Specificity.of(specificity);
        Specificity other = Specificity.of(needed);
        int ids = Math.max(0, other.ids() - own.ids());
        int classes = Math.max(0, other.classes() - own.classes() + (other.types() > own.types() ? 1 : 0));
        boolean mayBeRoot = selector.text().matches("(?i)(:root|html|\\*).*");
        return ids > 0 || mayBeRoot
                ? selector.text() + ":not(#_)".repeat(ids) + ":not(._)".repeat(classes) + inside
                : ":root".repeat(classes) + " " + selector.text() + inside;
    }
}
