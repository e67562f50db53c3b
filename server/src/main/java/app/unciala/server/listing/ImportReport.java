package app.unciala.server.listing;

import java.util.List;

/**
 * What became of a file that was read in.
 *
 * @param entries how many records it has
 * @param recorded how many were recorded: all of them, or none where there is any problem
 */
public record ImportReport(int entries, int recorded, List<FileProblem> problems) {
    /**
     * What is wrong in a file.
     *
     * @param place the line of a CSV file, or which of the records of another, such as {@code line 3} or {@code license 3}
     * @param field the column or the field that it is about; empty when it is about the whole of it
     */
    public record FileProblem(String place, String field, String message) {}
}
