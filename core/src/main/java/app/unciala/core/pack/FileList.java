package app.unciala.core.pack;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.pack.DeliveredFiles.Delivered;
import app.unciala.core.pack.PackRequest.Face;
import app.unciala.font.Numbers;
import app.unciala.font.face.Range;
import app.unciala.font.face.StyleNames;
import com.google.common.hash.Hashing;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVParser;
import org.apache.commons.csv.CSVPrinter;

/**
 * The font files of a pack as a table to fill a host's form from, as CSV (RFC 4180): one row for each file. Weights are
 * numbers from 1 to 1000, or a range of two with a space between; sizes are bytes.
 */
public final class FileList {
    static final String NAME = "files.csv";
    private static final String[] COLUMNS = {
        "file", "family", "weight", "weight_name", "slope", "format", "label", "fallback", "bytes", "sha256"
    };
    private static final CSVFormat CSV =
            CSVFormat.RFC4180.builder().setHeader(COLUMNS).get();

    private FileList() {}

    static String write(PackRequest request, DeliveredFiles files, TypeRules rules) {
        StringBuilder csv = new StringBuilder();
        try (CSVPrinter table = new CSVPrinter(csv, CSV)) {
            for (Face face : request.faces()) {
                for (Delivered file : files.of(face)) {
                    table.printRecord(
                            request.placement().path(file.name()),
                            rules.name(face.family()),
                            weight(face.slot().weight()),
                            StyleNames.weightName(nearest(face.slot().weight())),
                            face.slot().slope().key(),
                            file.format().key(),
                            rules.name(face.family()) + " " + face.label(),
                            fallback(request, face, rules),
                            file.bytes().length,
                            Hashing.sha256().hashBytes(file.bytes()));
                }
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return csv.toString();
    }

    /** The files of a pack, in its order; none where it has no such table, as packs of earlier versions. */
    public static List<PackedFile> of(Pack pack) {
        return pack.entries().stream()
                .filter(entry -> entry.path().equals(NAME))
                .flatMap(entry -> read(new String(entry.bytes(), StandardCharsets.UTF_8)).stream())
                .toList();
    }

    private static List<PackedFile> read(String csv) {
        try (CSVParser table =
                CSVParser.parse(csv, CSV.builder().setSkipHeaderRecord(true).get())) {
            return table.stream()
                    .map(row -> new PackedFile(
                            row.get(0),
                            row.get(1),
                            row.get(2),
                            row.get(3),
                            row.get(4),
                            row.get(5),
                            row.get(6),
                            row.get(7),
                            Long.parseLong(row.get(8)),
                            row.get(9)))
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String weight(Range weight) {
        return weight.min() == weight.max()
                ? Numbers.plain(weight.min())
                : Numbers.plain(weight.min()) + " " + Numbers.plain(weight.max());
    }

    private static double nearest(Range weight) {
        return Math.max(weight.min(), Math.min(weight.max(), 400));
    }

    /** What comes after the family in the stacks of the roles that it sets, the first that there is. */
    private static String fallback(PackRequest request, Face face, TypeRules rules) {
        return request.roles().stream()
                .filter(role -> role.family().equals(face.family()))
                .map(rules::stack)
                .map(stack -> stack.substring(stack.indexOf(", ") + 2))
                .findFirst()
                .orElse(GenericFamily.SANS_SERIF.css());
    }
}
