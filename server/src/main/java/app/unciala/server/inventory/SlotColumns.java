package app.unciala.server.inventory;

import app.unciala.font.face.Range;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import jakarta.persistence.Embeddable;
import jakarta.persistence.EnumType;
import jakarta.persistence.Enumerated;

/** A slot as five columns of a table. */
@Embeddable
public class SlotColumns {
    private double weightMin;
    private double weightMax;
    private double widthMin;
    private double widthMax;

    @Enumerated(EnumType.STRING)
    private Slope slope = Slope.UPRIGHT;

    protected SlotColumns() {}

    public SlotColumns(Slot slot) {
        weightMin = slot.weight().min();
        weightMax = slot.weight().max();
        widthMin = slot.width().min();
        widthMax = slot.width().max();
        slope = slot.slope();
    }

    public Slot toSlot() {
        return new Slot(new Range(weightMin, weightMax), new Range(widthMin, widthMax), slope);
    }
}
