package app.unciala.font.rename;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.font.face.StyleNames;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.HeadTable;
import app.unciala.font.table.NameTable;
import app.unciala.font.table.NameTable.NameRecord;
import app.unciala.font.table.Os2Table;
import app.unciala.font.table.PostTable;
import java.util.ArrayList;
import java.util.List;
import java.util.Set;

/** Writes a face's slot into its names, {@code OS/2}, {@code head} and {@code post}, all saying the same. */
public final class Restyler {
    private static final Set<Integer> STYLE_NAMES = Set.of(
            NameTable.FAMILY,
            NameTable.SUBFAMILY,
            NameTable.FULL_NAME,
            NameTable.POSTSCRIPT_NAME,
            NameTable.TYPOGRAPHIC_FAMILY,
            NameTable.TYPOGRAPHIC_SUBFAMILY,
            NameTable.COMPATIBLE_FULL_NAME,
            NameTable.WWS_FAMILY,
            NameTable.WWS_SUBFAMILY,
            NameTable.VARIATIONS_PREFIX);

    private Restyler() {}

    /**
     * Puts a static face into a slot of a family.
     *
     * @param slot one weight and one width
     * @param angle degrees counter-clockwise from upright, so that slopes to the right are negative
     */
    public static Sfnt place(Sfnt face, String family, Slot slot, double angle) {
        boolean bold = slot.weight().min() == 700;
        boolean sloped = slot.slope() != Slope.UPRIGHT;
        List<NameRecord> records = new ArrayList<>(NameTable.read(face).records().stream()
                .filter(record -> !STYLE_NAMES.contains(record.nameId()))
                .toList());
        String label = slot.label();
        boolean plain = slot.width().min() == 100 && (bold || slot.weight().min() == 400);
        boolean boldOfFour = bold && plain;
        String fourStyles = boldOfFour && sloped ? "Bold Italic" : boldOfFour ? "Bold" : sloped ? "Italic" : "Regular";
        if (plain) {
            add(records, NameTable.FAMILY, family);
        } else {
            String weight = new Slot(slot.weight(), slot.width(), Slope.UPRIGHT).label();
            add(records, NameTable.FAMILY, family + " " + weight);
            add(records, NameTable.TYPOGRAPHIC_FAMILY, family);
            add(records, NameTable.TYPOGRAPHIC_SUBFAMILY, label);
        }
        add(records, NameTable.SUBFAMILY, fourStyles);
        add(records, NameTable.FULL_NAME, family + " " + label);
        add(records, NameTable.POSTSCRIPT_NAME, Renamer.postScript(family) + "-" + Renamer.postScript(label));
        Sfnt placed = FaceNames.put(face, records).with("head", head(face, boldOfFour, sloped));
        if (face.table("OS/2").filter(os2 -> os2.length() >= 64).isPresent()) {
            placed = placed.with("OS/2", os2(face.require("OS/2"), slot, boldOfFour));
        }
        if (face.table("post").filter(post -> post.length() >= 8).isPresent()) {
            ByteSink post = new ByteSink().bytes(face.require("post"));
            post.putU32(PostTable.ITALIC_ANGLE, (int) Math.round(angle * 65536));
            placed = placed.with("post", post.toArray());
        }
        return placed;
    }

    private static void add(List<NameRecord> records, int nameId, String text) {
        records.add(NameRecord.english(nameId, text));
    }

    private static byte[] head(Sfnt face, boolean bold, boolean sloped) {
        ByteSink head = new ByteSink().bytes(face.require("head"));
        head.putU16(
                HeadTable.MAC_STYLE,
                (face.require("head").u16(HeadTable.MAC_STYLE) & ~(HeadTable.BOLD | HeadTable.ITALIC))
                        | (bold ? HeadTable.BOLD : 0)
                        | (sloped ? HeadTable.ITALIC : 0));
        return head.toArray();
    }

    private static byte[] os2(ByteView before, Slot slot, boolean bold) {
        ByteSink os2 = new ByteSink().bytes(before);
        os2.putU16(Os2Table.WEIGHT_CLASS, (int) Math.round(slot.weight().min()));
        os2.putU16(Os2Table.WIDTH_CLASS, widthClass(slot.width().min()));
        int selection = before.u16(Os2Table.FS_SELECTION)
                & ~(Os2Table.ITALIC | Os2Table.BOLD | Os2Table.REGULAR | Os2Table.OBLIQUE);
        selection |= switch (slot.slope()) {
            case UPRIGHT -> bold ? Os2Table.BOLD : Os2Table.REGULAR;
            case ITALIC -> bold ? Os2Table.ITALIC | Os2Table.BOLD : Os2Table.ITALIC;
            case OBLIQUE ->
                bold ? Os2Table.ITALIC | Os2Table.OBLIQUE | Os2Table.BOLD : Os2Table.ITALIC | Os2Table.OBLIQUE;
        };
        os2.putU16(Os2Table.FS_SELECTION, selection);
        // The bit for oblique has a meaning from version 4 on, which has the fields of versions 2 and 3.
        if (slot.slope() == Slope.OBLIQUE && (before.u16(0) == 2 || before.u16(0) == 3)) {
            os2.putU16(0, 4);
        }
        return os2.toArray();
    }

    /** The class whose width is nearest. */
    private static int widthClass(double width) {
        int best = 5;
        for (int widthClass = 1; widthClass <= 9; widthClass++) {
            double distance = Math.abs(StyleNames.widthOfClass(widthClass) - width);
            if (distance < Math.abs(StyleNames.widthOfClass(best) - width)) {
                best = widthClass;
            }
        }
        return best;
    }
}
