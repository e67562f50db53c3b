package app.unciala.core.css.syntax;

import java.nio.charset.Charset;
import java.nio.charset.IllegalCharsetNameException;
import java.nio.charset.StandardCharsets;
import java.nio.charset.UnsupportedCharsetException;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/** Decodes the bytes of a style sheet as CSS Syntax 3, section 3.2 does, when nothing else is said of its encoding. */
public final class StyleSheetBytes {
    private static final Pattern CHARSET = Pattern.compile("^@charset \"([^\"]{1,40})\";");
    private static final int LOOKED_AT = 1024;
    private static final char MARK = '\uFEFF';

    private StyleSheetBytes() {}

    /** The text: by its byte order mark, by its {@code @charset}, or else as UTF-8; what cannot be decoded is replaced. */
    public static String decode(byte[] bytes) {
        if (begins(bytes, 0xFE, 0xFF)) {
            return withoutMark(new String(bytes, StandardCharsets.UTF_16BE));
        }
        if (begins(bytes, 0xFF, 0xFE)) {
            return withoutMark(new String(bytes, StandardCharsets.UTF_16LE));
        }
        String start = new String(bytes, 0, Math.min(LOOKED_AT, bytes.length), StandardCharsets.ISO_8859_1);
        Matcher named = CHARSET.matcher(start);
        return withoutMark(new String(bytes, named.find() ? charset(named.group(1)) : StandardCharsets.UTF_8));
    }

    /** A name that nobody knows stands for UTF-8, and so does UTF-16, in which the rule could not be read. */
    private static Charset charset(String name) {
        try {
            Charset charset = Charset.forName(name.strip());
            boolean wide = charset.name().startsWith("UTF-16");
            // The Encoding Standard reads Latin 1 as the code page that extends it.
            boolean latin = charset.equals(StandardCharsets.ISO_8859_1) || charset.equals(StandardCharsets.US_ASCII);
            return wide ? StandardCharsets.UTF_8 : latin ? Charset.forName("windows-1252") : charset;
        } catch (IllegalCharsetNameException | UnsupportedCharsetException e) {
            return StandardCharsets.UTF_8;
        }
    }

    private static boolean begins(byte[] bytes, int first, int second) {
        return bytes.length > 1 && (bytes[0] & 0xFF) == first && (bytes[1] & 0xFF) == second;
    }

    private static String withoutMark(String text) {
        return !text.isEmpty() && text.charAt(0) == MARK ? text.substring(1) : text;
    }
}
