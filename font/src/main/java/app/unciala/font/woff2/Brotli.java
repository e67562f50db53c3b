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

    private static final int SMALLEST_WINDOW = 16;
    private static final int LARGEST_WINDOW = 22;

    private Brotli() {}

    static byte[] compress(byte[] plain, Compression compression) {
        return compress(plain, compression.quality());
    }

    /** About how long the bytes are once compressed, at a hundredth of the time; for telling encodings apart. */
    static int roughLength(byte[] plain) {
        return compress(plain, 5).length;
    }

    /** As many bits as the length takes, as the encoder clears tables of a size that goes by the window. */
    private static int windowFor(int length) {
        return Math.max(SMALLEST_WINDOW, Math.min(LARGEST_WINDOW, Integer.SIZE - Integer.numberOfLeadingZeros(length)));
    }

    private static byte[] compress(byte[] plain, int quality) {
        try {
            return Encoder.compress(
                    plain,
                    Encoder.Parameters.create(quality)
                            .setMode(Encoder.Mode.FONT)
                            .setWindow(windowFor(plain.length)));
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
