package app.unciala.font.woff2;

import app.unciala.font.bytes.ByteSink;

/**
 * The triplet encoding of a point's move from the one before (section 5.2): a flag of seven bits chooses how many
 * bits dx and dy have and their signs, and one to four bytes follow.
 */
final class Triplet {
    private Triplet() {}

    /** Reads the bytes that the flag asks for; {@link #dx} and {@link #dy} take the result apart. */
    static long read(ByteCursor in, int flag) {
        int dx = 0;
        int dy = 0;
        if (flag < 10) {
            dy = signed(flag, ((flag & 14) << 7) + in.u8());
        } else if (flag < 20) {
            dx = signed(flag, ((flag - 10 & 14) << 7) + in.u8());
        } else if (flag < 84) {
            int base = flag - 20;
            int value = in.u8();
            dx = signed(flag, 1 + (base & 0x30) + (value >> 4));
            dy = signed(flag >> 1, 1 + ((base & 0x0C) << 2) + (value & 0x0F));
        } else if (flag < 120) {
            int base = flag - 84;
            dx = signed(flag, 1 + ((base / 12) << 8) + in.u8());
            dy = signed(flag >> 1, 1 + (base % 12 >> 2 << 8) + in.u8());
        } else if (flag < 124) {
            int high = in.u8();
            int middle = in.u8();
            dx = signed(flag, (high << 4) + (middle >> 4));
            dy = signed(flag >> 1, ((middle & 0x0F) << 8) + in.u8());
        } else {
            dx = signed(flag, in.u16());
            dy = signed(flag >> 1, in.u16());
        }
        return (long) dx << 32 | (dy & 0xFFFFFFFFL);
    }

    static int dx(long delta) {
        return (int) (delta >> 32);
    }

    static int dy(long delta) {
        return (int) delta;
    }

    private static int signed(int flag, int magnitude) {
        return (flag & 1) != 0 ? magnitude : -magnitude;
    }

    /** Writes a move in the fewest bytes. */
    static void write(ByteSink flags, ByteSink data, boolean onCurve, int dx, int dy) {
        int curve = onCurve ? 0 : GlyfReconstruction.OFF_CURVE;
        int ax = Math.abs(dx);
        int ay = Math.abs(dy);
        int xSign = dx < 0 ? 0 : 1;
        int ySign = dy < 0 ? 0 : 1;
        int signs = xSign + 2 * ySign;
        if (dx == 0 && ay < 1280) {
            flags.u8(curve + ((ay & 0xF00) >> 7) + ySign);
            data.u8(ay);
        } else if (dy == 0 && ax < 1280) {
            flags.u8(curve + 10 + ((ax & 0xF00) >> 7) + xSign);
            data.u8(ax);
        } else if (dx != 0 && dy != 0 && ax < 65 && ay < 65) {
            flags.u8(curve + 20 + (ax - 1 & 0x30) + ((ay - 1 & 0x30) >> 2) + signs);
            data.u8((ax - 1 & 0x0F) << 4 | (ay - 1 & 0x0F));
        } else if (dx != 0 && dy != 0 && ax < 769 && ay < 769) {
            flags.u8(curve + 84 + 12 * ((ax - 1) >> 8) + ((ay - 1 & 0x300) >> 6) + signs);
            data.u8(ax - 1).u8(ay - 1);
        } else if (ax < 4096 && ay < 4096) {
            flags.u8(curve + 120 + signs);
            data.u8(ax >> 4).u8((ax & 0x0F) << 4 | ay >> 8).u8(ay);
        } else {
            flags.u8(curve + 124 + signs);
            data.u16(ax).u16(ay);
        }
    }
}
