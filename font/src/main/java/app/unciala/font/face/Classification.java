package app.unciala.font.face;

import app.unciala.font.FontException;
import app.unciala.font.drawing.Serifs;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.Os2Table;
import app.unciala.font.table.PostTable;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.OptionalDouble;

/** What kind of type a family is, which says what may stand in for it. */
public enum Classification {
    SERIF("serif"),
    SANS_SERIF("sans serif"),
    MONOSPACED("monospaced"),
    DISPLAY("display"),
    HANDWRITING("handwriting");

    /** How much wider the foot of a capital I is than its middle, at least, where it has serifs. */
    private static final double SERIFS = 1.5;

    private final String words;

    Classification(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** What a face is taken for until somebody says otherwise, and why. */
    public record Proposal(Classification classification, String because) {}

    /** Proposes from {@code post}, then PANOSE, then the drawing; empty for a face that says nothing and has no Latin letters. */
    public static Optional<Proposal> propose(Sfnt face) {
        if (PostTable.read(face).filter(PostTable::fixedPitch).isPresent()) {
            return Optional.of(new Proposal(MONOSPACED, "post says that it is monospaced"));
        }
        return Os2Table.read(face).flatMap(os2 -> fromPanose(os2.panose())).or(() -> fromDrawing(face));
    }

    /** Bytes of PANOSE (OpenType 1.9, "OS/2", panose), and what they say. */
    private static final int FAMILY_KIND = 0;

    private static final int SERIF_STYLE = 1;
    private static final int PROPORTION = 3;

    private static final int LATIN_TEXT = 2;
    private static final int LATIN_HAND_WRITTEN = 3;
    private static final int LATIN_DECORATIVE = 4;
    private static final Range SERIF_STYLES = new Range(2, 10);
    private static final Range SANS_SERIF_STYLES = new Range(11, 15);
    private static final int MONOSPACED_PROPORTION = 9;

    static Optional<Proposal> fromPanose(List<Integer> panose) {
        int kind = panose.get(FAMILY_KIND);
        return switch (kind) {
            case LATIN_TEXT -> ofText(panose.get(SERIF_STYLE), panose.get(PROPORTION));
            case LATIN_HAND_WRITTEN -> panose(HANDWRITING, "family kind " + kind);
            case LATIN_DECORATIVE -> panose(DISPLAY, "family kind " + kind);
            default -> Optional.empty();
        };
    }

    private static Optional<Proposal> ofText(int serifStyle, int proportion) {
        if (proportion == MONOSPACED_PROPORTION) {
            return panose(MONOSPACED, "proportion " + proportion);
        }
        if (SANS_SERIF_STYLES.contains(serifStyle)) {
            return panose(SANS_SERIF, "serif style " + serifStyle);
        }
        return SERIF_STYLES.contains(serifStyle) ? panose(SERIF, "serif style " + serifStyle) : Optional.empty();
    }

    private static Optional<Proposal> panose(Classification classification, String says) {
        return Optional.of(new Proposal(classification, "PANOSE " + says + ", " + classification.words));
    }

    private static Optional<Proposal> fromDrawing(Sfnt face) {
        try {
            OptionalDouble foot = Serifs.footOfCapitalI(face);
            return foot.isEmpty()
                    ? Optional.empty()
                    : Optional.of(
                            foot.getAsDouble() >= SERIFS
                                    ? new Proposal(SERIF, "the capital I stands on serifs")
                                    : new Proposal(SANS_SERIF, "the capital I has no serifs"));
        } catch (FontException e) {
            return Optional.empty();
        }
    }

    /** Reads a word for a classification, as it is stored. */
    public static Optional<Classification> of(String name) {
        return Arrays.stream(values())
                .filter(value -> value.name().equals(name.toUpperCase(Locale.ROOT)))
                .findFirst();
    }
}
