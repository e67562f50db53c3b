package app.unciala.core.check;

import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Set;

/**
 * What changed from one check of a site to the next. What was said of a page that is not read any more is neither gone
 * nor there.
 */
public record CheckDifference(
        List<PageSaid> appeared, List<PageSaid> gone, List<String> newPages, List<String> pagesNotRead) {
    /** What a check said of a page; {@code kind} as {@code PageFinding.Kind.key} writes it. */
    public record PageSaid(String page, String kind, String severity, String message) {}

    /** What a check said: of each of its pages. */
    public record Told(Set<String> pages, List<PageSaid> said) {}

    public static CheckDifference between(Told before, Told now) {
        Set<PageSaid> known = new LinkedHashSet<>(before.said());
        Set<PageSaid> said = new LinkedHashSet<>(now.said());
        return new CheckDifference(
                said.stream().filter(one -> !known.contains(one)).toList(),
                known.stream()
                        .filter(one -> !said.contains(one) && now.pages().contains(one.page()))
                        .toList(),
                without(now.pages(), before.pages()),
                without(before.pages(), now.pages()));
    }

    public boolean isEmpty() {
        return appeared.isEmpty() && gone.isEmpty() && newPages.isEmpty() && pagesNotRead.isEmpty();
    }

    private static List<String> without(Set<String> some, Set<String> others) {
        List<String> left = new ArrayList<>(some);
        left.removeAll(others);
        return left;
    }
}
