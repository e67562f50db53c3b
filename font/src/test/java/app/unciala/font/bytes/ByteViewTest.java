package app.unciala.font.bytes;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.font.FontException;
import org.junit.jupiter.api.Test;

class ByteViewTest {
    private static final ByteView VIEW = ByteView.of(new byte[] {0x12, (byte) 0xC0, 0, 0x7F, (byte) 0xFF}, "post");

    @Test
    void numbersAreBigEndian() {
        assertThat(VIEW.u8(1)).isEqualTo(0xC0);
        assertThat(VIEW.u16(0)).isEqualTo(0x12C0);
        assertThat(VIEW.i16(1)).isEqualTo(0xC000 - 0x10000);
        assertThat(VIEW.u24(1)).isEqualTo(0xC0007F);
        assertThat(VIEW.u32(1)).isEqualTo(0xC0007FFFL);
        assertThat(VIEW.f2dot14(1)).as("the least").isEqualTo(-1);
        assertThat(VIEW.f2dot14(3)).as("the greatest").isEqualTo(2 - 1 / 16384.0);
        assertThat(VIEW.u16s(0, 2)).containsExactly(0x12C0, 0x007F);
    }

    @Test
    void damageIsNamedByTableAndPlace() {
        assertThatThrownBy(() -> VIEW.u32(2)).isInstanceOfSatisfying(FontException.class, e -> {
            assertThat(e.table()).isEqualTo("post");
            assertThat(e.offset()).isEqualTo(2);
        });
        assertThatThrownBy(() -> VIEW.u8(-1)).isInstanceOf(FontException.class);
        assertThatThrownBy(() -> VIEW.slice(3, Integer.MAX_VALUE)).isInstanceOf(FontException.class);
        assertThatThrownBy(() -> VIEW.u16s(0, 3)).isInstanceOf(FontException.class);
        assertThatThrownBy(() -> VIEW.offset32(0)).hasMessageContaining("past its end at 5");
    }
}
