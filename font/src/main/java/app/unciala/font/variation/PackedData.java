package app.unciala.font.variation;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import java.util.Arrays;

/** Packed point numbers and packed deltas (OpenType 1.9, "Tuple variation store"), read one after the other. */
final class PackedData {
    /** Of the count of point numbers: whether a second byte follows. */
    private static final int COUNT_IS_WORD = 0x80;

    /** Of the control byte of a run of point numbers: whether they have two bytes, and how many more than one there are. */
    private static final int POINTS_ARE_WORDS = 0x80;

    private static final int POINT_RUN = 0x7F;

    /** Of the control byte of a run of deltas: whether all are zero and left out, whether they have two bytes, how many. */
    private static final int DELTAS_ARE_ZERO = 0x80;

    private static final int DELTAS_ARE_WORDS = 0x40;
    private static final int DELTA_RUN = 0x3F;

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
        if ((listed & COUNT_IS_WORD) != 0) {
            listed = (listed & ~COUNT_IS_WORD) << 8 | data.u8(at++);
        }
        int[] points = new int[listed == 0 ? count : listed];
        if (listed == 0) {
            Arrays.setAll(points, i -> i);
            return points;
        }
        int point = 0;
        for (int i = 0; i < listed; ) {
            int control = data.u8(at++);
            boolean words = (control & POINTS_ARE_WORDS) != 0;
            for (int run = control & POINT_RUN; run >= 0 && i < listed; run--) {
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
            int run = (control & DELTA_RUN) + 1;
            if (i + run > count) {
                throw new FontException(data.table(), at, "has a run of deltas that is too long");
            }
            boolean zeros = (control & DELTAS_ARE_ZERO) != 0;
            boolean words = (control & DELTAS_ARE_WORDS) != 0;
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
