package app.unciala.font.cff;

import static java.nio.charset.StandardCharsets.ISO_8859_1;

import app.unciala.font.FontException;
import app.unciala.font.Problem;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.outline.GlyphPoints;
import app.unciala.font.outline.Outlines;
import app.unciala.font.variation.ItemVariationStore;
import app.unciala.font.variation.Location;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.regex.Pattern;

/** The outlines of a {@code CFF } or {@code CFF2} table, of variable ones at one location. Not for several threads. */
public final class CffOutlines implements Outlines {
    private static final Pattern NAME = Pattern.compile("[!-~&&[^\\[\\](){}<>/%]]*");

    private final CffFont font;
    private final CharStringRun run;
    /** The first breach of a rule for charstrings, so that a font of thousands of them has one problem. */
    private String breach = "";

    private CffOutlines(CffFont font, Optional<double[][]> scalars) {
        this.font = font;
        run = new CharStringRun(font.charStrings(), font.globalSubrs(), font.regionCounts(), font.charset(), scalars);
    }

    /**
     * Opens a table, which is named {@code CFF } or {@code CFF2}.
     *
     * @throws app.unciala.font.FontException if its DICTs or INDEXes are damaged
     */
    public static CffOutlines read(ByteView table) {
        return new CffOutlines(CffFont.read(table), Optional.empty());
    }

    /** The same outlines at a location; those of a {@code CFF } table do not vary. */
    public CffOutlines at(Location location) {
        return new CffOutlines(font, variations().map(store -> scalars(store, location)));
    }

    /** How the outlines vary; nothing where they do not. */
    public Optional<ItemVariationStore> variations() {
        return font.variationStore().map(store -> ItemVariationStore.read(store));
    }

    private static double[][] scalars(ItemVariationStore store, Location location) {
        double[][] scalars = new double[store.setCount()][];
        for (int set = 0; set < scalars.length; set++) {
            scalars[set] = Arrays.stream(store.columns(set))
                    .mapToDouble(region -> store.scalar(region, location))
                    .toArray();
        }
        return scalars;
    }

    @Override
    public int numGlyphs() {
        return font.charStrings().count();
    }

    @Override
    public void points(int glyph, GlyphPoints points) {
        points.clear();
        run(glyph, points);
        if (breach.isEmpty() && !run.breach().isEmpty()) {
            breach = run.breach() + " at glyph " + glyph;
        }
    }

    @Override
    public List<Problem> problems() {
        if (font.isCff2()) {
            return List.of();
        }
        List<Problem> problems = new ArrayList<>();
        if (!breach.isEmpty()) {
            problems.add(Problem.refusal("CFF ", breach));
        }
        int known = CffFont.STANDARD_STRINGS + font.strings().count();
        font.top().strings().stream()
                .filter(string -> string < 0 || string >= known)
                .forEach(string ->
                        problems.add(Problem.refusal("CFF ", "refers to the string " + string + " of " + known)));
        font.top().entries().stream()
                .filter(entry -> entry.operands().length != expected(entry))
                .forEach(entry -> problems.add(Problem.refusal(
                        "CFF ",
                        "gives the operator " + entry.operator() + " of its top DICT " + entry.operands().length
                                + " operands")));
        if (!NAME.matcher(new String(font.name(), ISO_8859_1)).matches()) {
            problems.add(Problem.refusal("CFF ", "has a name with characters that PostScript does not allow"));
        }
        for (CffIndex index : List.of(font.strings(), font.globalSubrs())) {
            try {
                for (int i = 0; i < index.count(); i++) {
                    index.get(i);
                }
            } catch (FontException e) {
                problems.add(Problem.refusal("CFF ", e.reason()));
            }
        }
        return problems;
    }

    private static int expected(CffDict.Entry entry) {
        return entry.operator() == DictOperators.FONT_BBOX
                ? 4
                : DictOperators.NAMING.contains(entry.operator()) ? 1 : entry.operands().length;
    }

    /** The letter and the accent that an old kind of accented glyph is composed of; mostly none. */
    public int[] parts(int glyph) {
        return run(glyph, new GlyphPoints()).parts();
    }

    private CharStringRun run(int glyph, GlyphPoints points) {
        int dict = font.fontDictOf(glyph);
        run.run(glyph, font.localSubrs(dict), font.deltaSet(dict), points);
        return run;
    }
}
