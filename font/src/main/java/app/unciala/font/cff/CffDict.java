package app.unciala.font.cff;

import static app.unciala.font.cff.DictOperators.BLEND;
import static app.unciala.font.cff.DictOperators.ESCAPE;
import static app.unciala.font.cff.DictOperators.ESCAPED;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** A DICT (Technical Note 5176, section 4): operands by operator, as {@link DictOperators} numbers them. */
public final class CffDict {
    /** As many as CFF2 allows, which are more than in CFF. */
    private static final int MOST_OPERANDS = 513;

    private static final int LAST_OPERATOR = 24;
    private static final int LAST_NUMBER = 254;

    /** Half bytes of a real number that are no figures. */
    private static final int POINT = 10;

    private static final int EXPONENT = 11;
    private static final int NEGATIVE_EXPONENT = 12;
    private static final int MINUS = 14;
    private static final int END = 15;

    /** An operator with the bytes of its operands as they stand in the file. */
    public record Entry(int operator, double[] operands, ByteView bytes) {}

    private final Map<Integer, Entry> entries = new LinkedHashMap<>();

    private CffDict() {}

    static CffDict read(ByteView bytes) {
        CffDict dict = new CffDict();
        List<Double> operands = new ArrayList<>();
        int at = 0;
        int first = 0;
        while (at < bytes.length()) {
            int b = bytes.u8(at);
            if (b == BLEND) {
                // The blended values keep their deltas behind them; only the raw bytes of these entries are used.
                at++;
            } else if (b <= LAST_OPERATOR) {
                ByteView raw = bytes.slice(first, at - first);
                at++;
                int operator = b == ESCAPE ? ESCAPED + bytes.u8(at++) : b;
                double[] values =
                        operands.stream().mapToDouble(Double::doubleValue).toArray();
                dict.entries.put(operator, new Entry(operator, values, raw));
                operands.clear();
                first = at;
            } else {
                at = readNumber(bytes, at, operands);
            }
        }
        return dict;
    }

    /** Adds the number at a byte, and says where it ends. */
    private static int readNumber(ByteView bytes, int at, List<Double> operands) {
        int b = bytes.u8(at);
        int end;
        if (b == CffNumbers.INT32) {
            operands.add((double) bytes.i32(at + 1));
            end = at + 5;
        } else if (b == CffNumbers.REAL) {
            end = readReal(bytes, at + 1, operands);
        } else if (CffNumbers.begins(b) && b <= LAST_NUMBER) {
            operands.add(CffNumbers.value(bytes, at));
            end = at + CffNumbers.length(b);
        } else {
            throw new FontException(bytes.table(), at, "has the reserved byte " + b + " in a DICT");
        }
        if (operands.size() > MOST_OPERANDS) {
            throw new FontException(bytes.table(), end, "has too many operands in a DICT");
        }
        return end;
    }

    private static int readReal(ByteView bytes, int at, List<Double> operands) {
        StringBuilder text = new StringBuilder();
        while (true) {
            int pair = bytes.u8(at++);
            for (int nibble : new int[] {pair >> 4, pair & 15}) {
                switch (nibble) {
                    case POINT -> text.append('.');
                    case EXPONENT -> text.append('E');
                    case NEGATIVE_EXPONENT -> text.append("E-");
                    case MINUS -> text.append('-');
                    case END -> {
                        operands.add(parse(text.toString(), at));
                        return at;
                    }
                    default -> text.append(nibble);
                }
            }
        }
    }

    private static double parse(String text, int at) {
        try {
            return Double.parseDouble(text);
        } catch (NumberFormatException e) {
            throw new FontException("CFF ", at, "has a number in a DICT that is none: " + text);
        }
    }

    Optional<double[]> get(int operator) {
        return Optional.ofNullable(entries.get(operator)).map(Entry::operands);
    }

    /** All entries in the order of the file. */
    public Collection<Entry> entries() {
        return entries.values();
    }

    /** The numbers of the strings that the DICT refers to. */
    List<Integer> strings() {
        return DictOperators.NAMING.stream()
                .sorted()
                .flatMap(operator -> offset(operator).stream())
                .toList();
    }

    /** The last operand as an offset, or nothing. */
    Optional<Integer> offset(int operator) {
        return get(operator).filter(values -> values.length > 0).map(values -> (int) values[values.length - 1]);
    }
}
