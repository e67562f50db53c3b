package app.unciala.font.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.testing.BuiltTable;
import org.junit.jupiter.api.Test;

class HmtxTableTest {
    /** Two advances with their bearings, and the bearings of two more glyphs. */
    private static final ByteView TABLE =
            BuiltTable.of(500, 10).u16(600, -20).u16(30, -40).toView("hmtx");

    @Test
    void advancesRepeatTheLastOne() {
        HmtxTable table = HmtxTable.read(TABLE, 2, 4);
        assertThat(table.advances()).containsExactly(500, 600, 600, 600);
        assertThat(table.leftSideBearings()).containsExactly(10, -20, 30, -40);
        assertThat(table.write()).as("written as short as it was").isEqualTo(TABLE.toArray());
    }

    @Test
    void countsThatDoNotFitAreDamage() {
        assertThatThrownBy(() -> HmtxTable.read(TABLE, 5, 4)).hasMessageContaining("5 advances for 4 glyphs");
        assertThatThrownBy(() -> HmtxTable.read(TABLE, 0, 4)).hasMessageContaining("0 advances for 4 glyphs");
        assertThatThrownBy(() -> HmtxTable.read(TABLE, 2, 5)).isInstanceOf(FontException.class);
    }
}
