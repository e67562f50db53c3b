package app.unciala.font.layout.substitution;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.layout.Coverage;
import java.util.ArrayList;
import java.util.List;

/** One glyph for several (OpenType 1.9, "GSUB", lookup type 4). */
public record LigatureSubstitution(ByteView table, Work work) {
    private static final int COVERAGE = 2;
    private static final int SET_OFFSETS = 6;
    private static final int LIGATURE_OFFSETS = 2;
    private static final int COMPONENT_COUNT = 2;
    private static final int COMPONENTS = 4;

    /** A ligature and the glyphs that it stands for, without the first. */
    public record Ligature(int glyph, int[] components) {
        private static Ligature read(ByteView table, int componentCount) {
            return new Ligature(table.u16(0), table.u16s(COMPONENTS, componentCount - 1));
        }
    }

    public Coverage coverage() {
        return Coverage.named(table, COVERAGE, work);
    }

    /** The ligatures that begin with a covered glyph, those to be preferred first; none that stands for no glyph at all. */
    public List<Ligature> ligatures(int coverageIndex) {
        ByteView set = table.from(table.u16(SET_OFFSETS + 2 * coverageIndex));
        int count = set.u16(0);
        work.spend(count);
        List<Ligature> ligatures = new ArrayList<>();
        for (int i = 0; i < count; i++) {
            ByteView ligature = set.from(set.u16(LIGATURE_OFFSETS + 2 * i));
            int components = ligature.u16(COMPONENT_COUNT);
            work.spend(components);
            if (components > 0) {
                ligatures.add(Ligature.read(ligature, components));
            }
        }
        return ligatures;
    }
}
