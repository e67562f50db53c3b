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
import org.apache.commons.csv.CSVFormat;
import org.apache.commons.csv.CSVPrinter;

/**
 * The font files of a pack as a table to fill a host's form from, as CSV (RFC 4180): one row for each file. Weights are
 * numbers from 1 to 1000, or a range of two with a space between; sizes are bytes.
 */
final class FileList {
    private static final String[] COLUMNS = {
        "file", "family", "weight", "weight_name", "slope", "format", "label", "fallback", "bytes", "sha256"
    };

    private FileList() {}

    static String write(PackRequest request, DeliveredFiles files, TypeRules rules) {
        StringBuilder csv = new StringBuilder();
        try (CSVPrinter table = new CSVPrinter(
                csv, CSVFormat.RFC4180.builder().setHeader(COLUMNS).get())) {
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
