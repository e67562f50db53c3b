package app.unciala.server.listing;

import app.unciala.server.fault.Fault;
import java.util.List;
import java.util.Optional;

/**
 * What became of a file that was read in.
 *
 * @param entries how many records it has
 * @param recorded how many were recorded: none where the file has a problem; the first ones where somebody else's change
 *     came in between that makes the rest impossible
 */
public record ImportReport(int entries, int recorded, List<FileProblem> problems) {
    /** Of a file without a problem, whose records were recorded until one was refused, or all of them. */
    public static ImportReport of(int entries, int recorded, Optional<Fault> stopped) {
        return new ImportReport(
                entries,
                recorded,
                stopped
                        .map(fault -> new FileProblem(
                                "",
                                fault.field().orElse(""),
                                fault.getMessage() + " Recorded up to there: " + recorded + "."))
                        .stream()
                        .toList());
    }

    /**
     * What is wrong in a file.
     *
     * @param place the line of a CSV file, or which of the records of another, such as {@code line 3} or {@code license 3}
     * @param field the column or the field that it is about; empty when it is about the whole of it
     */
    public record FileProblem(String place, String field, String message) {}
}
