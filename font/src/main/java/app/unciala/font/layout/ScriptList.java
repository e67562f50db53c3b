package app.unciala.font.layout;

import app.unciala.font.bytes.ByteView;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** A script list table (OpenType 1.9, "Common table formats"): scripts by tag. */
public record ScriptList(ByteView table) {
    /** The scripts by which shapers set those that a table does not have. */
    static final Set<String> DEFAULTS = Set.of("DFLT", "dflt", "latn");

    private static final int RECORDS = 2;
    /** A tag, then an offset. */
    private static final int RECORD = 6;

    private static final int TAG = 4;

    public int count() {
        return table.u16(0);
    }

    public String tag(int script) {
        return table.tag(RECORDS + RECORD * script);
    }

    public Script script(int script) {
        return new Script(table.from(table.u16(RECORDS + RECORD * script + TAG)));
    }

    /** Every language system of every script. */
    List<LanguageSystem> languages() {
        List<LanguageSystem> languages = new ArrayList<>();
        for (int i = 0; i < count(); i++) {
            Script script = script(i);
            script.defaultLanguage().ifPresent(languages::add);
            for (int j = 0; j < script.languageCount(); j++) {
                languages.add(script.language(j));
            }
        }
        return languages;
    }
}
