package app.unciala.server.ledger;

import app.unciala.server.ledger.LedgerEntry.ReadEntry;
import app.unciala.server.listing.ImportReport.FileProblem;
import java.util.List;

/** A form in which licenses are written into a file and read from it. */
interface LedgerForm {
    String written(List<LedgerEntry> licenses);

    /** What a file says; problems that belong to no license are added to {@code problems}. */
    List<ReadEntry> read(String text, List<FileProblem> problems);
}
