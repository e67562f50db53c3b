package app.unciala.font.instance;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.HheaTable;
import app.unciala.font.table.Os2Table;
import app.unciala.font.table.PostTable;
import app.unciala.font.variation.ItemVariationStore;
import app.unciala.font.variation.Location;
import java.util.List;
import java.util.Map;

/** {@code MVAR} (OpenType 1.9): how the font-wide metrics vary, each named by a tag. */
final class MetricsTags {
    private static final int RECORD_SIZE = 6;
    private static final int RECORD_COUNT = 8;
    private static final int STORE_OFFSET = 10;
    private static final int RECORDS = 12;
    /** Of a record, after its tag: the set and the row of its deltas. */
    private static final int OUTER = 4;

    private static final int INNER = 6;

    /** A 16-bit metric in font units, at a byte of a table. */
    private record Place(String table, int at) {}

    /**
     * Where each tagged value stands. The horizontal clipping and line metrics stand in {@code hhea} too, where engines
     * that read that table apply the same variation.
     */
    private static final Map<String, List<Place>> PLACES = Map.ofEntries(
            Map.entry(
                    "hasc", List.of(new Place("OS/2", Os2Table.TYPO_ASCENDER), new Place("hhea", HheaTable.ASCENDER))),
            Map.entry(
                    "hdsc",
                    List.of(new Place("OS/2", Os2Table.TYPO_DESCENDER), new Place("hhea", HheaTable.DESCENDER))),
            Map.entry(
                    "hlgp", List.of(new Place("OS/2", Os2Table.TYPO_LINE_GAP), new Place("hhea", HheaTable.LINE_GAP))),
            Map.entry("hcla", List.of(new Place("OS/2", Os2Table.WIN_ASCENT))),
            Map.entry("hcld", List.of(new Place("OS/2", Os2Table.WIN_DESCENT))),
            Map.entry("vasc", List.of(new Place("vhea", HheaTable.ASCENDER))),
            Map.entry("vdsc", List.of(new Place("vhea", HheaTable.DESCENDER))),
            Map.entry("vlgp", List.of(new Place("vhea", HheaTable.LINE_GAP))),
            Map.entry("hcrs", List.of(new Place("hhea", HheaTable.CARET_SLOPE_RISE))),
            Map.entry("hcrn", List.of(new Place("hhea", HheaTable.CARET_SLOPE_RUN))),
            Map.entry("hcof", List.of(new Place("hhea", HheaTable.CARET_OFFSET))),
            Map.entry("vcrs", List.of(new Place("vhea", HheaTable.CARET_SLOPE_RISE))),
            Map.entry("vcrn", List.of(new Place("vhea", HheaTable.CARET_SLOPE_RUN))),
            Map.entry("vcof", List.of(new Place("vhea", HheaTable.CARET_OFFSET))),
            Map.entry("xhgt", List.of(new Place("OS/2", Os2Table.X_HEIGHT))),
            Map.entry("cpht", List.of(new Place("OS/2", Os2Table.CAP_HEIGHT))),
            Map.entry("sbxs", List.of(new Place("OS/2", Os2Table.SUBSCRIPT_X_SIZE))),
            Map.entry("sbys", List.of(new Place("OS/2", Os2Table.SUBSCRIPT_Y_SIZE))),
            Map.entry("sbxo", List.of(new Place("OS/2", Os2Table.SUBSCRIPT_X_OFFSET))),
            Map.entry("sbyo", List.of(new Place("OS/2", Os2Table.SUBSCRIPT_Y_OFFSET))),
            Map.entry("spxs", List.of(new Place("OS/2", Os2Table.SUPERSCRIPT_X_SIZE))),
            Map.entry("spys", List.of(new Place("OS/2", Os2Table.SUPERSCRIPT_Y_SIZE))),
            Map.entry("spxo", List.of(new Place("OS/2", Os2Table.SUPERSCRIPT_X_OFFSET))),
            Map.entry("spyo", List.of(new Place("OS/2", Os2Table.SUPERSCRIPT_Y_OFFSET))),
            Map.entry("strs", List.of(new Place("OS/2", Os2Table.STRIKEOUT_SIZE))),
            Map.entry("stro", List.of(new Place("OS/2", Os2Table.STRIKEOUT_POSITION))),
            Map.entry("undo", List.of(new Place("post", PostTable.UNDERLINE_POSITION))),
            Map.entry("unds", List.of(new Place("post", PostTable.UNDERLINE_THICKNESS))));

    private MetricsTags() {}

    /** The face with the metrics it has at the location. */
    static Sfnt instantiate(Sfnt face, ByteView mvar, Location location) {
        int recordSize = mvar.u16(RECORD_SIZE);
        int count = mvar.u16(RECORD_COUNT);
        if (mvar.u16(STORE_OFFSET) == 0) {
            return face;
        }
        ItemVariationStore store = ItemVariationStore.read(mvar.from(mvar.u16(STORE_OFFSET)));
        Sfnt instance = face;
        for (int i = 0; i < count; i++) {
            int record = RECORDS + recordSize * i;
            double delta = store.delta(mvar.u16(record + OUTER), mvar.u16(record + INNER), location);
            for (Place place : PLACES.getOrDefault(mvar.tag(record), List.of())) {
                ByteView table = instance.table(place.table()).orElse(null);
                if (table != null && place.at() + 2 <= table.length()) {
                    ByteSink changed = new ByteSink().bytes(table);
                    changed.putU16(place.at(), table.i16(place.at()) + (int) Math.round(delta));
                    instance = instance.with(place.table(), changed.toArray());
                }
            }
        }
        return instance;
    }
}
