package app.unciala.font.subset.color;

import static app.unciala.font.color.ColorLayers.VARIATION_INDEX_MAP;
import static app.unciala.font.color.ColorLayers.VARIATION_STORE;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.packing.Block;
import app.unciala.font.variation.DeltaSetIndexMap;
import app.unciala.font.variation.ItemVariationStore;
import app.unciala.font.variation.Location;
import app.unciala.font.variation.VariationStoreCut;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * What becomes of the deltas of paints (OpenType 1.9, "COLR", "Variation data"): those of kept paints are numbered anew, or
 * those of a location are added to the values. A paint with n values names n deltas that follow one another.
 */
final class PaintDeltas {
    /** The index of deltas of a paint that does not vary. */
    private static final long NO_DELTAS = 0xFFFFFFFFL;

    /** The first of some deltas, and how many there are. */
    private record Slice(long first, int count) {}

    private final @Nullable ItemVariationStore store;
    private final @Nullable DeltaSetIndexMap map;
    private final @Nullable Location instanceAt;
    private final @Nullable VariationStoreCut cut;
    private final List<Integer> rows = new ArrayList<>();
    private final Map<Slice, Integer> kept = new HashMap<>();

    private PaintDeltas(ByteView colr, @Nullable Location instanceAt) {
        this.instanceAt = instanceAt;
        boolean varies = colr.u16(0) > 0 && colr.u32(VARIATION_STORE) != 0;
        store = varies ? ItemVariationStore.read(colr.from(colr.offset32(VARIATION_STORE))) : null;
        map = varies && colr.u32(VARIATION_INDEX_MAP) != 0
                ? new DeltaSetIndexMap(colr.from(colr.offset32(VARIATION_INDEX_MAP)))
                : null;
        cut = store == null || instanceAt != null ? null : new VariationStoreCut(store);
    }

    static PaintDeltas keeping(ByteView colr) {
        return new PaintDeltas(colr, null);
    }

    static PaintDeltas atInstance(ByteView colr, Location location) {
        return new PaintDeltas(colr, location);
    }

    /** Whether values are written as they are at a location, so that nothing written varies. */
    boolean isInstance() {
        return instanceAt != null;
    }

    /** What a value gains at the location, in the units in which it is written; 0 where deltas are kept. */
    int at(long first, int place) {
        if (store == null || instanceAt == null || first == NO_DELTAS) {
            return 0;
        }
        int row = row(first + place);
        return row == DeltaSetIndexMap.NO_ROW ? 0 : (int) Math.round(store.delta(row >>> 16, row & 0xFFFF, instanceAt));
    }

    /** The new index of the first of some deltas that are kept. */
    long keep(long first, int count) {
        if (cut == null || first == NO_DELTAS) {
            return NO_DELTAS;
        }
        return kept.computeIfAbsent(new Slice(first, count), slice -> {
            int now = rows.size();
            for (int place = 0; place < count; place++) {
                int row = row(first + place);
                rows.add(row == DeltaSetIndexMap.NO_ROW ? row : cut.use(row >>> 16, row & 0xFFFF));
            }
            return now;
        });
    }

    private int row(long delta) {
        return map == null ? (int) delta : map.row(delta);
    }

    /** The rows of the deltas that are kept, or nothing. */
    @Nullable
    Block indexMap() {
        return rows.isEmpty() ? null : new Block().bytes(DeltaSetIndexMap.write(rows));
    }

    /** The deltas that are kept, or nothing. */
    @Nullable
    Block variationStore() {
        return rows.isEmpty() || cut == null ? null : new Block().bytes(cut.write());
    }
}
