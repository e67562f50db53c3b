package app.unciala.font.face;

import app.unciala.font.FontException;
import app.unciala.font.Numbers;
import app.unciala.font.face.StyleNames.Said;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.FvarTable;
import app.unciala.font.table.FvarTable.Axis;
import app.unciala.font.table.HeadTable;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.Os2Table;
import app.unciala.font.table.PostTable;
import app.unciala.font.table.StatTable;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * Determines which face a file holds. Where sources disagree, this order decides:
 *
 * <ol>
 *   <li>family: name 21, which is there when name 17 says more than weight, width and slope; name 16, followed by a
 *       design size that name 17 says; then name 1 with a weight or slope word cut off its end when the tables confirm
 *       that word (a width word stays: the specification has name 1 stand in for name 16, and widths are often families
 *       of their own);
 *   <li>weight: the {@code wght} axis; OS/2 {@code usWeightClass}, unless it is outside 1 to 1000, on the old scale of
 *       1 to 9, or the default 400 against a name and a bold bit that agree with each other; then the one {@code wght}
 *       value of {@code STAT}; then the style name;
 *   <li>width: the {@code wdth} axis; OS/2 {@code usWidthClass}; the one {@code wdth} value of {@code STAT}; then the
 *       style name;
 *   <li>slope: OS/2 {@code fsSelection} bits 9 and 0; {@code head.macStyle}; the {@code slnt} and {@code ital} axes do
 *       not make a face italic by default; then {@code post.italicAngle} together with the style name.
 * </ol>
 */
public final class FaceIdentifier {
    private final NameTable names;
    private final Optional<Os2Table> os2;
    private final HeadTable head;
    private final Optional<PostTable> post;
    private final Optional<FvarTable> fvar;
    private final Optional<StatTable> stat;
    private final String subfamily;
    private final String style;
    private final Said said;
    private final List<Evidence> evidence = new ArrayList<>();

    private FaceIdentifier(Sfnt face, NameTable names) {
        this.names = names;
        os2 = Os2Table.read(face);
        head = HeadTable.read(face);
        post = PostTable.read(face);
        fvar = FvarTable.read(face);
        stat = fvar.isPresent() ? Optional.empty() : StatTable.read(face);
        subfamily = names.best(NameTable.WWS_SUBFAMILY)
                .filter(any -> names.best(NameTable.WWS_FAMILY).isPresent())
                .or(() -> names.best(NameTable.TYPOGRAPHIC_SUBFAMILY))
                .or(() -> names.best(NameTable.SUBFAMILY))
                .orElse("");
        boolean hasOwnFamily = names.best(NameTable.TYPOGRAPHIC_FAMILY)
                .or(() -> names.best(NameTable.WWS_FAMILY))
                .isPresent();
        String inFamily = hasOwnFamily
                ? ""
                : names.best(NameTable.FAMILY)
                        .map(name -> trailingStyle(name, true))
                        .orElse("");
        style = (inFamily + " " + subfamily).strip();
        said = StyleNames.read(style);
    }

    /**
     * Determines the identity of a face.
     *
     * @throws FontException if the file has no family name, or a table it needs is damaged
     */
    public static FaceIdentity identify(Sfnt face) {
        return identify(face, NameTable.read(face));
    }

    public static FaceIdentity identify(Sfnt face, NameTable names) {
        return new FaceIdentifier(face, names).settle();
    }

    private FaceIdentity settle() {
        Range weight = weight();
        Range width = width();
        Slope slope = slope();
        Slot slot = new Slot(weight, width, slope);
        String family = family(slot);
        String label = subfamily.isEmpty() ? slot.label() : subfamily;
        return new FaceIdentity(family, label, slot, evidence);
    }

    private String family(Slot slot) {
        Optional<String> wws = names.best(NameTable.WWS_FAMILY);
        Optional<String> typographic = names.best(NameTable.TYPOGRAPHIC_FAMILY);
        Optional<String> legacy = names.best(NameTable.FAMILY);
        String family = wws.or(() -> typographic.map(name -> withDesignSize(name, subfamily)))
                .or(() -> legacy.map(name -> withoutStyle(name, slot)))
                .or(() -> names.best(NameTable.FULL_NAME))
                .or(() -> names.best(NameTable.POSTSCRIPT_NAME))
                .orElseThrow(() -> new FontException("name", -1, "gives the face no family name"));
        wws.ifPresent(name -> add("name 21", name, true, family));
        typographic.ifPresent(name -> add("name 16", name, family.startsWith(name), family));
        legacy.ifPresent(name -> add("name 1", name, name.startsWith(family), family));
        return family;
    }

    /** "Harrow" with name 17 "Display Bold" is the family "Harrow Display", as name 21 would say. */
    private static String withDesignSize(String family, String subfamily) {
        String size = StyleNames.designSize(subfamily);
        return size.isEmpty() || family.endsWith(" " + size) ? family : family + " " + size;
    }

    /** "Harrow Light" with name 2 "Regular" and weight 300 is the family "Harrow". */
    private static String withoutStyle(String name, Slot slot) {
        String style = trailingStyle(name, false);
        if (style.isEmpty()) {
            return name;
        }
        Said words = StyleNames.read(style);
        boolean confirmed = words.weight().map(slot.weight()::contains).orElse(true)
                && words.slope().map(slope -> slope == slot.slope()).orElse(true);
        return confirmed ? name.substring(0, name.length() - style.length()).strip() : name;
    }

