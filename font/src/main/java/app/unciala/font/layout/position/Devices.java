package app.unciala.font.layout.position;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.packing.Block;
import app.unciala.font.variation.ItemVariationStore;
import app.unciala.font.variation.Location;
import app.unciala.font.variation.VariationStoreCut;
import org.jspecify.annotations.Nullable;

/**
 * What becomes of device tables beside values: those of variable fonts are kept with new row numbers, or their deltas
 * are applied at a location; those for pixel sizes are kept together with hinting.
 */
public final class Devices {
    /** Of a device table for pixel sizes: the first and the last size, and in how many bits a delta is packed (1 to 3). */
    private static final int FIRST_SIZE = 0;

    private static final int LAST_SIZE = 2;
    private static final int FORMAT = 4;
    private static final int DELTAS = 6;

    /** The format of a variation index table, which names a row of the variation store. */
    private static final int VARIATION_INDEX = 0x8000;

    private static final int OUTER = 0;
    private static final int INNER = 2;

    private final @Nullable ItemVariationStore store;
    private final @Nullable Location instanceAt;
    private final @Nullable VariationStoreCut cut;
    private final boolean hinting;

    private Devices(@Nullable ItemVariationStore store, @Nullable Location instanceAt, boolean hinting) {
        this.store = store;
        this.instanceAt = instanceAt;
        this.hinting = hinting;
        cut = store == null || instanceAt != null ? null : new VariationStoreCut(store);
    }

    public static Devices keeping(@Nullable ItemVariationStore store, boolean hinting) {
        return new Devices(store, null, hinting);
    }

    public static Devices atInstance(@Nullable ItemVariationStore store, Location location, boolean hinting) {
        return new Devices(store, location, hinting);
    }

    /** A value in font units, with the device table to write beside it, if any. */
    public record Adjusted(int value, @Nullable Block device) {}

    /** {@code parent} holds the 16-bit offset of the device table at {@code at}. */
    public Adjusted adjust(int value, ByteView parent, int at) {
        int offset = parent.u16(at);
        if (offset == 0) {
            return new Adjusted(value, null);
        }
        ByteView device = parent.from(offset);
        int format = device.u16(FORMAT);
        if (format != VARIATION_INDEX) {
            return new Adjusted(value, hinting && format >= 1 && format <= 3 ? copy(device, format) : null);
        }
        int outer = device.u16(OUTER);
        int inner = device.u16(INNER);
        if (store != null && instanceAt != null) {
            return new Adjusted(value + (int) Math.round(store.delta(outer, inner, instanceAt)), null);
        }
        int row = cut == null ? -1 : cut.use(outer, inner);
        return new Adjusted(
                value,
                row == -1 ? null : new Block().u16(row >>> 16).u16(row & 0xFFFF).u16(VARIATION_INDEX));
    }

    private static Block copy(ByteView device, int format) {
        int sizes = Math.max(0, device.u16(LAST_SIZE) - device.u16(FIRST_SIZE) + 1);
        int words = (sizes * (1 << format) + 15) / 16;
        return new Block().bytes(device.slice(0, DELTAS + 2 * words));
    }

    /** The variation store with the rows used so far, or none. */
    @Nullable
    public Block variationStore() {
        return cut == null || cut.isEmpty() ? null : new Block().bytes(cut.write());
    }
}
