package app.unciala.server.backup;

import app.unciala.server.backup.BackupArchive.BadBackup;
import java.io.BufferedReader;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.sql.Statement;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

/**
 * Puts the rows of a backup into tables that are there. A backup may come from anywhere, and the database can run
 * programs and write files, so of its statements only those are run that put plain values into one of the tables; all
 * others are passed over.
 */
final class BackupRows {
    private static final String HISTORY_OF_TABLES = "flyway_schema_history";
    private static final Pattern INSERT = Pattern.compile("\\s*INSERT INTO \"PUBLIC\"\\.\"(\\w+)\"");
    private static final Pattern VALUES = Pattern.compile(" VALUES\\s*");
    private static final Pattern WORD_OR_NUMBER = Pattern.compile("NULL|TRUE|FALSE|-?\\d[\\d.]*(E[+-]?\\d+)?");
    private static final Pattern QUOTE =
            Pattern.compile("(U&|X|JSON |DATE |TIME |TIMESTAMP |TIME WITH TIME ZONE |TIMESTAMP WITH TIME ZONE )?'");

    private BackupRows() {}

    /** The names of the tables of a database. */
    static Set<String> tables(Connection connection) throws SQLException {
        Set<String> names = new TreeSet<>();
        try (Statement statement = connection.createStatement();
                ResultSet rows = statement.executeQuery("select table_name from information_schema.tables"
                        + " where table_schema = 'PUBLIC' and table_type = 'BASE TABLE'")) {
            while (rows.next()) {
                names.add(rows.getString(1));
            }
        }
        return names;
    }

    /** Replaces the rows of all tables by those of a backup; what refers to no row is refused. */
    static void read(Connection connection, Path script) throws SQLException, IOException {
        Set<String> tables = tables(connection);
        tables.remove(HISTORY_OF_TABLES);
        try (Statement statement = connection.createStatement();
                BufferedReader reader = Files.newBufferedReader(script)) {
            statement.execute("set referential_integrity false");
            for (String table : tables) {
                statement.execute("delete from \"" + table + "\"");
            }
            for (String text = next(reader); text != null; text = next(reader)) {
                Matcher insert = INSERT.matcher(text);
                if (insert.lookingAt() && tables.contains(insert.group(1))) {
                    // One that is not understood is refused, as passing over it would lose what it puts in.
                    Matcher values = VALUES.matcher(text).region(insert.end(), text.length());
                    if (!values.lookingAt() || !isPlain(text, values.end())) {
                        throw new BadBackup(
                                "what it puts into the table " + insert.group(1) + " is no row of plain values");
                    }
                    statement.execute(text);
                }
            }
            statement.execute("set referential_integrity true");
            for (String table : tables) {
                statement.execute("alter table \"" + table + "\" set referential_integrity true check");
            }
            goOnCounting(connection, statement);
        }
    }

    /** Columns that count by themselves go on after the highest number that came. */
    private static void goOnCounting(Connection connection, Statement statement) throws SQLException {
        try (Statement query = connection.createStatement();
                ResultSet columns = query.executeQuery("select table_name, column_name from information_schema.columns"
                        + " where table_schema = 'PUBLIC' and is_identity = 'YES'")) {
            while (columns.next()) {
                String table = "\"" + columns.getString(1) + "\"";
                String column = "\"" + columns.getString(2) + "\"";
                long next;
                try (ResultSet most =
                        statement.executeQuery("select coalesce(max(" + column + "), 0) + 1 from " + table)) {
                    most.next();
                    next = most.getLong(1);
                }
                statement.execute("alter table " + table + " alter column " + column + " restart with " + next);
            }
        }
    }

    /** The next statement with its semicolon, or null at the end; a semicolon within quotation marks ends none. */
    private static @Nullable String next(BufferedReader reader) throws IOException {
        StringBuilder text = new StringBuilder();
        int quote = 0;
        for (int c = reader.read(); c >= 0; c = reader.read()) {
            if (quote == 0 && c == '-' && text.length() > 0 && text.charAt(text.length() - 1) == '-') {
                reader.readLine();
                text.setLength(text.length() - 1);
                continue;
            }
            text.append((char) c);
            if (quote == 0 && (c == '\'' || c == '"')) {
                quote = c;
            } else if (c == quote) {
                quote = 0;
            } else if (quote == 0 && c == ';') {
                return text.toString();
            }
        }
        return null;
    }

    /** Whether what follows is rows of plain values in parentheses, up to the one semicolon at the end. */
    static boolean isPlain(String text, int from) {
        int at = from;
        while (at >= 0 && at < text.length() && text.charAt(at) == '(') {
            do {
                at = afterValue(text, blank(text, at + 1));
            } while (at >= 0 && text.charAt(at) == ',');
            if (at < 0 || text.charAt(at) != ')') {
                return false;
            }
            at = blank(text, at + 1);
            if (text.charAt(at) == ';') {
                return at == text.length() - 1;
            }
            at = text.charAt(at) == ',' ? blank(text, at + 1) : -1;
        }
        return false;
    }

    /** The place after a value and the blanks behind it; less than 0 where no plain value stands. */
    private static int afterValue(String text, int from) {
        Matcher word = WORD_OR_NUMBER.matcher(text).region(from, text.length());
        if (word.lookingAt()) {
            return blank(text, word.end());
        }
        Matcher quote = QUOTE.matcher(text).region(from, text.length());
        if (!quote.lookingAt()) {
            return -1;
        }
        int end = text.indexOf('\'', quote.end());
        while (end >= 0 && text.startsWith("''", end)) {
            end = text.indexOf('\'', end + 2);
        }
        return end < 0 ? -1 : blank(text, end + 1);
    }

    private static int blank(String text, int from) {
        int at = from;
        while (at < text.length() - 1 && Character.isWhitespace(text.charAt(at))) {
            at++;
        }
        return at;
    }
}
