package app.unciala.core.css.syntax;

/** What browsers pass over, or read otherwise than it was meant; {@code at} is the place in the text, in UTF-16 units. */
public record SyntaxProblem(int at, String message) {}
