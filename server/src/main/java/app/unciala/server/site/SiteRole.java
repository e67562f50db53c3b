package app.unciala.server.site;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.css.TextRole;
import app.unciala.core.css.TextSetting;
import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.css.syntax.StyleSheet.QualifiedRule;
import app.unciala.core.pack.PackRequest.Setting;
import app.unciala.server.fault.Fault;
import app.unciala.server.inventory.SlotView;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.regex.Pattern;

/**
 * A text role of a site set in a family, by its id: one of the usual ones such as {@code HEADINGS}, or the name of one of
 * the site's own; the first face is the one that plain text of the role uses. Selector, size, line
 * height and letter spacing are as CSS has them, and empty where nothing is said.
 */
@Schema(name = "Role")
public record SiteRole(
        @NotBlank(message = "A text role needs its name.")
        @Size(max = 60, message = "The name of a text role has at most 60 characters.")
        String role,

        @NotBlank(message = "A text role needs a family.")
        @Size(max = 20, message = "A family’s id has at most 20 characters.")
        String familyId,

        GenericFamily generic,

        @Size(max = 200, message = "A role asks for at most 200 faces.")
        List<@NotNull(message = "A face is a slot.") SlotView> faces,

        @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED)
        @Size(max = 1000, message = "A selector has at most 1,000 characters.")
        String selector,

        @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED)
        @Size(max = 240, message = "A size has at most 240 characters.")
        String size,

        @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED)
        @Size(max = 240, message = "A line height has at most 240 characters.")
        String lineHeight,

        @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED)
        @Size(max = 240, message = "A letter spacing has at most 240 characters.")
        String letterSpacing,

        @Schema(requiredMode = Schema.RequiredMode.NOT_REQUIRED)
        @Size(max = 240, message = "A word spacing has at most 240 characters.")
        String wordSpacing,

        @Schema(
                requiredMode = Schema.RequiredMode.NOT_REQUIRED,
                description = "Families before the generic one; without any, those that most systems have.")
        @Size(max = 20, message = "A role has at most 20 fallbacks.")
        List<@NotBlank(message = "A fallback is the name of a family.") @Size(max = 200) String> fallbacks) {
    private static final Pattern LENGTH = Pattern.compile(
            "(normal|[+-]?(\\d+|\\d*\\.\\d+)(px|rem|em|%|vw|ch|pt)?|(clamp|calc|min|max|var)\\([^;{}<>]{1,200}\\))?");

    public SiteRole {
        generic = generic == null ? GenericFamily.SANS_SERIF : generic;
        faces = faces == null ? List.of() : Collections.unmodifiableList(new ArrayList<>(faces));
        selector = Objects.requireNonNullElse(selector, "");
        size = Objects.requireNonNullElse(size, "");
        lineHeight = Objects.requireNonNullElse(lineHeight, "");
        letterSpacing = Objects.requireNonNullElse(letterSpacing, "");
        wordSpacing = Objects.requireNonNullElse(wordSpacing, "");
        fallbacks = fallbacks == null ? List.of() : Collections.unmodifiableList(new ArrayList<>(fallbacks));
    }

    /** A role on its usual elements, of which nothing is said but its faces. */
    public SiteRole(String role, String familyId, GenericFamily generic, List<SlotView> faces) {
        this(role, familyId, generic, faces, "", "", "", "", "", List.of());
    }

    /** The text role itself. */
    public TextRole textRole() {
        return TextRole.of(role);
    }

    /** The size, line height and spacings that it says. */
    public TextSetting text() {
        return new TextSetting(size, lineHeight, letterSpacing, wordSpacing);
    }

    /** What it says besides its faces. */
    public Setting setting() {
        return new Setting(selector, text());
    }

    /** The role set in another family. */
    public SiteRole ofFamily(String id) {
        return new SiteRole(
                role, id, generic, faces, selector, size, lineHeight, letterSpacing, wordSpacing, fallbacks);
    }

    /** The roles without their faces and the names of families, in a text that is equal for equal settings. */
    public static String settings(List<SiteRole> roles, Map<String, String> ownNames) {
        return new TreeMap<>(ownNames)
                + roles.stream()
                        .map(role -> new SiteRole(
                                role.role,
                                "",
                                role.generic,
                                List.of(),
                                role.selector,
                                role.size,
                                role.lineHeight,
                                role.letterSpacing,
                                role.wordSpacing,
                                role.fallbacks))
                        .toList()
                        .toString();
    }

    /** The role as it is recorded; refused where its selector or a length is none. */
    SiteRole checked() {
        return new SiteRole(
                name(role),
                familyId,
                generic,
                faces.stream()
                        .map(face -> SlotView.of(face.toSlot()))
                        .distinct()
                        .toList(),
                selector(selector),
                length(size),
                length(lineHeight),
                length(letterSpacing),
                length(wordSpacing),
                fallbacks.stream().map(SiteRole::fallback).distinct().toList());
    }

    /** A role's id as it is recorded; refused when it is the name of none. */
    private static String name(String typed) {
        try {
            return TextRole.of(typed).id();
        } catch (IllegalArgumentException e) {
            throw Fault.invalid("roles", e.getMessage() + ".");
        }
    }

    /** A selector as it may stand before a block of a style sheet; refused when it is none. */
    private static String selector(String typed) {
        String selector = typed.strip();
        if (selector.isEmpty()) {
            return "";
        }
        StyleSheet sheet = StyleSheet.read(selector + "{}");
        boolean one = sheet.problems().isEmpty()
                && sheet.rules().size() == 1
                && sheet.rules().get(0) instanceof QualifiedRule rule
                && rule.end() == selector.length() + 2
                && rule.content().isEmpty()
                && StyleSheet.atCommas(rule.prelude()).stream().noneMatch(List::isEmpty);
        if (!one || selector.matches("(?s).*[<;@!].*")) {
            throw Fault.invalid("roles", "“" + typed + "” isn’t a selector; write one such as h1, .lead.");
        }
        return selector;
    }

    /** The name of a family as it may stand in quotation marks. */
    private static String fallback(String typed) {
        return CssName.checked("roles", typed);
    }

    /** A size, line height or spacing as it may stand in a declaration; refused when it is none. */
    private static String length(String typed) {
        if (!LENGTH.matcher(typed.strip()).matches()) {
            throw Fault.invalid("roles", "“" + typed + "” isn’t a length; write one such as 1.2rem, or 1.5.");
        }
        return typed.strip();
    }
}
