package app.unciala.core.proof;

import app.unciala.font.budget.Budget;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/** A replacement of a part of a text; both ends are offsets in UTF-16 units, the second exclusive. */
public record Edit(int start, int end, String text) {
    private static final Comparator<Edit> ORDER =
            Comparator.comparingInt(Edit::start).thenComparingInt(Edit::end);

    static Edit insert(int at, String text) {
        return new Edit(at, at, text);
    }

    /** The text with groups of edits made; a group of which any edit touches one made before is left out whole. */
    static String apply(String text, Collection<List<Edit>> groups) {
        TreeMap<Integer, List<Edit>> made = new TreeMap<>();
        for (List<Edit> group : groups) {
            if (group.stream().noneMatch(edit -> edit.touchesAny(made))) {
                group.forEach(edit -> made.computeIfAbsent(edit.start, any -> new ArrayList<>())
                        .add(edit));
            }
        }
        StringBuilder out = new StringBuilder();
        int from = 0;
        for (Edit edit :
                made.values().stream().flatMap(List::stream).sorted(ORDER).toList()) {
            out.append(text, from, edit.start).append(edit.text);
            from = edit.end;
        }
        return out.append(text, from, text.length()).toString();
    }

    /** Whether it touches any of those made, which are kept by their start and do not overlap each other. */
    private boolean touchesAny(TreeMap<Integer, List<Edit>> made) {
        Budget.check();
        Map.Entry<Integer, List<Edit>> before = made.floorEntry(start);
        return (before != null && before.getValue().stream().anyMatch(this::touches))
                || made.subMap(start, true, Math.max(start, end), true).values().stream()
                        .flatMap(List::stream)
                        .anyMatch(this::touches);
    }

    private boolean touches(Edit other) {
        return equals(other) || (start < other.end && other.start < end) || start == other.start;
    }
}
