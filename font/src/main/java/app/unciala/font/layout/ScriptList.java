package app.unciala.font.layout;

import app.unciala.font.bytes.ByteView;
import java.util.ArrayList;
import java.util.List;

/** A script list: for each script its default language and the others. */
public record ScriptList(ByteView table) {
    public int count() {
        return table.u16(0);
    }

    public String tag(int script) {
        return table.tag(2 + 6 * script);
    }

    public ByteView script(int script) {
        return table.from(table.u16(6 + 6 * script));
    }

    /** Every language system of every script. */
    List<ByteView> languages() {
        List<ByteView> languages = new ArrayList<>();
        for (int i = 0; i < count(); i++) {
            ByteView script = script(i);
            if (script.u16(0) != 0) {
                languages.add(script.from(script.u16(0)));
            }
            for (int j = 0; j < script.u16(2); j++) {
                languages.add(script.from(script.u16(8 + 6 * j)));
            }
        }
        return languages;
    }
}
