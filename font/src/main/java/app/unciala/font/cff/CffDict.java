package app.unciala.font.cff;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** A DICT (Technical Note 5176, section 4): operands by operator; two-byte operators are 1200 plus the second byte. */
public final class CffDict {
    static final int FULL_NAME = 2;
    static final int FAMILY_NAME = 3;
    static final int FONT_BBOX = 5;
    public static final int CHARSET = 15;
    static final int ENCODING = 16;
    public static final int CHAR_STRINGS = 17;
    public static final int PRIVATE = 18;
    public static final int SUBRS = 19;
    static final int BLEND = 23;
    public static final int VARIATION_STORE = 24;
    public static final int FD_ARRAY = 1236;
    public static final int FD_SELECT = 1237;

    /** Operators of top and font DICTs whose operand is the number of a string. */
    public static final Set<Integer> NAMING = Set.of(0, 1, 2, 3, 4, 1200, 1221, 1222, 1238);

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
            int b = bytes.u8(at++);
            if (b <= 24 && b != BLEND) {
                ByteView raw = bytes.slice(first, at - 1 - first);
                int operator = b == 12 ? 1200 + bytes.u8(at++) : b;
                double[] values =
                        operands.stream().mapToDouble(Double::doubleValue).toArray();
                dict.entries.put(operator, new Entry(operator, values, raw));
                operands.clear();
                first = at;
            } else if (b == BLEND) {
                // The blended values keep their deltas behind them; only the raw bytes of these entries are used.
                continue;
            } else if (b == 28) {
                operands.add((double) bytes.i16(at));
                at += 2;
            } else if (b == 29) {
                operands.add((double) bytes.i32(at));
                at += 4;
            } else if (b == 30) {
                at = readReal(bytes, at, operands);
            } else if (b >= 32 && b <= 246) {
                operands.add(b - 139.0);
            } else if (b >= 247 && b <= 250) {
                operands.add((b - 247) * 256.0 + bytes.u8(at++) + 108);
            } else if (b >= 251 && b <= 254) {
                operands.add(-(b - 251) * 256.0 - bytes.u8(at++) - 108);
            } else {
                throw new FontException(bytes.table(), at - 1, "has the reserved byte " + b + " in a DICT");
            }
            if (operands.size() > 513) {
                throw new FontException(bytes.table(), at, "has too many operands in a DICT");
            }
        }
        return dict;
    }

    private static int readReal(ByteView bytes, int at, List<Double> operands) {
        StringBuilder text = new StringBuilder();
        while (true) {
            int pair = bytes.u8(at++);
            for (int nibble : new int[] {pair >> 4, pair & 15}) {
                switch (nibble) {
                    case 10 -> text.append('.');
                    case 11 -> text.append('E');
                    case 12 -> text.append("E-");
                    case 14 -> text.append('-');
                    case 15 -> {
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
        return NAMING.stream()
                .sorted()
                .flatMap(operator -> offset(operator).stream())
                .toList();
    }

    /** The last operand as an offset, or nothing. */
    Optional<Integer> offset(int operator) {
        return get(operator).filter(values -> values.length > 0).map(values -> (int) values[values.length - 1]);
    }
}
