package app.unciala.font.layout.position;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.layout.packing.Block;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A value record of {@code GPOS}: x and y placement, x and y advance in font units, each with a device table or none.
 * Which of the eight are written, a format of eight bits says.
 */
public final class ValueRecord {
    /** Bits of a format: a number for each of the four values, and from {@code FIRST_DEVICE} on, a device table for each. */
    private static final int VALUES = 4;

    private static final int X_ADVANCE = 2;
    private static final int FIRST_DEVICE = 0x10;
    private static final int NUMBERS = 0x0F;

    private final int[] numbers = new int[VALUES];
    private final @Nullable Block[] devices = new @Nullable Block[VALUES];

    /** {@code parent} is where device offsets count from. */
    static ValueRecord read(ByteView parent, int at, int format, Devices rule) {
        ValueRecord value = new ValueRecord();
        int next = at;
        for (int i = 0; i < VALUES; i++) {
            if ((format & 1 << i) != 0) {
                value.numbers[i] = parent.i16(next);
                next += 2;
            }
        }
        for (int i = 0; i < VALUES; i++) {
            if ((format & FIRST_DEVICE << i) != 0) {
                Devices.Adjusted adjusted = rule.adjust(value.numbers[i], parent, next);
                value.numbers[i] = adjusted.value();
                value.devices[i] = adjusted.device();
                next += 2;
            }
        }
        return value;
    }

    /** How much farther than without it the next glyph stands in horizontal text, in font units. */
    int xAdvance() {
        return numbers[X_ADVANCE];
    }

    /** The bytes of a record. */
    static int size(int format) {
        return 2 * Integer.bitCount(format & 0xFF);
    }

    /** The least format that holds this value. */
    public int format() {
        int format = 0;
        for (int i = 0; i < VALUES; i++) {
            format |= numbers[i] != 0 ? 1 << i : 0;
            format |= devices[i] != null ? FIRST_DEVICE << i : 0;
        }
        return format;
    }

    /**
     * The format to write values of second glyphs in. Where a subtable has any, its second glyphs do not begin another
     * pair (OpenType 1.9, "GPOS", pair adjustment), so that one stays also when all values that are left are 0.
     */
    public static int secondFormat(int needed, int before) {
        return needed != 0 || before == 0 ? needed : Integer.lowestOneBit((before | before >> VALUES) & NUMBERS);
    }

    public void write(Block block, int format) {
        for (int i = 0; i < VALUES; i++) {
            if ((format & 1 << i) != 0) {
                block.u16(numbers[i]);
            }
        }
        for (int i = 0; i < VALUES; i++) {
            if ((format & FIRST_DEVICE << i) != 0) {
                block.link(devices[i]);
            }
        }
    }

    /** What tells this value from another, for finding equal ones. */
    public List<Object> content() {
        List<Object> content = new ArrayList<>();
        for (int number : numbers) {
            content.add(number);
        }
        for (Block device : devices) {
            content.add(device == null ? "" : java.util.Arrays.toString(device.toArray()));
        }
        return content;
    }
}
