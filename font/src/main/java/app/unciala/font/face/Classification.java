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

    /** OpenType 1.9, "OS/2", panose: family kind, serif style and proportion are the first, second and fourth byte. */
    static Optional<Proposal> fromPanose(List<Integer> panose) {
        int kind = panose.get(0);
        int second = panose.get(1);
        int proportion = panose.get(3);
        return switch (kind) {
            case 2 ->
                proportion == 9
                        ? panose(MONOSPACED, "proportion 9")
                        : second >= 11 && second <= 15
                                ? panose(SANS_SERIF, "serif style " + second)
                                : second >= 2 && second <= 10
                                        ? panose(SERIF, "serif style " + second)
                                        : Optional.empty();
            case 3 -> panose(HANDWRITING, "family kind 3");
            case 4 -> panose(DISPLAY, "family kind 4");
            default -> Optional.empty();
        };
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
