package app.unciala.core.css.syntax;

import app.unciala.core.css.syntax.Token.Kind;
import app.unciala.font.budget.Budget;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** Turns text into tokens, as CSS Syntax 3, section 4.3 does; comments are left out, damage is told. */
final class Tokenizer {
    private static final int END = -1;
    private static final int REPLACEMENT = 0xFFFD;

    private final String text;
    private final List<Token> tokens = new ArrayList<>();
    private final List<SyntaxProblem> problems = new ArrayList<>();
    private int at;

    private Tokenizer(String text) {
        this.text = text;
    }

    record Tokens(List<Token> tokens, List<SyntaxProblem> problems) {}

    static Tokens tokens(String text) {
        Tokenizer tokenizer = new Tokenizer(text);
        while (tokenizer.at < text.length()) {
            Budget.check();
            tokenizer.next();
        }
        return new Tokens(tokenizer.tokens, tokenizer.problems);
    }

    private void next() {
        int start = at;
        int c = peek(0);
        if (c == '/' && peek(1) == '*') {
            skipComment();
        } else if (isWhitespace(c)) {
            while (isWhitespace(peek(0))) {
                at++;
            }
            add(Kind.WHITESPACE, "", start);
        } else if (c == '"' || c == '\'') {
            string(c);
        } else if (isDigit(c) || ((c == '.' || c == '+' || c == '-') && beginsNumber(at))) {
            numeric();
        } else if (c == '#' && (isName(peek(1)) || isEscape(at + 1))) {
            at++;
            add(Kind.HASH, name(), start);
        } else if (c == '@' && beginsName(at + 1)) {
            at++;
            add(Kind.AT_KEYWORD, name(), start);
        } else if (text.startsWith("<!--", at)) {
            at += 4;
            add(Kind.COMMENT_OPEN, "", start);
        } else if (text.startsWith("-->", at)) {
            at += 3;
            add(Kind.COMMENT_CLOSE, "", start);
        } else if (beginsName(at)) {
            identLike();
        } else {
            single(c);
        }
    }

    private void single(int c) {
        int start = at;
        Kind kind =
                switch (c) {
                    case '(' -> Kind.OPEN_ROUND;
                    case ')' -> Kind.CLOSE_ROUND;
                    case '[' -> Kind.OPEN_SQUARE;
                    case ']' -> Kind.CLOSE_SQUARE;
                    case '{' -> Kind.OPEN_CURLY;
                    case '}' -> Kind.CLOSE_CURLY;
                    case ',' -> Kind.COMMA;
                    case ':' -> Kind.COLON;
                    case ';' -> Kind.SEMICOLON;
                    default -> Kind.DELIM;
                };
        at += Character.charCount(c);
        add(kind, kind == Kind.DELIM ? Character.toString(c) : "", start);
    }

    private void skipComment() {
        int close = text.indexOf("*/", at + 2);
        if (close < 0) {
            problem(at, "This comment is never closed, so nothing after it is read. Close it with */.");
            at = text.length();
        } else {
            at = close + 2;
        }
    }

    /** Section 4.3.5: a line break that is not escaped ends a string, which is bad then. */
    private void string(int quote) {
        int start = at++;
        StringBuilder value = new StringBuilder();
        while (true) {
            int c = peek(0);
            if (c == END) {
                problem(start, "This string is never closed.");
                add(Kind.STRING, value.toString(), start);
                return;
            }
            if (c == quote) {
                at++;
                add(Kind.STRING, value.toString(), start);
                return;
            }
            if (isLineBreak(c)) {
                problem(start, "This string is not closed on its line, so browsers pass over the declaration.");
                add(Kind.BAD_STRING, value.toString(), start);
                return;
            }
            if (c == '\\' && (peek(1) == END || isLineBreak(peek(1)))) {
                at++;
                skipLineBreak();
            } else if (c == '\\') {
                value.appendCodePoint(escape());
            } else {
                value.appendCodePoint(character());
            }
        }
    }

    /** Section 4.3.3. */
    private void numeric() {
        int start = at;
        if (peek(0) == '+' || peek(0) == '-') {
            at++;
        }
        digits();
        if (peek(0) == '.' && isDigit(peek(1))) {
            at++;
            digits();
        }
        boolean signed = peek(1) == '+' || peek(1) == '-';
        if ((peek(0) == 'e' || peek(0) == 'E') && isDigit(peek(signed ? 2 : 1))) {
            at += signed ? 2 : 1;
            digits();
        }
        double number = Double.parseDouble(text.substring(start, at));
        if (beginsName(at)) {
            tokens.add(new Token(Kind.DIMENSION, name(), number, start, at));
        } else if (peek(0) == '%') {
            at++;
            tokens.add(new Token(Kind.PERCENTAGE, "", number, start, at));
        } else {
            tokens.add(new Token(Kind.NUMBER, "", number, start, at));
        }
    }

    private void digits() {
        while (isDigit(peek(0))) {
            at++;
        }
    }

