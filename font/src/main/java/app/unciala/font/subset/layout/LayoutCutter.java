package app.unciala.font.subset.layout;

import app.unciala.font.bytes.ByteView;
import app.unciala.font.bytes.Work;
import app.unciala.font.layout.GdefTable;
import app.unciala.font.layout.GlyphMap;
import app.unciala.font.layout.LayoutTable;
import app.unciala.font.layout.packing.Block;
import app.unciala.font.layout.packing.BlockPacker;
import app.unciala.font.layout.position.Devices;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.variation.ItemVariationStore;
import app.unciala.font.variation.Location;
import java.util.BitSet;
import java.util.Optional;
import java.util.function.Predicate;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;

/** Writes the layout tables of a face anew: for the glyphs that are kept, or for one location of a variable font. */
public final class LayoutCutter {
    private LayoutCutter() {}

    /**
     * Cuts {@code GSUB}, {@code GPOS} and {@code GDEF}.
     *
     * @param glyphs the glyphs that text can come to, by their old numbers
     * @param features the tags of the features to keep
     * @param hinting whether device tables for pixel sizes stay
     */
    public static Sfnt cut(Sfnt face, BitSet glyphs, GlyphMap map, Predicate<String> features, boolean hinting) {
        return cut(face, glyphs, map, features, Devices.keeping(store(face), hinting), table -> table);
    }

    /** All of the layout, with the values that it has at a location. */
    public static Sfnt instantiate(Sfnt face, int numGlyphs, Location location) {
        BitSet all = new BitSet();
        all.set(0, numGlyphs);
        Devices devices = Devices.atInstance(store(face), location, true);
        GlyphMap same = GlyphMap.renumbering(all, numGlyphs);
        return cut(face, all, same, tag -> true, devices, table -> table.instanceAt(location));
    }

    private static Sfnt cut(
            Sfnt face,
            BitSet glyphs,
            GlyphMap map,
            Predicate<String> features,
            Devices devices,
            UnaryOperator<LayoutTable> view) {
        boolean hasKernTable = face.table("kern").isPresent();
        Sfnt changed = face;
        for (String tag : new String[] {"GSUB", "GPOS"}) {
            ByteView table = face.table(tag).orElse(null);
            if (table != null) {
                Cut cut = new Cut(glyphs, map, devices, new Work(tag));
                changed = changed.with(
                        tag,
                        new LayoutTableCutter(view.apply(LayoutTable.of(table)), cut, features, hasKernTable).cut());
            }
        }
        GdefTable gdef = GdefTable.read(face).orElse(null);
        if (gdef != null) {
            Block block = new GdefCutter(gdef, new Cut(glyphs, map, devices, new Work("GDEF"))).cut();
            changed = replaced(changed, "GDEF", block == null ? Optional.empty() : BlockPacker.pack(block));
        }
        return changed;
    }

    private static Sfnt replaced(Sfnt face, String tag, Optional<byte[]> bytes) {
        return bytes.isPresent() ? face.with(tag, bytes.get()) : face.without(tag);
    }

    private static @Nullable ItemVariationStore store(Sfnt face) {
        return GdefTable.read(face).flatMap(GdefTable::variationStore).orElse(null);
    }
}
