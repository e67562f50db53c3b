package app.unciala.core.css.syntax;

/**
 * One token of a style sheet.
 *
 * @param value what it says with its escapes resolved: the name of an identifier, function, at-keyword or hash, the
 *     content of a string or URL, the character of a delimiter, the unit of a dimension; empty for the rest
 * @param number the value of a number, percentage or dimension; 0 for the rest
 * @param start where it begins in the text, in UTF-16 units
 * @param end where it ends, exclusive
 */
public record Token(Kind kind, String value, double number, int start, int end) {
    /** The kinds of CSS Syntax 3, section 4. */
    public enum Kind {
        IDENT,
        FUNCTION,
        AT_KEYWORD,
        HASH,
        STRING,
        BAD_STRING,
        URL,
        BAD_URL,
        DELIM,
        NUMBER,
        PERCENTAGE,
        DIMENSION,
        WHITESPACE,
        COMMENT_OPEN,
        COMMENT_CLOSE,
        COLON,
        SEMICOLON,
        COMMA,
        OPEN_SQUARE,
        CLOSE_SQUARE,
        OPEN_ROUND,
        CLOSE_ROUND,
        OPEN_CURLY,
        CLOSE_CURLY
    }

    public boolean is(Kind other) {
        return kind == other;
    }

    /** Whether it is this identifier, in any case. */
    public boolean isIdent(String name) {
        return kind == Kind.IDENT && value.equalsIgnoreCase(name);
    }

    public boolean isDelim(char character) {
        return kind == Kind.DELIM && value.charAt(0) == character;
    }

    /** Whether it begins a block or a function, which a token of another kind ends. */
    public boolean opens() {
        return switch (kind) {
            case FUNCTION, OPEN_ROUND, OPEN_SQUARE, OPEN_CURLY -> true;
            default -> false;
        };
    }

    /** Whether it ends a block or a function. */
    public boolean isClosing() {
        return kind == Kind.CLOSE_ROUND || kind == Kind.CLOSE_SQUARE || kind == Kind.CLOSE_CURLY;
    }

    /** Whether it ends what the other began. */
    boolean closes(Token opening) {
        return switch (opening.kind) {
            case FUNCTION, OPEN_ROUND -> kind == Kind.CLOSE_ROUND;
            case OPEN_SQUARE -> kind == Kind.CLOSE_SQUARE;
            case OPEN_CURLY -> kind == Kind.CLOSE_CURLY;
            default -> false;
        };
    }
}
