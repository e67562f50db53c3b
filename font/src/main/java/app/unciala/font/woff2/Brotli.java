package app.unciala.font.woff2;

import app.unciala.font.FontException;
import app.unciala.font.bytes.ByteView;
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

    private static final Encoder.Parameters QUICK =
            Encoder.Parameters.create(5).setMode(Encoder.Mode.FONT).setWindow(22);

    static byte[] compress(byte[] plain) {
        return compress(plain, FONT);
    }

    /** About how long the bytes are once compressed, at a hundredth of the time; for telling encodings apart. */
    static int roughLength(byte[] plain) {
        return compress(plain, QUICK).length;
    }

    private static byte[] compress(byte[] plain, Encoder.Parameters parameters) {
        try {
            return Encoder.compress(plain, parameters);
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
