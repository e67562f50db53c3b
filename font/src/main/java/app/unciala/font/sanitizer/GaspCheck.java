package app.unciala.font.sanitizer;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import java.util.Optional;

/** {@code gasp} of versions 0 and 1: it has the ranges that it says it has. */
final class GaspCheck {
    private GaspCheck() {}

    static void gasp(Sfnt face, Findings findings) {
        Optional<ByteView> table = face.table("gasp").filter(gasp -> gasp.u16(0) <= 1);
        table.ifPresent(gasp -> findings.addIf(
                4 + 4 * gasp.u16(2) > gasp.length(), "gasp", "says it has " + gasp.u16(2) + " ranges, more than fit"));
    }
}
