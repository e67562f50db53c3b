package app.unciala.server.intake;

/** How many files have a verdict, and how many of them go in. */
public record VerdictCount(Verdict verdict, int files, int included) {}
