package app.unciala.server.listing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/** Writes CSV (RFC 4180) of which no cell is taken for a formula by a spreadsheet program. */
public final class CsvText {
    /** Signs with which a cell would be a formula. */
    private static final String FORMULA = "=+-@\t\r";

    private CsvText() {}

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
    public static String unguarded(String cell) {
        return cell.length() > 1 && cell.charAt(0) == '\'' && FORMULA.indexOf(cell.charAt(1)) >= 0
                ? cell.substring(1)
                : cell;
    }
}
