package app.unciala.font;

import java.math.BigDecimal;
import java.math.RoundingMode;

/** Writes numbers the way CSS does: no trailing zeros. */
public final class Numbers {
    private Numbers() {}

    public static String plain(double value) {
        BigDecimal rounded = BigDecimal.valueOf(value).setScale(4, RoundingMode.HALF_UP);
        return rounded.signum() == 0 ? "0" : rounded.stripTrailingZeros().toPlainString();
    }
}
