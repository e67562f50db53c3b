package app.unciala.font.cff;

import app.unciala.font.bytes.ByteView;
import java.util.Set;

/** Whether the private DICTs of a CFF table hold zones or stem widths to align to. */
public final class CffHints {
    /** BlueValues, StdHW, StdVW, StemSnapH, StemSnapV. */
    private static final Set<Integer> HINTS = Set.of(6, 10, 11, 1212, 1213);

    private CffHints() {}

    public static boolean areIn(ByteView table) {
        return CffFont.read(table).dicts().stream()
                .flatMap(dict -> dict.privateDict().entries().stream())
                .anyMatch(entry -> HINTS.contains(entry.operator()) && entry.operands().length > 0);
    }
}
