package app.unciala.core.check;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.css.TextRole;
import app.unciala.core.css.cascade.FamilyName;
import app.unciala.core.page.Run;
import app.unciala.core.page.Run.Given;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** The text roles that pages really have: what their headings, running text, buttons and so on are painted in. */
public final class UsedRoles {
    private final Map<TextRole, Map<Face, Integer>> counts = new TreeMap<>();
    private final Map<TextRole, GenericFamily> generics = new TreeMap<>();

    /** A face by the address of its file, as pages declare it. */
    public record Face(String url, String family) {}

    /**
     * A text role with the faces that paint it, those of most texts first.
     *
     * @param texts how many texts there are of it
     * @param generic the generic family that their stacks end in, if they do
     */
    public record Used(TextRole role, List<Face> faces, int texts, Optional<GenericFamily> generic) {}

    /** Counts the texts of a page. */
    public void add(List<Run> runs) {
        for (Run run : runs) {
            Given given = run.main();
            Optional<TextRole> role = roleOf(run.path());
            if (role.isPresent() && given.url().isPresent()) {
                counts.computeIfAbsent(role.get(), any -> new LinkedHashMap<>())
                        .merge(new Face(given.url().get(), given.family()), 1, Integer::sum);
                generic(run).ifPresent(generic -> generics.putIfAbsent(role.get(), generic));
            }
        }
    }

    public List<Used> all() {
        List<Used> used = new ArrayList<>();
        counts.forEach((role, faces) -> used.add(new Used(
                role,
                faces.entrySet().stream()
                        .sorted(Map.Entry.comparingByValue(Comparator.reverseOrder()))
                        .map(Map.Entry::getKey)
                        .toList(),
                faces.values().stream().mapToInt(Integer::intValue).sum(),
                Optional.ofNullable(generics.get(role)))));
        return used;
    }

    private static Optional<GenericFamily> generic(Run run) {
        FamilyName last = run.style().families().get(run.style().families().size() - 1);
        return Arrays.stream(GenericFamily.values())
                .filter(generic -> last.isGeneric() && generic.css().equals(last.name()))
                .findFirst();
    }

    /** The role of a text by the elements it stands in, the innermost that says one. */
    static Optional<TextRole> roleOf(String path) {
        String[] elements = path.split(" > ");
        for (int i = elements.length - 1; i >= 0; i--) {
            Optional<TextRole> role = roleOfElement(elements[i].replaceAll("[:.#\\[].*", ""));
            if (role.isPresent()) {
                return role;
            }
        }
        return Optional.empty();
    }

    private static Optional<TextRole> roleOfElement(String tag) {
        return Optional.ofNullable(
                switch (tag) {
                    case "h1" -> TextRole.PAGE_TITLE;
                    case "h2" -> TextRole.HEADINGS_2;
                    case "h3" -> TextRole.HEADINGS_3;
                    case "h4", "h5", "h6" -> TextRole.HEADINGS_4;
                    case "nav" -> TextRole.NAVIGATION;
                    case "button", "input", "select", "textarea" -> TextRole.BUTTONS;
                    case "figcaption", "caption", "small" -> TextRole.CAPTIONS;
                    case "code", "pre", "kbd", "samp" -> TextRole.CODE;
                    case "p", "li", "dd", "td", "blockquote" -> TextRole.RUNNING_TEXT;
                    default -> null;
                });
    }
}
