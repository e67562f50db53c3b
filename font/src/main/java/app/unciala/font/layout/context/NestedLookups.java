package app.unciala.font.layout.context;

import app.unciala.font.bytes.Work;
import app.unciala.font.layout.LayoutTable;
import app.unciala.font.layout.Lookup;
import java.util.ArrayDeque;
import java.util.BitSet;
import java.util.Deque;

/** Lookups that are not started by a feature but by the rules of contextual lookups. */
public final class NestedLookups {
    private NestedLookups() {}

    /**
     * The lookups started, with those that contextual ones among them apply.
     *
     * @throws app.unciala.font.FontException if a rule leads outside the table
     */
    public static BitSet with(LayoutTable table, BitSet started) {
        Work work = new Work(table.tag());
        BitSet reached = (BitSet) started.clone();
        Deque<Integer> open = new ArrayDeque<>();
        started.stream().forEach(open::add);
        while (!open.isEmpty()) {
            for (Lookup.Subtable subtable : table.subtables(open.remove())) {
                applied(subtable, work).stream()
                        .filter(nested -> nested < table.lookupCount() && !reached.get(nested))
                        .forEach(nested -> {
                            reached.set(nested);
                            open.add(nested);
                        });
            }
        }
        return reached;
    }

    private static BitSet applied(Lookup.Subtable subtable, Work work) {
        BitSet applied = new BitSet();
        if (subtable.type().isContextual()) {
            for (int[] records : ContextSubtable.read(subtable, work).lookupRecords()) {
                for (int i = 1; i < records.length; i += 2) {
                    applied.set(records[i]);
                }
            }
        }
        return applied;
    }
}
