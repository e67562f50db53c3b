package app.unciala.font.layout;

import app.unciala.font.FontException;
import java.util.List;

/** What a lookup does (OpenType 1.9, "GSUB" and "GPOS", lookup types); the two tables number their types apart. */
public enum LookupType {
    SINGLE_SUBSTITUTION,
    MULTIPLE_SUBSTITUTION,
    ALTERNATE_SUBSTITUTION,
    LIGATURE_SUBSTITUTION,
    REVERSE_CHAINED_SUBSTITUTION,
    SINGLE_ADJUSTMENT,
    PAIR_ADJUSTMENT,
    CURSIVE_ATTACHMENT,
    MARK_TO_BASE,
    MARK_TO_LIGATURE,
    MARK_TO_MARK,
    CONTEXT,
    CHAINED_CONTEXT,
    /** A subtable of another type that is reached by a 32-bit offset. */
    EXTENSION;

    /** The types of GSUB; the first is number 1. */
    private static final List<LookupType> SUBSTITUTIONS = List.of(
            SINGLE_SUBSTITUTION,
            MULTIPLE_SUBSTITUTION,
            ALTERNATE_SUBSTITUTION,
            LIGATURE_SUBSTITUTION,
            CONTEXT,
            CHAINED_CONTEXT,
            EXTENSION,
            REVERSE_CHAINED_SUBSTITUTION);

    /** The types of GPOS; the first is number 1. */
    private static final List<LookupType> ADJUSTMENTS = List.of(
            SINGLE_ADJUSTMENT,
            PAIR_ADJUSTMENT,
            CURSIVE_ATTACHMENT,
            MARK_TO_BASE,
            MARK_TO_LIGATURE,
            MARK_TO_MARK,
            CONTEXT,
            CHAINED_CONTEXT,
            EXTENSION);

    /**
     * The type under a number.
     *
     * @param table {@code GSUB} or {@code GPOS}
     * @throws FontException if the table has no such type
     */
    static LookupType of(String table, int number) {
        List<LookupType> types = types(table);
        if (number < 1 || number > types.size()) {
            throw new FontException(table, -1, "has a lookup of unknown type " + number);
        }
        return types.get(number - 1);
    }

    /** The number of the type in {@code GSUB} or {@code GPOS}. */
    public int number(String table) {
        return types(table).indexOf(this) + 1;
    }

    private static List<LookupType> types(String table) {
        return table.equals("GSUB") ? SUBSTITUTIONS : ADJUSTMENTS;
    }

    public boolean isContextual() {
        return this == CONTEXT || this == CHAINED_CONTEXT;
    }
}
