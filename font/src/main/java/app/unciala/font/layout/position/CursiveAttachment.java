package app.unciala.font.layout.position;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.layout.Coverage;
import app.unciala.font.layout.packing.Block;
import org.jspecify.annotations.Nullable;

/** Glyphs that are joined, the exit of one at the entry of the next (OpenType 1.9, "GPOS", lookup type 3). */
public record CursiveAttachment(ByteView table, Work work) {
    private static final int COVERAGE = 2;
    private static final int RECORDS = 6;
    /** The offset to the anchor of the entry, then that of the exit. */
    private static final int RECORD = 4;

    private static final int EXIT = 2;

    public Coverage coverage() {
        return Coverage.named(table, COVERAGE, work);
    }

    public @Nullable Block entry(int coverageIndex, Devices devices) {
        return Anchor.read(table, RECORDS + RECORD * coverageIndex, devices);
    }

    public @Nullable Block exit(int coverageIndex, Devices devices) {
        return Anchor.read(table, RECORDS + RECORD * coverageIndex + EXIT, devices);
    }
}
