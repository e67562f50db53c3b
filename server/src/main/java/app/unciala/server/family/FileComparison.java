package app.unciala.server.family;

import app.unciala.font.drawing.CharacterDrawings;
import app.unciala.font.drawing.CharacterDrawings.Drawn;
import app.unciala.font.drawing.Likeness.Changed;
import app.unciala.font.report.FaceDifference;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.List;
import java.util.stream.Collectors;

/**
 * In what two files differ. Drawings are in thousandths of the em.
 *
 * @param likeness in [0, 1], 1 for the same drawing
 * @param facts what differs in the files' own words
 * @param lost the first of the characters that only the first file has; {@code lostCount} says how many they are
 * @param added the same of those that only the second has
 * @param changed the characters that differ most, those first; {@code changedCount} says how many differ
 * @param kerning the pairs of letters set nearer or farther, the first of them
 */
public record FileComparison(
        double likeness,
        boolean sameDrawing,
        List<Fact> facts,
        String lost,
        int lostCount,
        String added,
        int addedCount,
        List<ChangedCharacter> changed,
        int changedCount,
        List<Kerned> kerning,
        int kerningCount,
        List<String> featuresLost,
        List<String> featuresAdded) {
    private static final int SHOWN = 60;
    private static final int SHOWN_CHARACTERS = 400;

    /** What the one and the other file say of a thing. */
    public record Fact(String what, String one, String other) {}

    /** A character that both draw, each in its own way; {@code alike} is in [0, 1]. */
    public record ChangedCharacter(String character, double alike, Drawn one, Drawn other) {}

    /** How far a pair of letters is set apart in the one and the other. */
    public record Kerned(String letters, int one, int other) {}

    /** Compares two fonts. */
    public static FileComparison of(Path one, Path other) {
        return of(FirstFace.of(one), FirstFace.of(other));
    }

    private static FileComparison of(Sfnt one, Sfnt other) {
        FaceDifference difference = FaceDifference.of(one, FaceReport.of(one), other, FaceReport.of(other));
        CharacterDrawings drawnByOne = new CharacterDrawings(one);
        CharacterDrawings drawnByOther = new CharacterDrawings(other);
        return new FileComparison(
                difference.likeness(),
                difference.sameDrawing(),
                difference.facts().entrySet().stream()
                        .map(fact -> new Fact(
                                fact.getKey(),
                                fact.getValue().one(),
                                fact.getValue().other()))
                        .toList(),
                characters(difference.lost()),
                difference.lost().length,
                characters(difference.added()),
                difference.added().length,
                difference.changed().stream()
                        .limit(SHOWN)
                        .map(changed -> drawn(changed, drawnByOne, drawnByOther))
                        .toList(),
                difference.changed().size(),
                difference.kerning().stream()
                        .limit(SHOWN)
                        .map(pair -> new Kerned(pair.letters(), pair.one(), pair.other()))
                        .toList(),
                difference.kerning().size(),
                List.copyOf(difference.featuresLost()),
                List.copyOf(difference.featuresAdded()));
    }

    private static ChangedCharacter drawn(Changed changed, CharacterDrawings one, CharacterDrawings other) {
        int codePoint = changed.codePoint();
        return new ChangedCharacter(
                Character.toString(codePoint), changed.alike(), one.of(codePoint), other.of(codePoint));
    }

    private static String characters(int[] codePoints) {
        return Arrays.stream(codePoints)
                .filter(codePoint -> !Character.isISOControl(codePoint))
                .limit(SHOWN_CHARACTERS)
                .mapToObj(Character::toString)
                .collect(Collectors.joining());
    }
}
