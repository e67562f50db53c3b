package app.unciala.core.pack;

import app.unciala.core.css.CssText;
import app.unciala.core.css.TextRole;
import app.unciala.core.pack.DeliveredFiles.Delivered;
import app.unciala.core.pack.PackRequest.Role;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** What to do with a pack on its host, step by step. */
final class Instructions {
    /**
     * One step.
     *
     * @param copy a text to be copied, or empty
     */
    record Step(String what, String copy) {}

    private static final String FROM_THE_PAGE =
            " Its address has to be that of the file as the page sees it: change it where the folder is elsewhere.";

    private Instructions() {}

    static List<Step> of(PackRequest request, DeliveredFiles files, TypeRules rules, String output) {
        List<Step> steps = new ArrayList<>();
        Placement placement = request.placement();
        List<String> names = files.all().stream().map(Delivered::name).toList();
        String list = String.join("\n", names);
        request.checklist().before().forEach(line -> steps.add(new Step(line, "")));
        switch (placement.kind()) {
            case FOLDER ->
                steps.add(new Step(
                        "Put the font files into the folder "
                                + placement.folder().strip() + ", as it is seen from the style sheet.",
                        list));
            case FLAT -> steps.add(new Step("Upload the font files beside the style sheet, without a folder.", list));
            case BASE_URL ->
                steps.add(new Step(
                        "Upload the font files so that they are under "
                                + placement.base().strip() + ".",
                        list));
            case EXPRESSION ->
                steps.add(new Step(
                        "Upload the font files under these names; the host replaces the expression in the style sheet.",
                        list));
            case URL_PER_FILE -> {
                List<String> open = placement.withoutUrl(names);
                steps.add(new Step("Upload the font files, one by one.", list));
                steps.add(
                        open.isEmpty()
                                ? new Step("The style sheet has the address of each of them.", "")
                                : new Step(
                                        "Paste the address of each file under Delivery, “Addresses of the files”, and make"
                                                + " the pack again: until then the style sheet has names in their place.",
                                        String.join("\n", open)));
            }
            case INLINE -> steps.add(new Step("There is nothing to upload: the fonts are in the style sheet.", ""));
        }
        steps.add(new Step(
                switch (request.shape()) {
                    case STYLE_SHEET ->
                        "Link the style sheet in the head of every page, before those that use its families.";
                    case STYLE_BLOCK -> "Paste this into the head of every page.";
                    case APPENDED -> "Paste these rules after the last one of the style sheet that is there.";
                    case CUSTOM_PROPERTIES -> "Paste these rules, and use the properties in your own.";
                    case DESIGN_TOKENS -> "Hand the tokens to the build, and link type.css for the faces.";
                    case MENU -> "Enter these names and values in the host’s menu, and link type.css for the faces.";
                },
                request.shape() == OutputShape.STYLE_SHEET ? "<link rel=\"stylesheet\" href=\"type.css\">" : output));
        preload(request, files)
                .ifPresent(link -> steps.add(new Step(
                        "So that what is seen first is there early, put this before the style sheet."
                                + (placement.kind() == Placement.Kind.FOLDER ? FROM_THE_PAGE : ""),
                        link)));
        steps.add(new Step(
                "Open a page of the site and run this in the console of the browser: it says true when the fonts are there.",
                seen(request, rules)));
        ServerNotes.of(request).forEach(steps::add);
        request.checklist().after().forEach(line -> steps.add(new Step(line, "")));
        return steps;
    }

    /** The face of the page's running text, or else of the first role. */
    private static Optional<String> preload(PackRequest request, DeliveredFiles files) {
        boolean known = request.placement().kind() != Placement.Kind.INLINE
                && request.placement().kind() != Placement.Kind.URL_PER_FILE;
        return request.roles().stream()
                .min(Comparator.comparing((Role role) -> !role.role().equals(TextRole.RUNNING_TEXT)))
                .filter(role -> known)
                .flatMap(role -> request.faces().stream()
                        .filter(face -> face.family().equals(role.family())
                                && face.slot().serves(role.slot()))
                        .findFirst())
                .flatMap(face -> files.of(face).stream().findFirst())
                .flatMap(file -> reference(request.placement(), file.name())
                        .map(href -> "<link rel=\"preload\" href=" + href + " as=\"font\" type=\""
                                + file.format().mediaType() + "\" crossorigin>"));
    }

    /**
     * The address of a file for an attribute of the page, in quotation marks: of a folder above the style sheet's from the top of
     * the site, as pages are not where the style sheet is; an expression as it is, since the host replaces it. Nothing for an
     * expression that has both kinds of quotation marks.
     */
    private static Optional<String> reference(Placement placement, String fileName) {
        String url = placement.url(fileName);
        if (placement.kind() != Placement.Kind.EXPRESSION) {
            return Optional.of("\"" + Markup.escaped(url.replaceFirst("^(\\.\\./)+", "/")) + "\"");
        }
        return Stream.of("\"", "'")
                .filter(quote -> !url.contains(quote))
                .findFirst()
                .map(quote -> quote + url + quote);
    }

    private static String seen(PackRequest request, TypeRules rules) {
        String checks = request.roles().stream()
                .map(role -> "document.fonts.load("
                        + script(role.slot().slope().css() + " " + TypeRules.weight(role) + " 1em "
                                + CssText.quote(rules.name(role.family())))
                        + ")")
                .distinct()
                .reduce((a, b) -> a + ", " + b)
                .orElse("");
        return "Promise.all([" + checks + "]).then((all) => all.every((faces) => faces.length > 0))";
    }

    private static String script(String text) {
        return "'" + text.replace("\\", "\\\\").replace("'", "\\'").replace("<", "\\x3C") + "'";
    }
}
