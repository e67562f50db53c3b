package app.unciala.core.page;

import app.unciala.core.css.cascade.TextStyle;
import app.unciala.core.css.cascade.Winner;
import app.unciala.core.css.cascade.Winner.Place;
import app.unciala.core.css.selector.Element;
import app.unciala.core.css.selector.Selector.Matching;
import app.unciala.core.page.Run.Given;
import app.unciala.font.face.Slope;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.IdentityHashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.Set;

/**
 * Which text of a page has which role, and whether it is shown as the role asks. A text has the role of the nearest element
 * around it that a role selects; of several roles that select it, the one with the strongest selector.
 */
final class RoleTexts {
    private static final long MOST_TRIES = 20_000_000;
    /** Elements that emphasize: their texts have the family of the role, and a weight and slope of their own. */
    private static final Set<String> EMPHASIS =
            Set.of("address", "b", "cite", "dfn", "em", "i", "optgroup", "strong", "th", "var");

    private final List<AskedRole> roles;
    private final Styles styles;
    private final Map<AskedRole, IdentityHashMap<Element, TextStyle>> stated = new HashMap<>();
    private final Matching matching = new Matching(MOST_TRIES);

    /** @param styles how elements of the page would be set if a role's declarations were to win */
    RoleTexts(List<AskedRole> roles, Styles styles) {
        this.roles = roles;
        this.styles = styles;
    }

    /** Works out the style that an element would have if some declarations, by property, were to win. */
    interface Styles {
        TextStyle of(Element element, Map<String, String> winning);
    }

    /** A text of a page with the element that it stands in, and its pseudo-element if it is one's. */
    record Shown(Element element, String pseudoElement, Run run) {}

    /**
     * A text with its role.
     *
     * @param at the element that the role selects
     * @param isEmphasized whether weight and slope are not the role's
     * @param stated the style of that element with the size, line height and spacings that the role says; nothing where it
     *     says none
     */
    record RoleText(AskedRole role, Shown shown, Element at, boolean isEmphasized, Optional<TextStyle> stated) {
        private Given given() {
            return shown.run().main();
        }

        TextStyle style() {
            return shown.run().style();
        }

        /** The same text as it is shown with other CSS. */
        RoleText as(Shown now) {
            return new RoleText(role, now, at, isEmphasized, stated);
        }

        boolean isAsAsked() {
            return isInItsFace() && otherMeasures().isEmpty();
        }

        boolean isInItsFace() {
            return given().family().equalsIgnoreCase(role.family())
                    && given().synthesized().isEmpty()
                    && (isEmphasized
                            || (given().weight() == role.weight() && isSameSlope(given().slope(), role.slope())));
        }

        /** Whether it is as asked, but for a slope of emphasis that the page has no file for. */
        boolean isAsFarAsCssGoes() {
            return (isInItsFace() || (isEmphasized && given().family().equalsIgnoreCase(role.family())))
                    && otherMeasures().isEmpty();
        }

        /** What the text does not have as the role says, besides the face. */
        List<OtherMeasure> otherMeasures() {
            return stated.stream()
                    .flatMap(wanted -> role.setting().declarations().entrySet().stream()
                            .filter(said -> !has(Measure.of(said.getKey()), wanted))
                            .map(said -> OtherMeasure.of(Measure.of(said.getKey()), said.getValue(), wanted, style())))
                    .toList();
        }

        private boolean has(Measure measure, TextStyle wanted) {
            return measure.isSame(style(), wanted) || measure.isOfBrowsersInside(at, style());
        }

        /** Whether the style asks for the family of the role first. */
        boolean asksForFamily() {
            return style().families().get(0).isSame(role.family());
        }

        boolean asksForWeight() {
            return isEmphasized || style().weight() == role.weight();
        }

        boolean asksForSlope() {
            return isEmphasized || isSameSlope(style().slope(), role.slope());
        }

