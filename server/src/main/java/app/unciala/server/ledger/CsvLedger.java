package app.unciala.server.ledger;

import app.unciala.server.ledger.LedgerEntry.NamedFaces;
import app.unciala.server.ledger.LedgerEntry.ReadEntry;
import app.unciala.server.ledger.LedgerEntry.Wrong;
import app.unciala.server.license.LicenseDraftBuilder;
import app.unciala.server.listing.CsvText;
import app.unciala.server.listing.ImportReport.FileProblem;
import java.time.DateTimeException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Licenses as CSV (RFC 4180): a line for each, and a column for each of its terms. */
@Component
class CsvLedger implements LedgerForm {
    @Override
    public String written(List<LedgerEntry> licenses) {
        List<List<String>> lines = new ArrayList<>();
        lines.add(headings());
        licenses.forEach(license -> lines.add(Arrays.stream(LedgerColumn.values())
                .map(column -> column.cell(license))
                .toList()));
        return CsvText.of(lines);
    }

    private static List<String> headings() {
        return Arrays.stream(LedgerColumn.values()).map(LedgerColumn::heading).toList();
    }

    @Override
    public List<ReadEntry> read(String text, List<FileProblem> problems) {
        return CsvText.lines(text, headings(), List.of(LedgerColumn.NAME.heading()), problems::add).stream()
                .map(line -> entry(line.place(), line.cells()))
                .toList();
    }

    private static ReadEntry entry(String place, Map<String, String> cells) {
        List<Wrong> wrong = new ArrayList<>();
        LicenseDraftBuilder draft = LicenseDraftBuilder.builder();
        cells.forEach((heading, cell) -> {
            LedgerColumn column = LedgerColumn.headed(heading).orElseThrow();
            try {
                column.read(draft, cell);
            } catch (IllegalArgumentException | DateTimeException | ArithmeticException e) {
                wrong.add(new Wrong(heading, "“" + cell + "” is not " + column.expected() + "."));
            }
        });
        return new ReadEntry(
                place,
                new LedgerEntry(
                        draft.build(),
                        cell(cells, LedgerColumn.HOLDER).orElse(""),
                        covers(cell(cells, LedgerColumn.COVERS).orElse(""), wrong),
                        List.of()),
                wrong);
    }

    private static Optional<String> cell(Map<String, String> cells, LedgerColumn column) {
        return Optional.ofNullable(cells.get(column.heading()));
    }

    private static List<NamedFaces> covers(String cell, List<Wrong> wrong) {
        try {
            return LedgerFaces.read(cell);
        } catch (IllegalArgumentException e) {
            wrong.add(new Wrong("covers", e.getMessage() + "."));
            return List.of();
        }
    }
}
