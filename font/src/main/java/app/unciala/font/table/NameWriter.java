package app.unciala.font.table;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.table.NameTable.NameRecord;
import java.nio.charset.StandardCharsets;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/** Writes {@code name}, version 0: records in the order the specification asks for, equal texts stored once. */
public final class NameWriter {
    private static final int MAX_STORAGE = 0xFFFF;

    private NameWriter() {}

    /**
     * Writes the records, each text in the encoding of its platform.
     *
     * @throws FontException if the texts take more than 65535 bytes
     */
    public static byte[] write(List<NameRecord> records) {
        List<NameRecord> sorted = records.stream()
                // These name their languages by tags of a table of version 1, which is not written.
                .filter(record ->
                        record.platform() == NameTable.MACINTOSH || record.language() < NameTable.FIRST_LANGUAGE_TAG)
                .sorted(Comparator.comparingInt(NameRecord::platform)
                        .thenComparingInt(NameRecord::encoding)
                        .thenComparingInt(NameRecord::language)
                        .thenComparingInt(NameRecord::nameId))
                .toList();
        ByteSink out =
                new ByteSink().u16(0).u16(sorted.size()).u16(NameTable.RECORDS + NameTable.RECORD * sorted.size());
        ByteSink storage = new ByteSink();
        Map<String, Integer> stored = new HashMap<>();
        for (NameRecord record : sorted) {
            byte[] text = encoded(record);
            String key = new String(text, StandardCharsets.ISO_8859_1);
            int at = stored.computeIfAbsent(key, bytes -> {
                int place = storage.size();
                storage.bytes(text);
                return place;
            });
            if (storage.size() > MAX_STORAGE) {
                throw new FontException("name", -1, "has texts of more than 65535 bytes");
            }
            out.u16(record.platform())
                    .u16(record.encoding())
                    .u16(record.language())
                    .u16(record.nameId());
            out.u16(text.length).u16(at);
        }
        return out.bytes(storage).toArray();
    }

    private static byte[] encoded(NameRecord record) {
        return record.text().getBytes(NameTable.charset(record.platform()));
    }
}
