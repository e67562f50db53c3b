package app.unciala.font.table;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.IntPredicate;
import java.util.function.IntUnaryOperator;

/** Unicode variation sequences ({@code cmap} format 14): characters followed by a variation selector. */
public record VariationSequences(List<Sequence> sequences) {
    /** {@code glyph} is -1 where the character's usual glyph is also the one for the sequence. */
    public record Sequence(int selector, int character, int glyph) {}

    private static final int MAX_SEQUENCES = 200_000;

    public VariationSequences {
        sequences = List.copyOf(sequences);
    }

    public static VariationSequences read(Sfnt face) {
        List<Sequence> sequences = new ArrayList<>();
        face.table("cmap").flatMap(VariationSequences::subtable).ifPresent(table -> read(table, sequences));
        return new VariationSequences(sequences);
    }

    private static Optional<ByteView> subtable(ByteView cmap) {
        for (int i = 0; i < cmap.u16(2); i++) {
            if (cmap.u16(4 + 8 * i) == 0 && cmap.u16(6 + 8 * i) == 5) {
                return Optional.of(cmap.from(cmap.offset32(8 + 8 * i))).filter(table -> table.u16(0) == 14);
            }
        }
        return Optional.empty();
    }

    private static void read(ByteView table, List<Sequence> out) {
        long selectors = Math.min(table.u32(6), table.length() / 11);
        for (int i = 0; i < selectors; i++) {
            int record = 10 + 11 * i;
            int selector = u24(table, record);
            int usual = table.offset32(record + 3);
            for (int j = 0; usual != 0 && j < Math.min(table.u32(usual), table.length() / 4); j++) {
                int range = usual + 4 + 4 * j;
                for (int k = 0; k <= table.u8(range + 3) && out.size() < MAX_SEQUENCES; k++) {
                    out.add(new Sequence(selector, u24(table, range) + k, -1));
                }
            }
            int own = table.offset32(record + 7);
            for (int j = 0; own != 0 && j < Math.min(table.u32(own), table.length() / 5); j++) {
                int mapping = own + 4 + 5 * j;
                if (out.size() < MAX_SEQUENCES) {
                    out.add(new Sequence(selector, u24(table, mapping), table.u16(mapping + 3)));
                }
            }
        }
    }

    private static int u24(ByteView view, int at) {
        return view.u8(at) << 16 | view.u16(at + 1);
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
        int dataAt = 10 + 11 * bySelector.size();
        bySelector.forEach((selector, of) -> {
            ByteSink usual = new ByteSink();
            ByteSink own = new ByteSink();
            of.stream()
                    .sorted(java.util.Comparator.comparingInt(Sequence::character))
                    .forEach(sequence -> {
                        if (sequence.glyph() < 0) {
                            u24(usual, sequence.character()).u8(0);
                        } else {
                            u24(own, sequence.character()).u16(sequence.glyph());
                        }
                    });
            u24(records, selector).u32(usual.size() == 0 ? 0 : dataAt + data.size());
            if (usual.size() > 0) {
                data.u32(usual.size() / 4).bytes(usual);
            }
            records.u32(own.size() == 0 ? 0 : dataAt + data.size());
            if (own.size() > 0) {
                data.u32(own.size() / 5).bytes(own);
            }
        });
        return new ByteSink()
                .u16(14)
                .u32(10 + records.size() + data.size())
                .u32(bySelector.size())
                .bytes(records)
                .bytes(data)
                .toArray();
    }

    private static ByteSink u24(ByteSink out, int value) {
        return out.u8(value >> 16).u16(value);
    }
}
