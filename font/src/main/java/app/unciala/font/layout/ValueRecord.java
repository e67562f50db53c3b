package app.unciala.font.layout;

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
    private final int[] numbers = new int[4];
    private final @Nullable Block[] devices = new @Nullable Block[4];

    /** {@code parent} is where device offsets count from. */
    public static ValueRecord read(ByteView parent, int at, int format, Devices rule) {
        ValueRecord value = new ValueRecord();
        int next = at;
        for (int i = 0; i < 4; i++) {
            if ((format & 1 << i) != 0) {
                value.numbers[i] = parent.i16(next);
                next += 2;
            }
        }
        for (int i = 0; i < 4; i++) {
            if ((format & 0x10 << i) != 0) {
                Devices.Adjusted adjusted = rule.adjust(value.numbers[i], parent, next);
                value.numbers[i] = adjusted.value();
                value.devices[i] = adjusted.device();
                next += 2;
            }
        }
        return value;
    }

    /** The bytes of a record. */
    public static int size(int format) {
        return 2 * Integer.bitCount(format & 0xFF);
    }

    /** The least format that holds this value. */
    public int format() {
        int format = 0;
        for (int i = 0; i < 4; i++) {
            format |= numbers[i] != 0 ? 1 << i : 0;
            format |= devices[i] != null ? 0x10 << i : 0;
        }
        return format;
    }

    /**
     * The format to write values of second glyphs in. Where a subtable has any, its second glyphs do not begin another
     * pair (OpenType 1.9, "GPOS", pair adjustment), so that one stays also when all values that are left are 0.
     */
    public static int secondFormat(int needed, int before) {
        return needed != 0 || before == 0 ? needed : Integer.lowestOneBit((before & 0x0F) | (before & 0xF0) >> 4);
    }

    public void write(Block block, int format) {
        for (int i = 0; i < 4; i++) {
            if ((format & 1 << i) != 0) {
                block.u16(numbers[i]);
            }
        }
        for (int i = 0; i < 4; i++) {
            if ((format & 0x10 << i) != 0) {
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
