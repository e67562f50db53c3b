package app.unciala.core.pack;

import app.unciala.core.css.CssText;
import app.unciala.core.css.FontFaceRule;
import app.unciala.core.css.FontFaceRule.Source;
import app.unciala.core.css.TextRole;
import app.unciala.core.pack.DeliveredFiles.Delivered;
import app.unciala.core.pack.PackRequest.Face;
import app.unciala.core.pack.PackRequest.Role;
import app.unciala.core.pack.SiteCharacters.ScriptPart;
import app.unciala.core.sentence.Sentences;
import app.unciala.font.Numbers;
import app.unciala.font.face.Range;
import java.util.Base64;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Writes the rules of a pack: faces, stand-ins with matched metrics, custom properties and text roles. */
final class TypeRules {
    private static final String FALLBACK = " fallback";

    private final PackRequest request;
    private final DeliveredFiles files;

    TypeRules(PackRequest request, DeliveredFiles files) {
        this.request = request;
        this.files = files;
    }

    /** All of it, as a style sheet. */
    String styleSheet() {
        return head() + faces() + properties() + (request.shape().hasRules() ? roles() + overrides() : "");
    }

    private String overrides() {
        return request.overrides().isBlank()
                ? ""
                : "\n/* Overrides of rules that are on this site */\n"
                        + request.overrides().strip() + "\n";
    }

    private String head() {
        return "/* Type for " + CssText.comment(request.siteName()) + ", made " + Sentences.day(request.day())
                + " by Unciala. Domains: " + CssText.comment(String.join(", ", request.domains())) + ". */\n"
                + (request.shape() == OutputShape.APPENDED
                        ? "/* To be put after the rules that are there; @import rules stay before them. */\n"
                        : "")
                + "\n";
    }

    /** One rule for each face, and after them those of the stand-ins. */
    String faces() {
        Set<String> rules = new LinkedHashSet<>();
        for (Face face : request.faces()) {
            List<Source> sources = files.of(face).stream()
                    .map(file -> new Source(
                            url(file), file.format(), request.placement().kind() == Placement.Kind.EXPRESSION))
                    .toList();
            rules.add(new FontFaceRule(
                            name(face.family()),
                            face.slot(),
                            sources,
                            face.slant(),
                            face.part().map(ScriptPart::characters))
                    .css());
        }
        for (Face face : request.faces()) {
            face.stand().ifPresent(stand -> rules.add(stand.css(name(face.family()) + FALLBACK)));
        }
        return String.join("\n", rules) + "\n";
    }

    private String url(Delivered file) {
        return request.placement().kind() == Placement.Kind.INLINE
                ? "data:" + file.format().mediaType() + ";base64,"
                        + Base64.getEncoder().encodeToString(file.bytes())
                : request.placement().url(file.name());
    }

    private String properties() {
        StringBuilder css = new StringBuilder(":root {\n");
        for (Role role : request.roles()) {
            css.append("  ")
                    .append(property(role))
                    .append(": ")
                    .append(stack(role))
                    .append(";\n");
        }
        return css.append("}\n").toString();
    }

    static String property(Role role) {
        return "--type-" + role.role().key();
    }

    /** The families of a role: its own, the stand-in, those most systems have, and a generic one at the end. */
    String stack(Role role) {
        String stack = role.fallbacks().isEmpty()
                ? role.generic().stackAfter(name(role.family()))
                : Stream.concat(
                                Stream.concat(
                                                Stream.of(name(role.family())),
                                                role.fallbacks().stream().map(this::name))
                                        .map(CssText::quote),
                                Stream.of(role.generic().css()))
                        .distinct()
                        .collect(Collectors.joining(", "));
        boolean stands = request.faces().stream()
                .anyMatch(face ->
                        face.family().equals(role.family()) && face.stand().isPresent());
        String own = CssText.quote(name(role.family()));
        return stands
                ? own + ", " + CssText.quote(name(role.family()) + FALLBACK) + stack.substring(own.length())
                : stack;
    }

    String name(String family) {
        return request.names().getOrDefault(family, family);
    }

    /** From the general to the special, so that a heading is not set as running text. */
    private String roles() {
        StringBuilder css = new StringBuilder();
        request.roles().stream()
                .sorted(Comparator.comparing((Role role) -> !role.role().equals(TextRole.RUNNING_TEXT))
                        .thenComparing(Role::role))
                .forEach(role -> css.append('\n').append(rule(role)));
        boolean buttons = request.roles().stream().anyMatch(role -> role.role().equals(TextRole.BUTTONS));
        boolean text = request.roles().stream().anyMatch(role -> role.role().equals(TextRole.RUNNING_TEXT));
        if (text && !buttons) {
            css.append("\nbutton,\ninput,\nselect,\ntextarea {\n  font: inherit;\n}\n");
        }
        return css.toString();
    }

    private String rule(Role role) {
        StringBuilder css = new StringBuilder();
        String selectors = selectors(role);
        css.append(selectors)
                .append(selectors.isEmpty() ? "" : ",\n")
                .append(".type-")
                .append(role.role().key())
                .append(" {\n");
        css.append("  font-family: var(").append(property(role)).append(");\n");
        css.append("  font-weight: ").append(weight(role)).append(";\n");
        css.append("  font-style: ").append(role.slot().slope().css()).append(";\n");
        css.append("  font-stretch: ").append(Numbers.plain(width(role))).append("%;\n");
        role.setting().text().declarations().forEach((property, value) -> css.append("  ")
                .append(property)
                .append(": ")
                .append(value)
                .append(";\n"));
        return css.append("}\n").toString();
    }

    String selectors(Role role) {
        return role.role()
                .selectorOn(
                        role.setting().selector(),
                        request.roles().stream().map(Role::role).toList());
    }

    static String weight(Role role) {
        return Numbers.plain(nearest(role.slot().weight(), 400));
    }

    private static double width(Role role) {
        return nearest(role.slot().width(), 100);
    }

    private static double nearest(Range range, double wanted) {
        return Math.max(range.min(), Math.min(range.max(), wanted));
    }

    /** Names and values for the menu of a host. */
    String menu() {
        return request.roles().stream()
                .map(role -> role.role().label() + "\t" + stack(role) + "\t" + weight(role) + "\t"
                        + role.slot().slope().css())
                .collect(Collectors.joining("\n", "Name\tFont family\tWeight\tStyle\n", "\n"));
    }
}
