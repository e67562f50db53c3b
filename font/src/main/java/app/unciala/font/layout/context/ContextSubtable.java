package app.unciala.font.layout.context;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.layout.ClassDef;
import app.unciala.font.layout.Coverage;
import app.unciala.font.layout.Lookup;
import app.unciala.font.layout.LookupType;
import java.util.ArrayList;
import java.util.List;

/**
 * A contextual subtable (OpenType 1.9, "Sequence context" and "Chained sequence context"). Its rules come in sets: by their
 * first glyph in format 1, by the class of it in format 2; format 3 has a single rule.
 */
public final class ContextSubtable {
    private static final int COVERAGE = 2;
    private static final int SETS_BY_GLYPH = 4;
    private static final int INPUT_CLASSES = 4;
    private static final int SETS_BY_CLASS = 6;

    private static final int CHAINED_BACKTRACK_CLASSES = 4;
    private static final int CHAINED_INPUT_CLASSES = 6;
    private static final int CHAINED_LOOKAHEAD_CLASSES = 8;
    private static final int CHAINED_SETS_BY_CLASS = 10;

    /** What the positions of a rule are described by. */
    public enum Format {
        GLYPHS,
        CLASSES,
        COVERAGES
    }

    private final ByteView table;
    private final boolean chained;
    private final Format format;
    private final Work work;

    private ContextSubtable(ByteView table, boolean chained, Work work) {
        this.table = table;
        this.chained = chained;
        this.work = work;
        int number = table.u16(0);
        if (number < 1 || number > Format.values().length) {
            throw new FontException(table.table(), -1, "has a context of unknown format " + number);
        }
        format = Format.values()[number - 1];
    }

    /**
     * Reads a subtable of the type {@code CONTEXT} or {@code CHAINED_CONTEXT}.
     *
     * @throws FontException if its format is unknown
     */
    public static ContextSubtable read(Lookup.Subtable subtable, Work work) {
        return new ContextSubtable(subtable.bytes(), subtable.type() == LookupType.CHAINED_CONTEXT, work);
    }

    public Format format() {
        return format;
    }

    /** Whether rules have a backtrack and a lookahead sequence. */
    public boolean isChained() {
        return chained;
    }

    /** The glyphs that a rule of format 1 or 2 may begin at. */
    public Coverage coverage() {
        return Coverage.named(table, COVERAGE, work);
    }

    /** The classes of input sequences in format 2. */
    public ClassDef inputClasses() {
        return ClassDef.named(table, chained ? CHAINED_INPUT_CLASSES : INPUT_CLASSES);
    }

    /** The classes of backtrack sequences in format 2. */
    public ClassDef backtrackClasses() {
        return chained ? ClassDef.named(table, CHAINED_BACKTRACK_CLASSES) : inputClasses();
    }

    /** The classes of lookahead sequences in format 2. */
    public ClassDef lookaheadClasses() {
        return chained ? ClassDef.named(table, CHAINED_LOOKAHEAD_CLASSES) : inputClasses();
    }

    /** The rules of a set of format 1 or 2; none where the set is empty or is not there. */
    public List<SequenceRule> rules(int set) {
        ByteView sets = sets();
        int offset = set < sets.u16(0) ? sets.u16(2 + 2 * set) : 0;
        if (offset == 0) {
            return List.of();
        }
        ByteView rules = table.from(offset);
        List<SequenceRule> read = new ArrayList<>();
        for (int i = 0; i < rules.u16(0); i++) {
            SequenceRule rule = SequenceRule.read(rules.from(rules.u16(2 + 2 * i)), chained);
            work.spend(1 + rule.input().length);
            read.add(rule);
        }
        return read;
    }

    /** The offsets to the sets of rules, after their count. */
    private ByteView sets() {
        return table.from(format == Format.GLYPHS ? SETS_BY_GLYPH : chained ? CHAINED_SETS_BY_CLASS : SETS_BY_CLASS);
    }

    /** The rule of format 3. */
    public CoverageRule coverageRule() {
        return CoverageRule.read(table, chained);
    }

    /** The coverage of a position of the rule of format 3. */
    public Coverage coverage(int offset) {
        return Coverage.of(table, offset, work);
    }

    /** What all rules apply, whatever the glyphs: for each, positions in the input sequence, each followed by a lookup. */
    List<int[]> lookupRecords() {
        if (format == Format.COVERAGES) {
            return List.of(coverageRule().records());
        }
        List<int[]> records = new ArrayList<>();
        for (int set = 0; set < sets().u16(0); set++) {
            rules(set).forEach(rule -> records.add(rule.records()));
        }
        return records;
    }
}