    /** Section 4.3.4: {@code url(} that no quote follows is a token of its own. */
    private void identLike() {
        int start = at;
        String name = name();
        if (peek(0) != '(') {
            add(Kind.IDENT, name, start);
            return;
        }
        at++;
        int look = at;
        while (look < text.length() && isWhitespace(text.charAt(look))) {
            look++;
        }
        boolean quoted = look < text.length() && (text.charAt(look) == '"' || text.charAt(look) == '\'');
        if (name.toLowerCase(Locale.ROOT).equals("url") && !quoted) {
            at = look;
            url(start);
        } else {
            add(Kind.FUNCTION, name, start);
        }
    }

    /** Section 4.3.6. */
    private void url(int start) {
        StringBuilder value = new StringBuilder();
        while (true) {
            int c = peek(0);
            if (c == ')' || c == END) {
                if (c == END) {
                    problem(start, "This url( is never closed.");
                } else {
                    at++;
                }
                add(Kind.URL, value.toString(), start);
                return;
            }
            if (isWhitespace(c)) {
                while (isWhitespace(peek(0))) {
                    at++;
                }
                if (peek(0) != ')' && peek(0) != END) {
                    badUrl(start, "A URL with a space in it must stand in quotes; browsers pass over this one.");
                    return;
                }
            } else if (c == '"' || c == '\'' || c == '(' || c < 0x20 || c == 0x7F) {
                badUrl(start, "This URL has a quote or bracket inside; browsers pass over it. Put it in quotes.");
                return;
            } else if (c == '\\') {
                if (!isEscape(at)) {
                    badUrl(start, "This URL ends its line with a backslash; browsers pass over it.");
                    return;
                }
                value.appendCodePoint(escape());
            } else {
                value.appendCodePoint(character());
            }
        }
    }

    private void badUrl(int start, String message) {
        problem(start, message);
        while (peek(0) != END && peek(0) != ')') {
            if (isEscape(at)) {
                escape();
            } else {
                at++;
            }
        }
        if (peek(0) == ')') {
            at++;
        }
        add(Kind.BAD_URL, text.substring(start, at), start);
    }

    private String name() {
        StringBuilder name = new StringBuilder();
        while (true) {
            if (isName(peek(0))) {
                name.appendCodePoint(character());
            } else if (isEscape(at)) {
                name.appendCodePoint(escape());
            } else {
                return name.toString();
            }
        }
    }

    /** Section 4.3.7; stands on the backslash. */
    private int escape() {
        at++;
        if (peek(0) == END) {
            return REPLACEMENT;
        }
        int digits = 0;
        while (digits < 6 && isHex(peek(digits))) {
            digits++;
        }
        if (digits == 0) {
            return character();
        }
        int value = Integer.parseInt(text.substring(at, at + digits), 16);
        at += digits;
        if (isLineBreak(peek(0))) {
            skipLineBreak();
        } else if (isWhitespace(peek(0))) {
            at++;
        }
        boolean surrogate = value >= 0xD800 && value <= 0xDFFF;
        return value == 0 || surrogate || value > Character.MAX_CODE_POINT ? REPLACEMENT : value;
    }

    private int character() {
        int c = peek(0);
        at += Character.charCount(c);
        return c == 0 || (c >= 0xD800 && c <= 0xDFFF) ? REPLACEMENT : c;
    }

    private void skipLineBreak() {
        if (peek(0) == '\r' && peek(1) == '\n') {
            at++;
        }
        if (peek(0) != END) {
            at++;
        }
    }

    private boolean beginsNumber(int from) {
        int c = peek(from - at);
        int digit = c == '+' || c == '-' ? from + 1 : from;
        if (peek(digit - at) == '.') {
            digit++;
        }
        return isDigit(peek(digit - at));
    }

    private boolean beginsName(int from) {
        int c = peek(from - at);
        if (c == '-') {
            int second = peek(from + 1 - at);
            return isNameStart(second) || second == '-' || isEscape(from + 1);
        }
        return isNameStart(c) || isEscape(from);
    }

    private boolean isEscape(int from) {
        return peek(from - at) == '\\' && peek(from + 1 - at) != END && !isLineBreak(peek(from + 1 - at));
    }

    private int peek(int ahead) {
        int index = at + ahead;
        return index < text.length() ? text.codePointAt(index) : END;
    }

    private void add(Kind kind, String value, int start) {
        tokens.add(new Token(kind, value, 0, start, at));
    }

    private void problem(int where, String message) {
        problems.add(new SyntaxProblem(where, message));
    }

    private static boolean isNameStart(int c) {
        return (c >= 'a' && c <= 'z') || (c >= 'A' && c <= 'Z') || c == '_' || c >= 0x80 || c == 0;
    }

    private static boolean isName(int c) {
        return isNameStart(c) || isDigit(c) || c == '-';
    }

    private static boolean isDigit(int c) {
        return c >= '0' && c <= '9';
    }

    private static boolean isHex(int c) {
        return isDigit(c) || (c >= 'a' && c <= 'f') || (c >= 'A' && c <= 'F');
    }

    private static boolean isLineBreak(int c) {
        return c == '\n' || c == '\r' || c == '\f';
    }

    private static boolean isWhitespace(int c) {
        return isLineBreak(c) || c == ' ' || c == '\t';
    }
}
