package app.unciala.core.proof;

import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;

/** A replacement of a part of a text; both ends are offsets in UTF-16 units, the second exclusive. */
public record Edit(int start, int end, String text) {
    private static final Comparator<Edit> ORDER =
            Comparator.comparingInt(Edit::start).thenComparingInt(Edit::end);

    static Edit insert(int at, String text) {
        return new Edit(at, at, text);
    }

    /** The text with groups of edits made; a group of which any edit touches one made before is left out whole. */
    static String apply(String text, Collection<List<Edit>> groups) {
        List<Edit> made = new ArrayList<>();
        for (List<Edit> group : groups) {
            if (group.stream().noneMatch(edit -> made.stream().anyMatch(edit::touches))) {
                made.addAll(group);
            }
        }
        made.sort(ORDER);
        StringBuilder out = new StringBuilder();
        int from = 0;
        for (Edit edit : made) {
            out.append(text, from, edit.start).append(edit.text);
            from = edit.end;
        }
        return out.append(text, from, text.length()).toString();
    }

    private boolean touches(Edit other) {
        return equals(other) || (start < other.end && other.start < end) || start == other.start;
    }
}
