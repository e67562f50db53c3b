package app.unciala.font.table;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.IntPredicate;
import java.util.function.IntUnaryOperator;
import java.util.stream.IntStream;

/** Unicode variation sequences ({@code cmap} format 14): characters followed by a variation selector. */
public record VariationSequences(List<Sequence> sequences) {
    /** {@code glyph} is -1 where the character's usual glyph is also the one for the sequence. */
    public record Sequence(int selector, int character, int glyph) {}

    private static final int MAX_SEQUENCES = 200_000;

    private static final int FORMAT = 14;
    private static final int SELECTOR_COUNT = 6;
    private static final int SELECTORS = 10;
    /** A selector, and the offsets to the characters with their usual glyph and to those with one of their own. */
    private static final int SELECTOR = 11;

    private static final int USUAL_OFFSET = 3;
    private static final int OWN_OFFSET = 7;
    /** A first character of 24 bits, and how many follow. */
    private static final int USUAL_RANGE = 4;
    /** A character of 24 bits, and its glyph. */
    private static final int OWN_GLYPH = 5;

    private static final int AFTER_CHARACTER = 3;

    public VariationSequences {
        sequences = List.copyOf(sequences);
    }

    public static VariationSequences read(Sfnt face) {
        List<Sequence> sequences = new ArrayList<>();
        face.table("cmap").flatMap(VariationSequences::subtable).ifPresent(table -> read(table, sequences));
        return new VariationSequences(sequences);
    }

    private static Optional<ByteView> subtable(ByteView cmap) {
        CmapDirectory directory = new CmapDirectory(cmap);
        return IntStream.range(0, directory.count())
                .filter(i -> directory.platform(i) == NameTable.UNICODE
                        && directory.encoding(i) == CmapDirectory.VARIATION_SEQUENCES)
                .mapToObj(directory::subtable)
                .findFirst()
                .filter(table -> table.u16(0) == FORMAT);
    }

    private static void read(ByteView table, List<Sequence> out) {
        long selectors = Math.min(table.u32(SELECTOR_COUNT), table.length() / SELECTOR);
        for (int i = 0; i < selectors; i++) {
            int record = SELECTORS + SELECTOR * i;
            int selector = table.u24(record);
            int usual = table.offset32(record + USUAL_OFFSET);
            for (int j = 0; usual != 0 && j < Math.min(table.u32(usual), table.length() / USUAL_RANGE); j++) {
                int range = usual + 4 + USUAL_RANGE * j;
                for (int k = 0; k <= table.u8(range + AFTER_CHARACTER) && out.size() < MAX_SEQUENCES; k++) {
                    out.add(new Sequence(selector, table.u24(range) + k, -1));
                }
            }
            int own = table.offset32(record + OWN_OFFSET);
            for (int j = 0; own != 0 && j < Math.min(table.u32(own), table.length() / OWN_GLYPH); j++) {
                int mapping = own + 4 + OWN_GLYPH * j;
                if (out.size() < MAX_SEQUENCES) {
                    out.add(new Sequence(selector, table.u24(mapping), table.u16(mapping + AFTER_CHARACTER)));
                }
            }
        }
    }

    /** The sequences of the kept characters, their glyphs renumbered. */
    public VariationSequences cut(IntPredicate character, IntUnaryOperator glyphs) {
        return new VariationSequences(sequences.stream()
                .filter(sequence -> character.test(sequence.character()))
                .map(sequence -> new Sequence(
                        sequence.selector(),
                        sequence.character(),
                        sequence.glyph() < 0 ? -1 : glyphs.applyAsInt(sequence.glyph())))
                .toList());
    }

    public boolean isEmpty() {
        return sequences.isEmpty();
    }

    /** The subtable of format 14. */
    byte[] write() {
        TreeMap<Integer, List<Sequence>> bySelector = new TreeMap<>();
        sequences.forEach(sequence -> bySelector
                .computeIfAbsent(sequence.selector(), key -> new ArrayList<>())
                .add(sequence));
        ByteSink records = new ByteSink();
        ByteSink data = new ByteSink();
        int dataAt = SELECTORS + SELECTOR * bySelector.size();
        bySelector.forEach((selector, of) -> {
            ByteSink usual = new ByteSink();
            ByteSink own = new ByteSink();
            of.stream().sorted(Comparator.comparingInt(Sequence::character)).forEach(sequence -> {
                if (sequence.glyph() < 0) {
                    usual.u24(sequence.character()).u8(0);
                } else {
                    own.u24(sequence.character()).u16(sequence.glyph());
                }
            });
            records.u24(selector).u32(usual.size() == 0 ? 0 : dataAt + data.size());
            if (usual.size() > 0) {
                data.u32(usual.size() / USUAL_RANGE).bytes(usual);
            }
            records.u32(own.size() == 0 ? 0 : dataAt + data.size());
            if (own.size() > 0) {
                data.u32(own.size() / OWN_GLYPH).bytes(own);
            }
        });
        return new ByteSink()
                .u16(FORMAT)
                .u32(SELECTORS + records.size() + data.size())
                .u32(bySelector.size())
                .bytes(records)
                .bytes(data)
                .toArray();
    }
}
