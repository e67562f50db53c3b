package app.unciala.core.css.selector;

import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Predicate;

/** The pseudo-classes that an element answers by itself, on a page that nobody has touched yet. */
final class PseudoClasses {
    private static final Set<String> FIELDS =
            Set.of("input", "select", "textarea", "button", "fieldset", "optgroup", "option");
    private static final Set<String> TEXT_TYPES = Set.of(
            "",
            "text",
            "search",
            "url",
            "tel",
            "email",
            "password",
            "number",
            "date",
            "month",
            "week",
            "time",
            "datetime-local");

    private static final Map<String, Predicate<Element>> KNOWN = Map.ofEntries(
            Map.entry("root", element -> element.parent().isEmpty()),
            Map.entry("scope", element -> element.parent().isEmpty()),
            Map.entry("empty", Element::isEmpty),
            Map.entry("first-child", element -> element.index() == 1),
            Map.entry("last-child", element -> element.indexFromEnd() == 1),
            Map.entry("only-child", element -> element.siblings().size() == 1),
            Map.entry("first-of-type", element -> element.indexOfType() == 1),
            Map.entry("last-of-type", element -> element.indexOfTypeFromEnd() == 1),
            Map.entry("only-of-type", element -> element.indexOfType() == 1 && element.indexOfTypeFromEnd() == 1),
            Map.entry("link", PseudoClasses::isLink),
            Map.entry("any-link", PseudoClasses::isLink),
            Map.entry("-webkit-any-link", PseudoClasses::isLink),
            Map.entry("checked", PseudoClasses::isChecked),
            Map.entry("disabled", PseudoClasses::isDisabled),
            Map.entry("enabled", element -> FIELDS.contains(element.tag()) && !isDisabled(element)),
            Map.entry("required", element -> isField(element) && element.has("required")),
            Map.entry("optional", element -> isField(element) && !element.has("required")),
            Map.entry("read-only", element -> !isEditable(element)),
            Map.entry("read-write", PseudoClasses::isEditable),
            Map.entry("placeholder-shown", PseudoClasses::showsPlaceholder),
            Map.entry("defined", element -> !element.tag().contains("-")),
            Map.entry("open", element -> Set.of("details", "dialog").contains(element.tag()) && element.has("open")));

    /** Those of a page that somebody uses, of media that play, and of what browsers draw around pages. */
    private static final Set<String> NOT_YET = Set.of(
            "hover",
            "active",
            "focus",
            "focus-visible",
            "focus-within",
            "visited",
            "target",
            "target-within",
            "autofill",
            "-webkit-autofill",
            "fullscreen",
            "-webkit-full-screen",
            "modal",
            "popover-open",
            "picture-in-picture",
            "playing",
            "paused",
            "seeking",
            "stalled",
            "buffering",
            "muted",
            "volume-locked",
            "indeterminate",
            "default",
            "in-range",
            "out-of-range",
            "valid",
            "invalid",
            "user-valid",
            "user-invalid",
            "host",
            "has-slotted",
            "current",
            "past",
            "future",
            "target-current",
            "active-view-transition",
            "-webkit-drag",
            "-webkit-full-page-media",
            "-webkit-resizer",
            "window-inactive",
            "horizontal",
            "vertical",
            "increment",
            "decrement",
            "start",
            "end",
            "single-button",
            "double-button",
            "no-button",
            "corner-present",
            "interest-source",
            "interest-target");

    private PseudoClasses() {}

    /** What it asks of an element; nothing for a name that browsers do not know. */
    static Optional<Predicate<Element>> of(String name) {
        return Optional.ofNullable(KNOWN.get(name))
                .or(() -> NOT_YET.contains(name) ? Optional.of(element -> false) : Optional.empty());
    }

    private static String type(Element input) {
        return input.attribute("type").orElse("").toLowerCase(Locale.ROOT);
    }

    private static boolean isField(Element element) {
        return Set.of("input", "select", "textarea").contains(element.tag());
    }

    private static boolean isEditable(Element element) {
        boolean text = element.tag().equals("textarea")
                || (element.tag().equals("input") && TEXT_TYPES.contains(type(element)));
        boolean field = text && !element.has("readonly") && !isDisabled(element);
        return field
                || element.attribute("contenteditable")
                        .filter(value -> !value.equalsIgnoreCase("false"))
                        .isPresent();
    }

    private static boolean showsPlaceholder(Element element) {
        return element.attribute("placeholder").filter(text -> !text.isEmpty()).isPresent()
                && ((element.tag().equals("input")
                                && element.attribute("value").orElse("").isEmpty())
                        || (element.tag().equals("textarea") && element.isEmpty()));
    }

    private static boolean isDisabled(Element element) {
        if (!FIELDS.contains(element.tag())) {
            return false;
        }
        if (element.has("disabled")) {
            return true;
        }
        Optional<Element> around = element.parent();
        boolean ofGroup = element.tag().equals("option");
        while (around.isPresent()) {
            String tag = around.get().tag();
            if (around.get().has("disabled")
                    && ((tag.equals("fieldset") && !ofGroup) || (tag.equals("optgroup") && ofGroup))) {
                return true;
            }
            around = around.get().parent();
        }
        return false;
    }

    private static boolean isLink(Element element) {
        return Set.of("a", "area").contains(element.tag()) && element.has("href");
    }

    private static boolean isChecked(Element element) {
        return element.tag().equals("option")
                ? element.has("selected")
                : element.tag().equals("input")
                        && Set.of("checkbox", "radio").contains(type(element))
                        && element.has("checked");
    }
}
