package app.unciala.font.layout;

import app.unciala.font.bytes.ByteView;
import java.util.Optional;

/** A script table (OpenType 1.9, "Common table formats"): its default language system, and those of languages that differ. */
public record Script(ByteView table) {
    private static final int DEFAULT_OFFSET = 0;
    private static final int COUNT = 2;
    private static final int RECORDS = 4;
    /** A tag, then an offset. */
    private static final int RECORD = 6;

    private static final int TAG = 4;

    public Optional<LanguageSystem> defaultLanguage() {
        int offset = table.u16(DEFAULT_OFFSET);
        return offset == 0 ? Optional.empty() : Optional.of(new LanguageSystem(table.from(offset)));
    }

    public int languageCount() {
        return table.u16(COUNT);
    }

    public String languageTag(int language) {
        return table.tag(RECORDS + RECORD * language);
    }

    public LanguageSystem language(int language) {
        return new LanguageSystem(table.from(table.u16(RECORDS + RECORD * language + TAG)));
    }
}
