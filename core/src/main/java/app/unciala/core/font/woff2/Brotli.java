package app.unciala.core.font.woff2;

import app.unciala.core.font.ByteView;
import app.unciala.core.font.FontException;
import com.aayushatharva.brotli4j.Brotli4jLoader;
import com.aayushatharva.brotli4j.decoder.BrotliInputStream;
import com.aayushatharva.brotli4j.encoder.Encoder;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;

/** The reference Brotli encoder and decoder, with their native part loaded. */
final class Brotli {
    static {
        Brotli4jLoader.ensureAvailability();
    }

    private static final Encoder.Parameters FONT =
            Encoder.Parameters.create(11).setMode(Encoder.Mode.FONT).setWindow(22);

    private Brotli() {}

    static byte[] compress(byte[] plain) {
        try {
            return Encoder.compress(plain, FONT);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Decompresses to exactly {@code size} bytes, and never holds more. */
    static byte[] decompress(ByteView packed, int size) {
        try (BrotliInputStream in = new BrotliInputStream(new ByteArrayInputStream(packed.toArray()))) {
            byte[] out = in.readNBytes(size);
            if (out.length < size || in.read() >= 0) {
                throw new FontException(
                        "WOFF2",
                        -1,
                        out.length < size
                                ? "unpacks to " + out.length + " bytes instead of " + size
                                : "unpacks to more than the " + size + " bytes it says");
            }
            return out;
        } catch (IOException e) {
            throw new FontException("WOFF2", -1, "is cut off or damaged: its compressed data cannot be unpacked");
        }
    }
}
