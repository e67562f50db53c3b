package app.unciala.font.rename;

import app.unciala.font.cff.CffNames;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.NameTable.NameRecord;
import app.unciala.font.table.NameWriter;
import java.util.List;

/** Puts name records into a face, and lets the names inside a {@code CFF } table follow them. */
final class FaceNames {
    private FaceNames() {}

    static Sfnt put(Sfnt face, List<NameRecord> records) {
        Sfnt named = face.with("name", NameWriter.write(records));
        if (face.table("CFF ").isEmpty()) {
            return named;
        }
        NameTable names = NameTable.read(named);
        String family = names.best(NameTable.TYPOGRAPHIC_FAMILY)
                .or(() -> names.best(NameTable.FAMILY))
                .orElse("");
        String full = names.best(NameTable.FULL_NAME).orElse(family);
        String postScript = names.best(NameTable.POSTSCRIPT_NAME).orElse(Renamer.postScript(full));
        return named.with("CFF ", CffNames.write(face.require("CFF "), postScript, full, family));
    }
}
