package app.unciala.font.report;

import app.unciala.font.cff.CffHints;
import app.unciala.font.sfnt.Sfnt;

/** Whether a face carries instructions for fitting its outlines to pixels. */
public enum Hinting {
    NONE("not hinted"),
    INSTRUCTIONS("TrueType instructions"),
    STEMS("PostScript stems and zones");

    /** Fonts without hinting still carry a program of a few bytes that turns drop-out control on. */
    private static final int DROP_OUT_ONLY = 16;

    private final String words;

    Hinting(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    static Hinting of(Sfnt face) {
        if (face.table("CFF ").isPresent()) {
            return CffHints.areIn(face.require("CFF ")) ? STEMS : NONE;
        }
        if (face.table("CFF2").isPresent()) {
            return CffHints.areIn(face.require("CFF2")) ? STEMS : NONE;
        }
        boolean program = face.table("fpgm")
                        .filter(table -> table.length() > DROP_OUT_ONLY)
                        .isPresent()
                || face.table("prep")
                        .filter(table -> table.length() > DROP_OUT_ONLY)
                        .isPresent();
        return program ? INSTRUCTIONS : NONE;
    }
}
