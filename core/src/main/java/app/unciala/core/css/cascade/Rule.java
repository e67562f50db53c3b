package app.unciala.core.css.cascade;

/**
 * Where a declaration stands that has a part in a result.
 *
 * @param url the style sheet or page it stands in
 * @param line from 1
 * @param selector as it is written; {@code style} for the attribute of that name
 */
public record Rule(String url, int line, String selector) {}
