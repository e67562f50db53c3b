package app.unciala.font.woff2;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;

/** Reads one WOFF 2.0 stream from front to back, with the specification's two variable-length integers. */
final class ByteCursor {
    private final ByteView view;
    private int at;

    ByteCursor(ByteView view, int at) {
        this.view = view;
        this.at = at;
    }

    int position() {
        return at;
    }

    ByteView view() {
        return view;
    }

    int u8() {
        return view.u8(at++);
    }

    int u16() {
        at += 2;
        return view.u16(at - 2);
    }

    int i32() {
        at += 4;
        return view.i32(at - 4);
    }

    String tag() {
        at += 4;
        return view.tag(at - 4);
    }

    ByteView take(int size) {
        ByteView taken = view.slice(at, size);
        at += size;
        return taken;
    }

    void skipTo(int position) {
        at = position;
    }

    /** UIntBase128 (section 4.1): at most five bytes, no leading zeros, and here no more than 2^31 - 1. */
    int uintBase128() {
        int from = at;
        long value = 0;
        for (int i = 0; i < VariableLength.BASE_128_MOST_BYTES; i++) {
            int next = u8();
            if (i == 0 && next == VariableLength.BASE_128_MORE) {
                throw new FontException(view.table(), from, "has a number with leading zeros");
            }
            value = value << 7 | (next & VariableLength.BASE_128_BITS);
            if ((next & VariableLength.BASE_128_MORE) == 0) {
                if (value > Integer.MAX_VALUE) {
                    break;
                }
                return (int) value;
            }
        }
        throw new FontException(view.table(), from, "has a number that is too large");
    }

    /** 255UInt16 (section 4.2). */
    int uint255() {
        int code = u8();
        return switch (code) {
            case VariableLength.WORD_CODE -> u16();
            case VariableLength.ONE_MORE_BYTE_2 -> u8() + VariableLength.LOWEST_2;
            case VariableLength.ONE_MORE_BYTE_1 -> u8() + VariableLength.LOWEST_1;
            default -> code;
        };
    }
}
