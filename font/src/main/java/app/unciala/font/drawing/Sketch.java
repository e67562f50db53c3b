package app.unciala.font.drawing;

import app.unciala.font.FontException;
import app.unciala.font.glyph.OutlineReader;
import app.unciala.font.outline.Outlines;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.CmapTable;
import app.unciala.font.table.HeadTable;
import app.unciala.font.table.HmtxTable;
import java.io.ByteArrayOutputStream;

/**
 * A face's drawing in some hundred bytes, to find faces drawn alike among thousands without reading them: the ink of a few
 * characters on a coarse grid, and their advances. It depends on units-per-em, curve kind, glyph order and names
 * no more than {@link Likeness} does, for which it stands in.
 */
public final class Sketch {
    /** Written in front of stored sketches; another way to make them needs another number. */
    private static final int VERSION = 1;

    private static final int SIDE = 8;
    private static final int CELLS = SIDE * SIDE;
    /** One byte each for the character and the advance, and half a byte for each cell. */
    private static final int RECORD = 2 + CELLS / 2;

    private static final double ADVANCE_STEPS = 100;

    /** Characters of several scripts by which faces differ; a stored sketch names each by its place here. */
    private static final int[] PROBES =
            "aegnorstyAGMQRS2&αγλωΩджыЖФאשמعسمकतमกษ永的한가あア★→♥☎✓".codePoints().toArray();

    private final byte[] stored;
    /** For each probe its ink, all cells together, and its advance, side by side, as both are asked for at once. */
    private final short[] measures = new short[2 * PROBES.length];

    private final short[] at = new short[PROBES.length];
    /** The probes that the face has, a bit for each. */
    private final long has;

    private Sketch(byte[] stored) {
        this.stored = stored;
        long bits = 0;
        for (int record = 1; record + RECORD <= stored.length; record += RECORD) {
            int probe = stored[record] & 0xFF;
            if (probe < PROBES.length) {
                int sum = 0;
                for (int i = 2; i < RECORD; i++) {
                    sum += (stored[record + i] >> 4 & 15) + (stored[record + i] & 15);
                }
                measures[2 * probe] = (short) sum;
                measures[2 * probe + 1] = (short) (stored[record + 1] & 0xFF);
                at[probe] = (short) record;
                bits |= 1L << probe;
            }
        }
        has = bits;
    }

    /**
     * The sketch of a face; of a variable one, as it is by default.
     *
     * @throws FontException if an outline is damaged
     */
    public static Sketch of(Sfnt face) {
        CmapTable cmap = CmapTable.read(face);
        Outlines outlines = OutlineReader.read(face);
        int[] advances = HmtxTable.read(face).advances();
        int unitsPerEm = HeadTable.read(face).unitsPerEm();
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        out.write(VERSION);
        for (int i = 0; i < PROBES.length; i++) {
            if (cmap.has(PROBES[i])) {
                int glyph = cmap.glyph(PROBES[i]);
                double advance = glyph < advances.length ? advances[glyph] / (double) unitsPerEm : 0;
                byte[] cells =
                        CoverageGrid.of(outlines.outline(glyph), unitsPerEm).reduced(SIDE);
                out.write(i);
                out.write((int) Math.min(255, Math.round(advance * ADVANCE_STEPS)));
                for (int cell = 0; cell < CELLS; cell += 2) {
                    out.write(cells[cell] << 4 | cells[cell + 1]);
                }
            }
        }
        return new Sketch(out.toByteArray());
    }

    /** A sketch as it was stored; one of another version, or of damaged bytes, is like nothing. */
    public static Sketch read(byte[] stored) {
        boolean known = stored.length > 0 && stored[0] == VERSION && (stored.length - 1) % RECORD == 0;
        return new Sketch(known ? stored.clone() : new byte[] {VERSION});
    }

    /** The bytes to store; at most two kilobytes. */
    public byte[] bytes() {
        return stored.clone();
    }

    /** Whether it has any character to be compared by. */
    public boolean isEmpty() {
        return stored.length <= 1;
    }

    /**
     * How alike two drawings are by their sketches, in [0, 1]: the mean, over the characters both have, of the ink both
     * have through the ink either has, times the ratio of the advances. 0 where they share none.
     */
    public double alike(Sketch other) {
        long both = has & other.has;
        double sum = 0;
        for (long left = both; left != 0; left &= left - 1) {
            int probe = Long.numberOfTrailingZeros(left);
            sum += overlap(other, probe) * advances(other, probe);
        }
        return both == 0 ? 0 : sum / Long.bitCount(both);
    }

    /**
     * What {@link #alike} is at most, from the sums alone: no two overlap in more than the lighter of them has. Where that
     * is below {@code atLeast}, any number below it, since the rest need not be looked at.
     */
    double atMost(Sketch other, double atLeast) {
        long both = has & other.has;
        int shared = Long.bitCount(both);
        double sum = shared;
        double needed = atLeast * shared - 1e-9;
        for (long left = both; left != 0 && sum >= needed; left &= left - 1) {
            int probe = Long.numberOfTrailingZeros(left);
            sum -= 1 - ratio(measures[2 * probe], other.measures[2 * probe]) * advances(other, probe);
        }
        return shared == 0 ? 0 : sum / shared;
    }

    private double advances(Sketch other, int probe) {
        return ratio(measures[2 * probe + 1], other.measures[2 * probe + 1]);
    }

    private double overlap(Sketch other, int probe) {
        int both = 0;
        int either = 0;
        for (int i = 2; i < RECORD; i++) {
            byte a = stored[at[probe] + i];
            byte b = other.stored[other.at[probe] + i];
            both += Math.min(a >> 4 & 15, b >> 4 & 15) + Math.min(a & 15, b & 15);
            either += Math.max(a >> 4 & 15, b >> 4 & 15) + Math.max(a & 15, b & 15);
        }
        return either == 0 ? 1 : both / (double) either;
    }

    private static double ratio(int a, int b) {
        int larger = Math.max(a, b);
        return larger == 0 ? 1 : Math.min(a, b) / (double) larger;
    }
}