    /**
     * The words at the end of a family name that name a style, never the whole name; with or without words for widths.
     */
    private static String trailingStyle(String name, boolean widths) {
        int from = name.length();
        while (true) {
            int space = name.lastIndexOf(' ', from - 1);
            if (space <= 0 || !isStyle(name.substring(space + 1, from), widths)) {
                return name.substring(from);
            }
            from = space;
        }
    }

    private static boolean isStyle(String words, boolean widths) {
        Said said = StyleNames.read(words);
        boolean plain = words.strip().matches("(?i)regular|normal|book|roman");
        return !plain
                && (said.weight().isPresent()
                        || (widths && said.width().isPresent())
                        || said.slope().isPresent());
    }

    private Range weight() {
        Optional<Axis> axis = fvar.flatMap(table -> table.axis("wght"));
        int fromClass = os2.map(Os2Table::weightClass).orElse(0);
        boolean bold = os2.map(Os2Table::isBold).orElse(false) || head.isBold();
        Optional<Integer> fromName = said.weight();
        Optional<Double> fromStat = stat.flatMap(table -> table.single("wght")).filter(w -> w >= 1 && w <= 1000);
        int settled;
        if (fromClass >= 10 && fromClass <= 1000) {
            boolean forgotten =
                    fromClass == 400 && bold && fromName.filter(w -> w >= 600).isPresent();
            settled = forgotten ? fromName.get() : fromClass;
        } else if (fromStat.isPresent()) {
            settled = fromStat.get().intValue();
        } else if (fromName.isPresent()) {
            settled = fromName.get();
        } else {
            settled = fromClass >= 1 && fromClass <= 9 ? fromClass * 100 : bold ? 700 : 400;
        }
        Range range = axis.map(a -> new Range(clamp(a.min()), clamp(Math.max(a.min(), a.max()))))
                .orElse(Range.of(settled));
        String inWords = "weight " + range;
        axis.ifPresent(a -> add("fvar wght", Numbers.plain(a.min()) + "–" + Numbers.plain(a.max()), true, inWords));
        os2.map(Os2Table::weightClass)
                .ifPresent(w -> add("OS/2 usWeightClass", w.toString(), range.contains(w), inWords));
        fromStat.ifPresent(w -> add("STAT wght", Numbers.plain(w), range.contains(w), inWords));
        fromName.ifPresent(w -> add("style name", style + " (weight " + w + ")", range.contains(w), inWords));
        if (axis.isEmpty() && bold != settled >= 600) {
            add("bold bit", bold ? "bold" : "not bold", !bold && settled != 700, inWords);
        }
        return range;
    }

    private static double clamp(double weight) {
        return Math.max(1, Math.min(1000, weight));
    }

    private Range width() {
        Optional<Axis> axis = fvar.flatMap(table -> table.axis("wdth")).filter(a -> a.min() > 0 && a.max() >= a.min());
        Optional<Integer> fromClass = os2.map(Os2Table::widthClass).filter(c -> c >= 1 && c <= 9);
        Optional<Double> fromStat = stat.flatMap(table -> table.single("wdth")).filter(w -> w > 0);
        double settled = fromClass
                .map(StyleNames::widthOfClass)
                .or(() -> fromStat)
                .or(said::width)
                .orElse(100.0);
        Range range = axis.map(a -> new Range(a.min(), a.max())).orElse(Range.of(settled));
        String inWords = "width " + range + " %";
        axis.ifPresent(a -> add("fvar wdth", range.toString(), true, inWords));
        fromClass
                .filter(c -> c != 5)
                .ifPresent(c ->
                        add("OS/2 usWidthClass", c.toString(), range.contains(StyleNames.widthOfClass(c)), inWords));
        fromStat.ifPresent(
                w -> add("STAT wdth", Numbers.plain(w), range.contains(w) || Math.abs(w - settled) < 1, inWords));
        said.width()
                .ifPresent(w ->
                        add("style name", style + " (width " + Numbers.plain(w) + " %)", range.contains(w), inWords));
        return range;
    }

    private Slope slope() {
        boolean leans = post.map(PostTable::italicAngle).orElse(0.0) != 0;
        Slope settled;
        if (os2.map(Os2Table::isOblique).orElse(false)) {
            settled = Slope.OBLIQUE;
        } else if (os2.map(Os2Table::isItalic).orElse(false) || head.isItalic()) {
            settled = said.slope().orElse(Slope.ITALIC);
        } else if (leans && said.slope().isPresent()) {
            settled = said.slope().get();
        } else {
            settled = Slope.UPRIGHT;
        }
        os2.ifPresent(t -> {
            boolean sloped = t.isItalic() || t.isOblique();
            if (sloped || settled != Slope.UPRIGHT) {
                boolean agrees = sloped == (settled != Slope.UPRIGHT);
                add("OS/2 fsSelection", sloped ? "sloped" : "upright", agrees, settled.key());
            }
        });
        said.slope().ifPresent(s -> add("style name", style, s == settled, settled.key()));
        if (leans != (settled != Slope.UPRIGHT)) {
            add("post italicAngle", leans ? "leans" : "upright", false, settled.key());
        }
        return settled;
    }

    private void add(String source, String says, boolean agrees, String settled) {
        evidence.add(new Evidence(source, says, agrees, settled));
    }
}
