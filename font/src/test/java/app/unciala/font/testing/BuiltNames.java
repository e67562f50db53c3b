package app.unciala.font.testing;

import app.unciala.font.bytes.ByteSink;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.TreeMap;

/** {@code name} tables. */
public final class BuiltNames {
    private static final int MACINTOSH = 1;
    private static final int WINDOWS = 3;
    private static final int US_ENGLISH = 0x409;
    private static final int HEADER = 6;

    private BuiltNames() {}

    /** A record with its text. */
    public record Name(int platform, int encoding, int language, int id, String text) {
        public static Name windows(int language, int id, String text) {
            return new Name(WINDOWS, 1, language, id, text);
        }

        public static Name english(int id, String text) {
            return windows(US_ENGLISH, id, text);
        }

        public static Name macintosh(int id, String text) {
            return new Name(MACINTOSH, 0, 0, id, text);
        }

        private byte[] bytes() {
            return text.getBytes(platform == MACINTOSH ? Charset.forName("x-MacRoman") : StandardCharsets.UTF_16BE);
        }
    }

    public static byte[] table(Name... names) {
        ByteSink records = new ByteSink();
        ByteSink storage = new ByteSink();
        for (Name name : names) {
            records.u16(name.platform()).u16(name.encoding()).u16(name.language());
            records.u16(name.id()).u16(name.bytes().length).u16(storage.size());
            storage.bytes(name.bytes());
        }
        return new ByteSink()
                .u16(0)
                .u16(names.length)
                .u16(HEADER + records.size())
                .bytes(records)
                .bytes(storage)
                .toArray();
    }

    /** Names in English by their numbers. */
    public static byte[] english(Map<Integer, String> names) {
        return table(new TreeMap<>(names)
                .entrySet().stream()
                        .map(name -> Name.english(name.getKey(), name.getValue()))
                        .toArray(Name[]::new));
    }
}
