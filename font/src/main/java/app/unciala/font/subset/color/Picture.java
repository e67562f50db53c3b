package app.unciala.font.subset.color;

import app.unciala.font.bytes.ByteView;
import java.util.Optional;

/**
 * The picture of one glyph in {@code CBDT}.
 *
 * @param imageFormat the format of the glyph bitmap data, such as 17 for a PNG with small metrics
 * @param metrics the eight bytes of its big metrics where they stand in {@code CBLC}, shared with its neighbors
 */
record Picture(int imageFormat, ByteView bytes, Optional<ByteView> metrics) {
    /** Whether one index subtable can find both. */
    boolean sameKind(Picture other) {
        if (imageFormat != other.imageFormat || metrics.isPresent() != other.metrics.isPresent()) {
            return false;
        }
        return metrics.isEmpty()
                || (bytes.length() == other.bytes.length() && metrics.get().sameBytes(other.metrics.get()));
    }
}
