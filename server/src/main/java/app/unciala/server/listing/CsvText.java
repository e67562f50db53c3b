package app.unciala.server.listing;

import app.unciala.server.fault.Fault;
import app.unciala.server.listing.ImportReport.FileProblem;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.function.Consumer;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;
import org.apache.commons.csv.CSVRecord;

/** Writes and reads CSV (RFC 4180); of what is written no cell is taken for a formula by a spreadsheet program. */
public final class CsvText {
    /** Signs with which a cell would be a formula. */
    private static final String FORMULA = "=+-@\t\r";

    private static final String BYTE_ORDER_MARK = "\ufeff";

    private CsvText() {}

    /** A line of a file, counted from 1; its cells by the headings of their columns, without those that are empty. */
    public record CsvLine(long number, Map<String, String> cells) {
        /** Where it stands, for those who look it up in the file. */
        public String place() {
            return placeOf(number);
        }
    }

    public static String of(List<List<String>> lines) {
        StringBuilder text = new StringBuilder();
        try (CSVPrinter printer = new CSVPrinter(text, CSVFormat.RFC4180)) {
            for (List<String> line : lines) {
                printer.printRecord(line.stream().map(CsvText::guarded).toList());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return text.toString();
    }

    private static String guarded(String cell) {
        return !cell.isEmpty() && FORMULA.indexOf(cell.charAt(0)) >= 0 ? "'" + cell : cell;
    }

    /** What a cell says without the sign that was put before it here. */
    private static String unguarded(String cell) {
        return cell.length() > 1 && cell.charAt(0) == '\'' && FORMULA.indexOf(cell.charAt(1)) >= 0
                ? cell.substring(1)
                : cell;
    }

    private static String placeOf(long line) {
        return "line " + line;
    }

    /** The text of a file in UTF-8, which is refused in another encoding. */
    public static String decoded(byte[] bytes) {
        try {
            String text = StandardCharsets.UTF_8
                    .newDecoder()
                    .decode(ByteBuffer.wrap(bytes))
                    .toString();
            return text.startsWith(BYTE_ORDER_MARK) ? text.substring(1) : text;
        } catch (CharacterCodingException e) {
            throw Fault.invalid("file", "The file is not in UTF-8; save it as “CSV UTF-8”.");
        }
    }

    /**
     * The lines after the first, which names the columns, in any order and in small or capital letters. A line that
     * does not fit is left out and told to {@code wrong}.
     *
     * @param known the headings there may be
     * @param needed those that must be there
     */
    public static List<CsvLine> lines(
            String text, List<String> known, List<String> needed, Consumer<FileProblem> wrong) {
        List<CsvLine> lines = new ArrayList<>();
        long last = 0;
        try (CSVParser parser =
                CSVFormat.RFC4180.builder().setIgnoreEmptyLines(true).get().parse(new StringReader(text))) {
            List<String> headings = List.of();
            for (CSVRecord cells : parser) {
                last = firstLineOf(parser, cells);
                if (headings.isEmpty()) {
                    headings = cells.stream()
                            .map(heading -> heading.strip().toLowerCase(Locale.ROOT))
                            .toList();
                    if (!areFit(headings, known, needed, wrong)) {
                        return lines;
                    }
                } else if (cells.size() != headings.size()) {
                    wrong.accept(new FileProblem(
                            placeOf(last),
                            "",
                            "It has " + cells.size() + " cells where the first line has " + headings.size() + "."));
                } else {
                    lines.add(new CsvLine(last, byHeading(headings, cells)));
                }
            }
            if (headings.isEmpty()) {
                wrong.accept(new FileProblem(placeOf(1), "", "The file is empty; its first line names the columns."));
            }
        } catch (IOException | UncheckedIOException e) {
            wrong.accept(new FileProblem(
                    placeOf(last + 1), "", "This line is no CSV: a quotation mark is not closed, or misplaced."));
        }
        return lines;
    }

    private static boolean areFit(
            List<String> headings, List<String> known, List<String> needed, Consumer<FileProblem> wrong) {
        List<String> unknown =
                headings.stream().filter(heading -> !known.contains(heading)).toList();
        unknown.forEach(heading -> wrong.accept(new FileProblem(
                placeOf(1),
                heading,
                "There is no column “" + heading + "”; there are " + String.join(", ", known) + ".")));
        List<String> lacking =
                needed.stream().filter(heading -> !headings.contains(heading)).toList();
        if (unknown.isEmpty()) {
            lacking.forEach(heading ->
                    wrong.accept(new FileProblem(placeOf(1), heading, "The column “" + heading + "” is missing.")));
        }
        return unknown.isEmpty() && lacking.isEmpty();
    }

    private static Map<String, String> byHeading(List<String> headings, CSVRecord cells) {
        Map<String, String> byHeading = new LinkedHashMap<>();
        for (int i = 0; i < headings.size(); i++) {
            String cell = unguarded(cells.get(i)).strip();
            if (!cell.isEmpty()) {
                byHeading.put(headings.get(i), cell);
            }
        }
        return byHeading;
    }

    /** The line of the file in which a record begins, as a cell may go over several. */
    private static long firstLineOf(CSVParser parser, CSVRecord cells) {
        long broken = cells.stream()
                .mapToLong(cell -> cell.chars().filter(sign -> sign == '\n').count())
                .sum();
        return Math.max(1, parser.getCurrentLineNumber() - broken);
    }
}
