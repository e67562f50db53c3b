package app.unciala.server.intake;

import app.unciala.core.font.FontLimits;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Enumeration;
import java.util.Locale;
import java.util.zip.ZipEntry;
import java.util.zip.ZipException;
import java.util.zip.ZipFile;

/** Takes a drop apart: files as they are, zip archives entry by entry, archives within archives to a depth of three. */
final class ArchiveReader {
    static final int MAX_ENTRIES = 5_000;
    static final long MAX_EXPANDED = 1L << 30;
    static final int MAX_RATIO = 200;
    static final int MAX_DEPTH = 3;
    /** Below this, in bytes, a high ratio harms nobody. */
    private static final long RATIO_MATTERS_FROM = 16 << 20;

    private static final int ZIP = 0x504B0304;
    private static final int EMPTY_ZIP = 0x504B0506;

    /** Takes what is found, in order. */
    interface Sink {
        void file(String path, byte[] bytes);

        /** A file or archive that was kept out, and why. */
        void refused(String path, long bytes, String reason);
    }

    private final Sink sink;
    private long expanded;
    private int entries;

    ArchiveReader(Sink sink) {
        this.sink = sink;
    }

    void read(String name, Path file) {
        try {
            if (isZip(file)) {
                readZip(name, file, 1);
            } else if (Files.size(file) > FontLimits.MAX_BYTES) {
                sink.refused(name, Files.size(file), "is larger than " + (FontLimits.MAX_BYTES >> 20) + " MB");
            } else {
                sink.file(name, Files.readAllBytes(file));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void readZip(String name, Path file, int depth) throws IOException {
        if (depth > MAX_DEPTH) {
            sink.refused(name, Files.size(file), "is an archive nested more than " + MAX_DEPTH + " deep");
            return;
        }
        long packed = Math.max(1, Files.size(file));
        long before = expanded;
        try (ZipFile zip = new ZipFile(file.toFile())) {
            for (Enumeration<? extends ZipEntry> all = zip.entries(); all.hasMoreElements(); ) {
                ZipEntry entry = all.nextElement();
                String path = name + "/" + entry.getName();
                if (++entries > MAX_ENTRIES) {
                    sink.refused(name, packed, "holds more than " + MAX_ENTRIES + " files; the rest was not read");
                    return;
                }
                if (entry.isDirectory()) {
                    continue;
                }
                if (climbsOut(entry.getName())) {
                    sink.refused(path, Math.max(0, entry.getSize()), "has a path that climbs out of its archive");
                    continue;
                }
                if (!readEntry(zip, entry, path, packed, before, depth)) {
                    sink.refused(
                            name,
                            packed,
                            "unpacks to far more than it is (over " + MAX_RATIO + " times, or over "
                                    + (MAX_EXPANDED >> 20) + " MB); the rest was not read");
                    return;
                }
            }
        } catch (ZipException e) {
            sink.refused(name, packed, "is a damaged archive: " + e.getMessage());
        }
    }

    /** Reads one entry, or says false when the archive outgrows its limits. */
    private boolean readEntry(ZipFile zip, ZipEntry entry, String path, long packed, long before, int depth)
            throws IOException {
        byte[] bytes;
        try (InputStream in = zip.getInputStream(entry)) {
            bytes = in.readNBytes(FontLimits.MAX_BYTES + 1);
        } catch (ZipException e) {
            sink.refused(path, Math.max(0, entry.getSize()), "is damaged inside its archive: " + e.getMessage());
            return true;
        }
        expanded += bytes.length;
        long own = expanded - before;
        if (expanded > MAX_EXPANDED || own > RATIO_MATTERS_FROM && own / packed > MAX_RATIO) {
            return false;
        }
        if (bytes.length > FontLimits.MAX_BYTES) {
            sink.refused(path, bytes.length, "is larger than " + (FontLimits.MAX_BYTES >> 20) + " MB");
        } else if (isZip(bytes)) {
            Path inner = Files.createTempFile("unciala-inner", ".zip");
            try {
                Files.write(inner, bytes);
                readZip(path, inner, depth + 1);
            } finally {
                Files.delete(inner);
            }
        } else {
            sink.file(path, bytes);
        }
        return true;
    }

    static boolean climbsOut(String path) {
        String unified = path.replace('\\', '/').toLowerCase(Locale.ROOT);
        return unified.startsWith("/")
                || unified.matches("[a-z]:.*")
                || ("/" + unified + "/").contains("/../")
                || unified.indexOf('\0') >= 0;
    }

    private static boolean isZip(Path file) throws IOException {
        try (InputStream in = Files.newInputStream(file)) {
            return isZip(in.readNBytes(4));
        }
    }

    private static boolean isZip(byte[] bytes) {
        if (bytes.length < 4) {
            return false;
        }
        int head = (bytes[0] & 0xFF) << 24 | (bytes[1] & 0xFF) << 16 | (bytes[2] & 0xFF) << 8 | bytes[3] & 0xFF;
        return head == ZIP || head == EMPTY_ZIP;
    }
}
