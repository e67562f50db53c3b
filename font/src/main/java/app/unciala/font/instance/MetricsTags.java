package app.unciala.font.instance;

import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.variation.ItemVariationStore;
import app.unciala.font.variation.Location;
import java.util.List;
import java.util.Map;

/** {@code MVAR} (OpenType 1.9): how the font-wide metrics vary, each named by a tag. */
final class MetricsTags {
    /** A 16-bit metric in font units, at a byte of a table. */
    private record Place(String table, int at) {}

    /**
     * Where each tagged value stands. The horizontal clipping and line metrics stand in {@code hhea} too, where engines
     * that read that table apply the same variation.
     */
    private static final Map<String, List<Place>> PLACES = Map.ofEntries(
            Map.entry("hasc", List.of(new Place("OS/2", 68), new Place("hhea", 4))),
            Map.entry("hdsc", List.of(new Place("OS/2", 70), new Place("hhea", 6))),
            Map.entry("hlgp", List.of(new Place("OS/2", 72), new Place("hhea", 8))),
            Map.entry("hcla", List.of(new Place("OS/2", 74))),
            Map.entry("hcld", List.of(new Place("OS/2", 76))),
            Map.entry("vasc", List.of(new Place("vhea", 4))),
            Map.entry("vdsc", List.of(new Place("vhea", 6))),
            Map.entry("vlgp", List.of(new Place("vhea", 8))),
            Map.entry("hcrs", List.of(new Place("hhea", 18))),
            Map.entry("hcrn", List.of(new Place("hhea", 20))),
            Map.entry("hcof", List.of(new Place("hhea", 22))),
            Map.entry("vcrs", List.of(new Place("vhea", 18))),
            Map.entry("vcrn", List.of(new Place("vhea", 20))),
            Map.entry("vcof", List.of(new Place("vhea", 22))),
            Map.entry("xhgt", List.of(new Place("OS/2", 86))),
            Map.entry("cpht", List.of(new Place("OS/2", 88))),
            Map.entry("sbxs", List.of(new Place("OS/2", 10))),
            Map.entry("sbys", List.of(new Place("OS/2", 12))),
            Map.entry("sbxo", List.of(new Place("OS/2", 14))),
            Map.entry("sbyo", List.of(new Place("OS/2", 16))),
            Map.entry("spxs", List.of(new Place("OS/2", 18))),
            Map.entry("spys", List.of(new Place("OS/2", 20))),
            Map.entry("spxo", List.of(new Place("OS/2", 22))),
            Map.entry("spyo", List.of(new Place("OS/2", 24))),
            Map.entry("strs", List.of(new Place("OS/2", 26))),
            Map.entry("stro", List.of(new Place("OS/2", 28))),
            Map.entry("undo", List.of(new Place("post", 8))),
            Map.entry("unds", List.of(new Place("post", 10))));

    private MetricsTags() {}

    /** The face with the metrics it has at the location. */
    static Sfnt instantiate(Sfnt face, ByteView mvar, Location location) {
        int recordSize = mvar.u16(6);
        int count = mvar.u16(8);
        if (mvar.u16(10) == 0) {
            return face;
        }
        ItemVariationStore store = ItemVariationStore.read(mvar.from(mvar.u16(10)));
        Sfnt instance = face;
        for (int i = 0; i < count; i++) {
            int record = 12 + recordSize * i;
            double delta = store.delta(mvar.u16(record + 4), mvar.u16(record + 6), location);
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
