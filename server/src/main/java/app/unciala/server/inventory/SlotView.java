package app.unciala.server.inventory;

import app.unciala.font.face.Range;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.server.fault.Fault;
import java.util.Arrays;

/**
 * A slot in the API. {@code key} and {@code label} are written, and ignored when read; {@code weightMax} and
 * {@code widthMax} may be 0 for one value.
 */
public record SlotView(
        double weight, double weightMax, double width, double widthMax, String slope, String key, String label) {
    public static SlotView of(Slot slot) {
        return new SlotView(
                slot.weight().min(),
                slot.weight().max(),
                slot.width().min(),
                slot.width().max(),
                slot.slope().key(),
                slot.key(),
                slot.label());
    }

    public Slot toSlot() {
        Slope parsed = Arrays.stream(Slope.values())
                .filter(known -> known.key().equals(slope))
                .findFirst()
                .orElseThrow(() -> Fault.invalid("slope", "Slope is upright, italic or oblique, not “" + slope + "”."));
        if (!Double.isFinite(weight)
                || !Double.isFinite(weightMax)
                || !Double.isFinite(width)
                || !Double.isFinite(widthMax)
                || width > 1000
                || widthMax > 1000) {
            throw Fault.invalid("slot", "Weight is 1 to 1000, width a percentage up to 1000.");
        }
        try {
            double percent = width == 0 ? 100 : width;
            return new Slot(
                    new Range(weight, Math.max(weight, weightMax)),
                    new Range(percent, Math.max(percent, widthMax)),
                    parsed);
        } catch (IllegalArgumentException e) {
            throw Fault.invalid("slot", "This isn’t a slot: " + e.getMessage() + ".");
        }
    }
}
