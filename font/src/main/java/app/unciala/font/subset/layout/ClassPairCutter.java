package app.unciala.font.subset.layout;

import app.unciala.font.layout.ClassDef;
import app.unciala.font.layout.packing.Block;
import app.unciala.font.layout.position.ClassPairs;
import app.unciala.font.layout.position.ValueRecord;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Cuts pair adjustments by class (GPOS lookup type 2, format 2). Classes that behave alike after the cut become one,
 * so the matrix shrinks with the glyphs.
 */
final class ClassPairCutter {
    private final Cut cut;

    ClassPairCutter(Cut cut) {
        this.cut = cut;
    }

    @Nullable
    Block cut(ClassPairs table) {
        ClassDef firsts = table.firstClasses();
        BitSet covered = new BitSet();
        cut.covered(table.coverage()).stream()
                .filter(glyph -> firsts.classOf(glyph) < table.rowCount())
                .forEach(covered::set);
        if (covered.isEmpty() || table.columnCount() == 0) {
            return null;
        }
        ClassDef seconds = table.secondClasses();
        int[] rows = within(firsts.classes(covered), table.rowCount());
        BitSet others = seconds.classes(cut.glyphs());
        others.set(0);
        int[] columns = within(others, table.columnCount());
        cut.work().spend((long) rows.length * columns.length + cut.glyphs().cardinality());
        ValueRecord[][] first = new ValueRecord[rows.length][columns.length];
        ValueRecord[][] second = new ValueRecord[rows.length][columns.length];
        for (int i = 0; i < rows.length; i++) {
            for (int j = 0; j < columns.length; j++) {
                first[i][j] = table.first(rows[i], columns[j], cut.devices());
                second[i][j] = table.second(rows[i], columns[j], cut.devices());
            }
        }
        return write(covered, firsts, seconds, rows, columns, first, second, table.secondFormat());
    }

    private static int[] within(BitSet classes, int count) {
        return classes.stream().filter(of -> of < count).toArray();
    }

    private Block write(
            BitSet covered,
            ClassDef firsts,
            ClassDef seconds,
            int[] rows,
            int[] columns,
            ValueRecord[][] first,
            ValueRecord[][] second,
            int formatBefore) {
        int[] rowGroup = groups(rows.length, i -> line(first[i], second[i]));
        int[] columnGroup = groups(columns.length, j -> {
            List<Object> line = new ArrayList<>();
            for (int i = 0; i < rows.length; i++) {
                line.add(first[i][j].content());
                line.add(second[i][j].content());
            }
            return line;
        });
        // Only covered glyphs come first, so the largest group can be class 0, which is not written; second glyphs can
        // be any.
        int unwritten = largest(rows, rowGroup, firsts, covered);
        for (int i = 0; i < rowGroup.length; i++) {
            rowGroup[i] = rowGroup[i] == unwritten ? 0 : rowGroup[i] < unwritten ? rowGroup[i] + 1 : rowGroup[i];
        }
        int format1 = 0;
        int format2 = 0;
        for (int i = 0; i < rows.length; i++) {
            for (int j = 0; j < columns.length; j++) {
                format1 |= first[i][j].format();
                format2 |= second[i][j].format();
            }
        }
        format2 = ValueRecord.secondFormat(format2, formatBefore);
        int rowCount = Arrays.stream(rowGroup).max().orElse(0) + 1;
        int columnCount = Arrays.stream(columnGroup).max().orElse(0) + 1;
        Block block = new Block()
                .u16(ClassPairs.FORMAT)
                .link(cut.coverage(covered))
                .u16(format1)
                .u16(format2);
        block.link(classes(firsts, covered, rows, rowGroup));
        block.link(classes(seconds, cut.glyphs(), columns, columnGroup));
        block.u16(rowCount).u16(columnCount);
        for (int row = 0; row < rowCount; row++) {
            int i = indexOf(rowGroup, row);
            for (int column = 0; column < columnCount; column++) {
                int j = indexOf(columnGroup, column);
                first[i][j].write(block, format1);
                second[i][j].write(block, format2);
            }
        }
        return block;
    }

    private static List<Object> line(ValueRecord[] first, ValueRecord[] second) {
        List<Object> line = new ArrayList<>();
        for (int j = 0; j < first.length; j++) {
            line.add(first[j].content());
            line.add(second[j].content());
        }
        return line;
    }

    private interface Lines {
        List<Object> line(int i);
    }

    /** Numbers equal lines alike, in the order of their first appearance. */
    private static int[] groups(int count, Lines lines) {
        Map<List<Object>, Integer> known = new LinkedHashMap<>();
        int[] groups = new int[count];
        for (int i = 0; i < count; i++) {
            groups[i] = known.computeIfAbsent(lines.line(i), key -> known.size());
        }
        return groups;
    }

    private static int largest(int[] classes, int[] group, ClassDef definition, BitSet glyphs) {
        int[] sizes = new int[group.length + 1];
        glyphs.stream().forEach(glyph -> {
            int i = Arrays.binarySearch(classes, definition.classOf(glyph));
            if (i >= 0) {
                sizes[group[i]]++;
            }
        });
        int best = 0;
        for (int i = 1; i < sizes.length; i++) {
            best = sizes[i] > sizes[best] ? i : best;
        }
        return best;
    }

    private Block classes(ClassDef definition, BitSet glyphs, int[] classes, int[] group) {
        int[] numbers = new int[classes.length == 0 ? 0 : classes[classes.length - 1] + 1];
        for (int i = 0; i < classes.length; i++) {
            numbers[classes[i]] = group[i];
        }
        return ClassDef.write(definition.renumbered(glyphs, cut.map(), numbers));
    }

    private static int indexOf(int[] groups, int wanted) {
        for (int i = 0; i < groups.length; i++) {
            if (groups[i] == wanted) {
                return i;
            }
        }
        throw new IllegalStateException("no class in group " + wanted);
    }
}
