package app.unciala.server.ledger;

import app.unciala.server.inventory.SlotView;
import app.unciala.server.ledger.LedgerEntry.NamedFaces;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * How a ledger writes what a license covers: the names of families with semicolons between them, each with the faces
 * named of it in braces, such as {@code Ostrel {400/100/upright, 700/100/italic}; Penmarrow}.
 */
final class LedgerFaces {
    private static final Pattern FAMILY = Pattern.compile("\\s*([^;{}]+?)\\s*(?:\\{([^}]*)})?\\s*(?:;|$)");
    private static final String NUMBER = "(\\d{1,4}(?:\\.\\d+)?)";
    private static final String RANGE = NUMBER + "(?:\\.\\." + NUMBER + ")?";
    private static final Pattern FACE = Pattern.compile(RANGE + "/" + RANGE + "/(\\w+)");

    private LedgerFaces() {}

    static String written(List<NamedFaces> covers) {
        return covers.stream()
                .map(covered -> covered.family()
                        + (covered.faces().isEmpty()
                                ? ""
                                : covered.faces().stream()
                                        .map(LedgerFaces::written)
                                        .collect(Collectors.joining(", ", " {", "}"))))
                .collect(Collectors.joining("; "));
    }

    /** A face, such as {@code 400/100/upright}. */
    static String written(SlotView face) {
        return range(face.weight(), face.weightMax()) + "/" + range(face.width(), face.widthMax()) + "/" + face.slope();
    }

    private static String range(double min, double max) {
        return number(min) + (max <= min ? "" : ".." + number(max));
    }

    private static String number(double value) {
        return BigDecimal.valueOf(value).stripTrailingZeros().toPlainString();
    }

    /** What a cell names; throws an {@link IllegalArgumentException} that quotes what cannot be read. */
    static List<NamedFaces> read(String cell) {
        List<NamedFaces> named = new ArrayList<>();
        Matcher matcher = FAMILY.matcher(cell);
        int at = 0;
        while (at < cell.length() && matcher.find(at) && matcher.start() == at) {
            named.add(new NamedFaces(matcher.group(1), matcher.group(2) == null ? List.of() : faces(matcher.group(2))));
            at = matcher.end();
        }
        if (at < cell.length()) {
            throw new IllegalArgumentException("“" + cell.substring(at) + "” names no family");
        }
        return named;
    }

    private static List<SlotView> faces(String text) {
        return Arrays.stream(text.split(","))
                .map(String::strip)
                .map(LedgerFaces::face)
                .toList();
    }

    /** The face that a text names; throws an {@link IllegalArgumentException} when it names none. */
    static SlotView face(String text) {
        Matcher matcher = FACE.matcher(text);
        if (!matcher.matches()) {
            throw new IllegalArgumentException("“" + text + "” isn’t a face; write it as 400/100/upright");
        }
        double weight = Double.parseDouble(matcher.group(1));
        double width = Double.parseDouble(matcher.group(3));
        return new SlotView(
                weight,
                matcher.group(2) == null ? weight : Double.parseDouble(matcher.group(2)),
                width,
                matcher.group(4) == null ? width : Double.parseDouble(matcher.group(4)),
                matcher.group(5),
                "",
                "");
    }
}
