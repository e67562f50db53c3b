package app.unciala.demo.pen;

import app.unciala.demo.pen.TrueTypeBuilder.Naming;
import app.unciala.demo.pen.TrueTypeBuilder.Part;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.awt.geom.AffineTransform;
import java.awt.geom.Area;
import java.text.Normalizer;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/** The hands that our pen can write, each of which makes a whole font: ASCII, Latin-1 and general punctuation. */
public enum Hand {
    SANS,
    BROAD_NIB,
    MONO,
    UNCIAL,
    /** The broad nib with small capitals in place of the lowercase letters. */
    SMALL_CAPITALS;

    private static final double SMALL = 0.74;

    private static final int GRAVE = 0x60;
    private static final int ACUTE = 0xB4;
    private static final int DIERESIS = 0xA8;
    private static final int CEDILLA = 0xB8;
    private static final Map<Integer, Integer> MARKS = Map.of(
            0x300, GRAVE, 0x301, ACUTE, 0x302, 0x302, 0x303, 0x303, 0x308, DIERESIS, 0x30A, 0x30A, 0x30C, 0x30C, 0x307,
            0x307, 0x327, CEDILLA, 0x328, 0x328);
    /** Latin-1 and the accented letters of Czech, Polish and their neighbors. */
    private static final String ACCENTED =
            "ÀÁÂÃÄÅÇÈÉÊËÌÍÎÏÑÒÓÔÕÖÙÚÛÜÝàáâãäåçèéêëìíîïñòóôõöùúûüýÿŸĄąĆćČčĎĘęĚěŃńŇňŘřŚśŠšŤŮůŹźŻżŽž";

    /**
     * Writes a font in this hand.
     *
     * @param version as in "1.0"; {@code tweak} widens the letters a little, so that two versions differ
     * @param foundry the manufacturer's name, or empty
     */
    public byte[] write(
            String family, Slot slot, String version, double tweak, String foundry, String license, int fsType) {
        double weight = slot.weight().min();
        boolean italic = slot.slope() != Slope.UPRIGHT;
        double width = slot.width().max() / 100;
        Style style = style(weight, italic, tweak, width);
        Naming naming = new Naming(
                family,
                slot.width().isSingle() ? slot.label() : "Regular",
                (int) weight,
                slot.width(),
                slot.slope(),
                version,
                foundry,
                license,
                fsType);
        return new Writing(this, style, naming).run();
    }

    private Style style(double weight, boolean italic, double tweak, double width) {
        double lean = italic ? 0.19 : 0;
        double stem = stem(weight);
        double heavier = Math.max(0, stem - 80);
        return switch (this) {
            case SANS ->
                new Style(
                        new Nib(stem, stem * (weight > 500 ? 0.8 : 0.88), 0, true),
                        (1 + tweak) * width,
                        (1 - heavier / 260) * width,
                        lean,
                        false,
                        0.58,
                        0);
            case BROAD_NIB, SMALL_CAPITALS ->
                new Style(
                        new Nib(stem * 1.1, stem * 0.36, 24, false),
                        (italic ? 0.9 : 0.97) + tweak,
                        0.92,
                        lean,
                        true,
                        0.56,
                        0);
            case MONO -> new Style(new Nib(72, 66, 0, true), 1, 1, lean, false, 0.62, 600);
            case UNCIAL -> new Style(new Nib(108, 30, 16, false), 1 + tweak, 0.72, 0, false, 0.56, 0);
        };
    }

    /** The stem of a weight in font units, through points that look evenly spaced. */
    private static double stem(double weight) {
        double[][] points = {{100, 22}, {300, 52}, {400, 78}, {500, 96}, {700, 142}, {900, 186}, {1000, 200}};
        for (int i = 1; i < points.length; i++) {
            if (weight <= points[i][0]) {
                double part = (weight - points[i - 1][0]) / (points[i][0] - points[i - 1][0]);
                return points[i - 1][1] + part * (points[i][1] - points[i - 1][1]);
            }
        }
        return points[points.length - 1][1];
    }

