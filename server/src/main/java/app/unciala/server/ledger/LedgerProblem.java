package app.unciala.server.ledger;

/**
 * What is wrong in a file of licenses.
 *
 * @param place the line of a CSV file, or which of the licenses of another, such as {@code line 3} or {@code license 3}
 * @param field the column or the term that it is about; empty when it is about the whole of it
 */
record LedgerProblem(String place, String field, String message) {}
