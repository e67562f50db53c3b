package app.unciala.font.variation;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import java.util.Arrays;

/** Packed point numbers and packed deltas (OpenType 1.9, "Tuple variation store"), read one after the other. */
final class PackedData {
    private final ByteView data;
    private int at;

    PackedData(ByteView data, int at) {
        this.data = data;
        this.at = at;
    }

    int at() {
        return at;
    }

    /** Point numbers; none listed stands for all of the {@code count} there are. */
    int[] points(int count) {
        int listed = data.u8(at++);
        if ((listed & 0x80) != 0) {
            listed = (listed & 0x7F) << 8 | data.u8(at++);
        }
        int[] points = new int[listed == 0 ? count : listed];
        if (listed == 0) {
            Arrays.setAll(points, i -> i);
            return points;
        }
        int point = 0;
        for (int i = 0; i < listed; ) {
            int control = data.u8(at++);
            boolean words = (control & 0x80) != 0;
            for (int run = control & 0x7F; run >= 0 && i < listed; run--) {
                point += words ? data.u16(at) : data.u8(at);
                at += words ? 2 : 1;
                points[i++] = point;
            }
        }
        return points;
    }

    int[] deltas(int count) {
        int[] deltas = new int[count];
        for (int i = 0; i < count; ) {
            int control = data.u8(at++);
            int run = (control & 0x3F) + 1;
            if (i + run > count) {
                throw new FontException(data.table(), at, "has a run of deltas that is too long");
            }
            boolean zeros = (control & 0x80) != 0;
            boolean words = (control & 0x40) != 0;
            for (; run > 0; run--) {
                if (!zeros) {
                    deltas[i] = words ? data.i16(at) : (byte) data.u8(at);
                    at += words ? 2 : 1;
                }
                i++;
            }
        }
        return deltas;
    }
}