        /** The declaration that decides on the first property that is not as asked. */
        Optional<Winner> winner() {
            return !asksForFamily()
                    ? style().winners().family()
                    : !asksForWeight()
                            ? style().winners().weight()
                            : !asksForSlope()
                                    ? style().winners().slope()
                                    : otherMeasures().stream()
                                            .flatMap(measure -> measure.winner().stream())
                                            .findFirst();
        }
    }

    static boolean isSameSlope(Slope one, Slope other) {
        return (one == Slope.UPRIGHT) == (other == Slope.UPRIGHT);
    }

    /** The texts that have a role. */
    List<RoleText> of(List<Shown> shown) {
        List<RoleText> found = new ArrayList<>();
        shown.forEach(text -> roleOf(text).ifPresent(found::add));
        return found;
    }

    /** Texts by what they are shown in and why, in the order of the page. */
    static Map<List<Object>, List<RoleText>> alike(List<RoleText> texts) {
        Map<List<Object>, List<RoleText>> groups = new LinkedHashMap<>();
        for (RoleText text : texts) {
            Given given = text.given();
            Object reason = text.isAsAsked()
                    ? ""
                    : text.winner().<Object>map(winner -> reason(winner, text)).orElse("");
            groups.computeIfAbsent(
                            List.of(
                                    given.family(),
                                    given.weight(),
                                    given.slope(),
                                    given.synthesized(),
                                    text.isAsAsked(),
                                    text.at() == text.shown().element(),
                                    text.otherMeasures().stream()
                                            .map(measure ->
                                                    List.of(measure.property(), measure.asked(), measure.shown()))
                                            .toList(),
                                    reason),
                            any -> new ArrayList<>())
                    .add(text);
        }
        return groups;
    }

    /** What has to be beaten, which the same CSS can do for all texts of which it is the same. */
    private static List<Object> reason(Winner winner, RoleText text) {
        String inside = isInside(winner.element(), text.at()) ? winner.element().tag() : "";
        return List.of(winner.rule(), winner.value(), winner.important(), inside);
    }

    private Optional<RoleText> roleOf(Shown text) {
        boolean emphasized = false;
        String pseudo = text.pseudoElement();
        for (Element at = text.element(); at != null; at = at.parent().orElse(null)) {
            Optional<AskedRole> role = strongest(at, pseudo);
            if (role.isPresent()) {
                return isOfBrowsers(text.run().style(), at)
                        ? Optional.empty()
                        : Optional.of(new RoleText(role.get(), text, at, emphasized, stated(role.get(), at, pseudo)));
            }
            if (!pseudo.isEmpty()) {
                // What a pseudo-element shows, such as an icon, has no part in the roles around it.
                return Optional.empty();
            }
            emphasized |= EMPHASIS.contains(at.tag());
        }
        return Optional.empty();
    }

    private Optional<TextStyle> stated(AskedRole role, Element at, String pseudo) {
        Map<String, String> said = role.setting().declarations();
        return said.isEmpty() || !pseudo.isEmpty()
                ? Optional.empty()
                : Optional.of(stated.computeIfAbsent(role, any -> new IdentityHashMap<>())
                        .computeIfAbsent(at, element -> styles.of(element, said)));
    }

    private Optional<AskedRole> strongest(Element element, String pseudo) {
        Optional<AskedRole> best = Optional.empty();
        long most = -1;
        for (AskedRole role : roles) {
            OptionalLong specificity = role.matches(element, pseudo, matching);
            if (specificity.isPresent() && specificity.getAsLong() > most) {
                most = specificity.getAsLong();
                best = Optional.of(role);
            }
        }
        return best;
    }

    /** Whether an element inside has a family of the browser's own, such as a button or code, and so a role of its own. */
    private static boolean isOfBrowsers(TextStyle style, Element at) {
        return style.winners()
                .family()
                .filter(winner -> winner.place() == Place.BROWSER && isInside(winner.element(), at))
                .isPresent();
    }

    static boolean isInside(Element element, Element around) {
        Optional<Element> up = element.parent();
        while (up.isPresent() && up.get() != around) {
            up = up.get().parent();
        }
        return up.isPresent();
    }
}
