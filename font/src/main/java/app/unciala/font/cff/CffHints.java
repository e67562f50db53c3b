package app.unciala.font.cff;

import app.unciala.font.bytes.ByteView;

/** Whether the private DICTs of a CFF table hold zones or stem widths to align to. */
public final class CffHints {
    private CffHints() {}

    public static boolean areIn(ByteView table) {
        return CffFont.read(table).dicts().stream()
                .flatMap(dict -> dict.privateDict().entries().stream())
                .anyMatch(entry -> DictOperators.ALIGNING.contains(entry.operator()) && entry.operands().length > 0);
    }
}
