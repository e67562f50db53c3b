package app.unciala.font.table;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteSink;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.testing.BuiltAxes;
import app.unciala.font.testing.BuiltAxes.Axis;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class FvarTableTest {
    private static final byte[] WEIGHT =
            BuiltAxes.fvar(new Axis("wght", 100, 400, 900)).toArray();

    @Test
    void axesAreReadWithTheirRanges() {
        FvarTable table = read(WEIGHT);
        assertThat(table.axis("wght")).contains(new FvarTable.Axis("wght", 100, 400, 900));
        assertThat(table.axis("wdth")).isEmpty();
        assertThat(table.instances()).isEmpty();
    }

    @Test
    void recordsThatAreTooShortAreDamage() {
        ByteSink axes = new ByteSink().bytes(WEIGHT);
        axes.putU16(10, 12);
        assertThatThrownBy(() -> read(axes.toArray()))
                .isInstanceOf(FontException.class)
                .hasMessage("fvar at byte 10: has axis records of 12 bytes, not 20");
        ByteSink instances = new ByteSink().bytes(WEIGHT);
        instances.putU16(12, 1);
        instances.putU16(14, 4);
        assertThatThrownBy(() -> read(instances.toArray()))
                .hasMessage("fvar at byte 14: has instance records of 4 bytes for its 1 axes");
    }

    private static FvarTable read(byte[] fvar) {
        return FvarTable.read(new Sfnt(Sfnt.TRUETYPE, Map.of("fvar", ByteView.of(fvar, "fvar")), List.of()))
                .orElseThrow();
    }
}