    private Map<Integer, Skeleton> skeletons() {
        Map<Integer, Skeleton> all = new LinkedHashMap<>(Skeleton.read("roman.txt"));
        if (this == MONO) {
            all.putAll(Skeleton.read("mono.txt"));
        } else if (this == SMALL_CAPITALS) {
            for (int code = 'a'; code <= 'z'; code++) {
                all.put(code, all.get(Character.toUpperCase(code)));
            }
        } else if (this == UNCIAL) {
            Map<Integer, Skeleton> uncials = Skeleton.read("uncial.txt");
            uncials.forEach((code, skeleton) -> {
                all.put(code, skeleton);
                all.put(Character.toUpperCase(code), skeleton);
            });
        }
        return all;
    }

    /** One font while it is being written. */
    private static final class Writing {
        private final Hand hand;
        private final Style style;
        private final TrueTypeBuilder font;
        private final Map<Integer, Integer> drawn = new LinkedHashMap<>();

        Writing(Hand hand, Style style, Naming naming) {
            this.hand = hand;
            this.style = style;
            font = new TrueTypeBuilder(naming, style.fixedAdvance() > 0);
        }

        byte[] run() {
            Map<Integer, Skeleton> skeletons = hand.skeletons();
            Skeleton bracket = Objects.requireNonNull(Skeleton.read("roman.txt").get((int) '['));
            Skeleton box = new Skeleton(0, 400, "ff", bracket.commands());
            draw(box, 1);
            skeletons.forEach((code, skeleton) -> {
                boolean larger = hand == UNCIAL && Character.isUpperCase(code);
                boolean smaller = hand == SMALL_CAPITALS && code >= 'a' && code <= 'z';
                int glyph = draw(skeleton, larger ? 1.16 : smaller ? SMALL : 1);
                drawn.put(code, glyph);
                if (!(code >= 0x300 && code < 0x370)) {
                    font.map(code, glyph);
                }
            });
            font.map(0xA0, glyph(0x20));
            ACCENTED.codePoints().forEach(this::compose);
            return font.build();
        }

        private int glyph(int code) {
            return Objects.requireNonNull(drawn.get(code), () -> "nothing is drawn for U+" + Integer.toHexString(code));
        }

        private int draw(Skeleton skeleton, double scale) {
            Area ink = Stroker.draw(skeleton, style);
            double width = Stroker.inkWidth(skeleton, style);
            double left = side(skeleton.sides().charAt(0));
            double right = side(skeleton.sides().charAt(1));
            double advance = skeleton.commands().isEmpty() ? 250 * style.spacing() : left + width + right;
            boolean figure = skeleton.codePoint() >= '0' && skeleton.codePoint() <= '9';
            double wanted = style.fixedAdvance() > 0
                    ? style.fixedAdvance()
                    : figure ? 545 * style.stretch() + (width > 545 ? 40 : 0) : 0;
            double squeeze = 1;
            if (wanted > 0) {
                squeeze = style.fixedAdvance() > 0 ? Math.min(1, 520 / width) : 1;
                left = (wanted - width * squeeze) / 2;
                advance = wanted;
            }
            AffineTransform place = AffineTransform.getTranslateInstance(left * scale, 0);
            place.scale(scale * squeeze, scale);
            return font.add((int) Math.round(advance * scale), Contours.of(ink.createTransformedArea(place)));
        }

        private double side(char kind) {
            return style.spacing()
                    * switch (kind) {
                        case 's' -> 82;
                        case 'o' -> 50;
                        case 'd' -> 14;
                        case 'f' -> 42;
                        default -> 8;
                    };
        }

        private void compose(int code) {
            String parts = Normalizer.normalize(Character.toString(code), Normalizer.Form.NFD);
            int letter = parts.codePointAt(0);
            int base = glyph(letter == 'i' ? 0x131 : letter);
            int mark = glyph(Objects.requireNonNull(MARKS.get(parts.codePointAt(1))));
            int[] baseBox = font.box(base);
            int[] markBox = font.box(mark);
            boolean below = markBox[1] < 0;
            int dy = below ? 0 : baseBox[3] - 500 - (baseBox[3] > 600 ? 20 : 0);
            double lean = style.lean() * (below ? -100 : dy);
            int dx = (int) Math.round((baseBox[0] + baseBox[2] - markBox[0] - markBox[2]) / 2.0
                    + lean * (below ? 1 : 0.5)
                    + (style.lean() > 0 && !below ? 60 : 0));
            int glyph = font.addComposite(font.advance(base), List.of(new Part(base, 0, 0), new Part(mark, dx, dy)));
            font.map(code, glyph);
        }
    }
}
