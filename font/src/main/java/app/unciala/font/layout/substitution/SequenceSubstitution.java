package app.unciala.font.layout.substitution;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.layout.Coverage;

/**
 * Several glyphs for one (OpenType 1.9, "GSUB"): all of them in a multiple substitution, lookup type 2, and one of them in
 * an alternate substitution, lookup type 3. Both are written alike.
 */
public record SequenceSubstitution(ByteView table, Work work) {
    private static final int COVERAGE = 2;
    private static final int OFFSETS = 6;
    private static final int GLYPHS = 2;

    public Coverage coverage() {
        return Coverage.named(table, COVERAGE, work);
    }

    public int[] glyphs(int coverageIndex) {
        ByteView sequence = table.from(table.u16(OFFSETS + 2 * coverageIndex));
        return sequence.u16s(GLYPHS, sequence.u16(0));
    }
}
