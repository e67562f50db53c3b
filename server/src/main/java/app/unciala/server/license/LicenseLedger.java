package app.unciala.server.license;

import app.unciala.server.fault.Fault;
import app.unciala.server.inventory.Links;
import app.unciala.server.listing.CsvText;
import jakarta.validation.Validator;
import java.io.IOException;
import java.io.StringReader;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.StandardCharsets;
import java.time.DateTimeException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVRecord;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The ledger of all licenses as CSV (RFC 4180), written and read. A file goes in as a whole or not at all. */
@Service
class LicenseLedger {
    private static final int MOST_LINES = 5_000;
    private static final String BYTE_ORDER_MARK = "\ufeff";

    private final LicenseService licenses;
    private final Links links;
    private final Validator validator;

    LicenseLedger(LicenseService licenses, Links links, Validator validator) {
        this.licenses = licenses;
        this.links = links;
        this.validator = validator;
    }

    /** What is wrong in a line of the file, counted from 1; {@code column} is empty when it is about the whole line. */
    record LedgerProblem(long line, String column, String message) {}

    /** How many licenses the file has and how many were recorded: all of them, or none where there is any problem. */
    record LedgerReport(int lines, int recorded, List<LedgerProblem> problems) {}

    private record Line(long number, LicenseDraft draft) {}

    @Transactional(readOnly = true)
    String written() {
        List<List<String>> lines = new ArrayList<>();
        lines.add(headings());
        licenses.all()
                .forEach(license -> lines.add(Arrays.stream(LedgerColumn.values())
                        .map(column -> column.cell(license))
                        .toList()));
        return CsvText.of(lines);
    }

    private static List<String> headings() {
        return Arrays.stream(LedgerColumn.values()).map(LedgerColumn::heading).toList();
    }

    /** Reads a ledger; records what it has if there is no problem and {@code record} says so. */
    @Transactional
    LedgerReport read(byte[] bytes, boolean record) {
        List<LedgerProblem> problems = new ArrayList<>();
        List<Line> lines = lines(decoded(bytes), problems);
        boolean all = record && problems.isEmpty();
        if (all) {
            lines.forEach(line -> licenses.create(line.draft()));
        }
        return new LedgerReport(lines.size(), all ? lines.size() : 0, problems);
    }

    private List<Line> lines(String text, List<LedgerProblem> problems) {
        List<Line> lines = new ArrayList<>();
        try (CSVParser parser =
                CSVFormat.RFC4180.builder().setIgnoreEmptyLines(true).get().parse(new StringReader(text))) {
            List<LedgerColumn> columns = new ArrayList<>();
            Set<String> names = new HashSet<>(licenses.names());
            for (CSVRecord cells : parser) {
                if (columns.isEmpty()) {
                    columns.addAll(headings(cells, problems));
                    if (!problems.isEmpty()) {
                        return lines;
                    }
                } else if (lines.size() == MOST_LINES) {
                    problems.add(new LedgerProblem(lineOf(parser, cells), "", "A ledger has at most 5,000 licenses."));
                    return lines;
                } else {
                    lines.add(line(lineOf(parser, cells), cells, columns, names, problems));
                }
            }
            if (columns.isEmpty()) {
                problems.add(new LedgerProblem(1, "", "The file is empty; its first line names the columns."));
            }
        } catch (IOException | UncheckedIOException e) {
            problems.add(new LedgerProblem(
                    lines.size() + 2L, "", "This line is no CSV: a quotation mark is not closed, or misplaced."));
        }
        return lines;
    }

    private static long lineOf(CSVParser parser, CSVRecord cells) {
        long broken = cells.stream()
                .mapToLong(cell -> cell.chars().filter(sign -> sign == '\n').count())
                .sum();
        return Math.max(1, parser.getCurrentLineNumber() - broken);
    }

    private static List<LedgerColumn> headings(CSVRecord cells, List<LedgerProblem> problems) {
        List<LedgerColumn> columns = new ArrayList<>();
        for (String heading : cells) {
            Optional<LedgerColumn> column = LedgerColumn.headed(heading);
            column.ifPresentOrElse(
                    columns::add,
                    () -> problems.add(new LedgerProblem(
                            1,
                            heading,
                            "There is no column “" + heading + "”; there are " + String.join(", ", headings()) + ".")));
        }
        if (problems.isEmpty() && !columns.contains(LedgerColumn.NAME)) {
            problems.add(new LedgerProblem(1, "name", "The column “name” is missing."));
        }
        return columns;
    }

    private Line line(
            long number, CSVRecord cells, List<LedgerColumn> columns, Set<String> names, List<LedgerProblem> problems) {
        LicenseDraftBuilder draft = LicenseDraftBuilder.builder();
        if (cells.size() != columns.size()) {
            problems.add(new LedgerProblem(
                    number, "", "It has " + cells.size() + " cells where the first line has " + columns.size() + "."));
            return new Line(number, draft.name("").build());
        }
        Map<LedgerColumn, String> values = new LinkedHashMap<>();
        for (int i = 0; i < columns.size(); i++) {
            String cell = CsvText.unguarded(cells.get(i)).strip();
            if (!cell.isEmpty()) {
                values.put(columns.get(i), cell);
            }
        }
        values.forEach((column, cell) -> {
            try {
                column.read(draft, cell);
            } catch (IllegalArgumentException | DateTimeException | ArithmeticException e) {
                problems.add(new LedgerProblem(
                        number, column.heading(), "“" + cell + "” is not " + column.expected() + "."));
            }
        });
        holder(values, number, problems).ifPresent(draft::holderId);
        draft.covers(covers(values.getOrDefault(LedgerColumn.COVERS, ""), number, problems));
        return new Line(number, checked(draft.build(), number, names, problems));
    }

    private LicenseDraft checked(LicenseDraft draft, long number, Set<String> names, List<LedgerProblem> problems) {
        validator
                .validate(draft)
                .forEach(violation -> problems.add(
                        new LedgerProblem(number, violation.getPropertyPath().toString(), violation.getMessage())));
        if (!draft.name().isBlank() && !names.add(draft.name().strip().toLowerCase(Locale.ROOT))) {
            problems.add(new LedgerProblem(number, "name", "A license “" + draft.name() + "” is recorded already."));
        }
        try {
            return LicenseTerms.checked(draft);
        } catch (Fault fault) {
            problems.add(new LedgerProblem(number, fault.field().orElse(""), fault.getMessage()));
            return draft;
        }
    }

    private Optional<String> holder(Map<LedgerColumn, String> values, long number, List<LedgerProblem> problems) {
        String name = values.get(LedgerColumn.HOLDER);
        if (name == null) {
            return Optional.empty();
        }
        Optional<String> id = links.clientNamed(name);
        if (id.isEmpty()) {
            problems.add(new LedgerProblem(number, "holder", "There is no client “" + name + "”."));
        }
        return id;
    }

    private List<Covered> covers(String cell, long number, List<LedgerProblem> problems) {
        List<Covered> covers = new ArrayList<>();
        try {
            for (LedgerFaces.Named named : LedgerFaces.read(cell)) {
                links.familyNamed(named.family())
                        .ifPresentOrElse(
                                id -> covers.add(new Covered(id, named.faces())),
                                () -> problems.add(new LedgerProblem(
                                        number, "covers", "There is no family “" + named.family() + "”.")));
            }
        } catch (IllegalArgumentException e) {
            problems.add(new LedgerProblem(number, "covers", e.getMessage() + "."));
        }
        return covers;
    }

    private static String decoded(byte[] bytes) {
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
}
