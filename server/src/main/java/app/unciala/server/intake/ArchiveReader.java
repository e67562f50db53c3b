package app.unciala.server.intake;

import app.unciala.font.FontLimits;
import com.google.common.io.ByteStreams;
import java.io.BufferedInputStream;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.charset.CharacterCodingException;
import java.nio.charset.Charset;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.util.Enumeration;
import java.util.Locale;
import java.util.zip.CRC32;
import org.apache.commons.compress.archivers.ArchiveEntry;
import org.apache.commons.compress.archivers.ArchiveInputStream;
import org.apache.commons.compress.archivers.tar.TarArchiveInputStream;
import org.apache.commons.compress.archivers.zip.ZipArchiveEntry;
import org.apache.commons.compress.archivers.zip.ZipArchiveInputStream;
import org.apache.commons.compress.archivers.zip.ZipFile;
import org.apache.commons.compress.compressors.gzip.GzipCompressorInputStream;

/**
 * Takes a drop apart: files as they are; zip, tar and gzip archives entry by entry, archives within archives to a depth
 * of three. One bad entry is one refusal with its reason, and never the end of the drop.
 */
final class ArchiveReader {
    static final int MAX_ENTRIES = 5_000;
    static final long MAX_EXPANDED = 1L << 30;
    static final int MAX_RATIO = 200;
    static final int MAX_DEPTH = 3;
    /** Below this, in bytes, a high ratio harms nobody. */
    private static final long RATIO_MATTERS_FROM = 16 << 20;
    /** Names of entries that are not in UTF-8 are in the code page of the first personal computers. */
    private static final Charset OLD_NAMES = Charset.forName("IBM437");

    private static final int TAR_MARK_AT = 257;
    private static final int HEAD = TAR_MARK_AT + 5;

    /** Takes what is found, in order. */
    interface Sink {
        void file(String path, byte[] bytes);

        /** A file or archive that was kept out, and why. */
        void refused(String path, long bytes, String reason);

        /** How much of the upload, in bytes as it came, has been read. */
        void progress(long bytes);
    }

    /** What a file is by its first bytes. */
    private enum Kind {
        ZIP,
        SPLIT_ZIP,
        TAR,
        GZIP,
        PLAIN
    }

    /** An archive unpacks to more than is taken. */
    private static final class TooMuch extends IOException {
        private static final long serialVersionUID = 1;

        TooMuch(String message) {
            super(message);
        }
    }

    private final Sink sink;
    private long expanded;
    private int entries;

    ArchiveReader(Sink sink) {
        this.sink = sink;
    }

    void read(String name, Path file) {
        try {
            long size = Files.size(file);
            Kind kind;
            try (InputStream in = Files.newInputStream(file)) {
                kind = kind(in.readNBytes(HEAD));
            }
            if (kind != Kind.PLAIN) {
                archive(name, file, kind, 1);
            } else if (size > FontLimits.MAX_BYTES) {
                sink.refused(name, size, "is larger than " + (FontLimits.MAX_BYTES >> 20) + " MB");
            } else {
                sink.file(name, Files.readAllBytes(file));
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private void archive(String name, Path file, Kind kind, int depth) throws IOException {
        long packed = Math.max(1, Files.size(file));
        if (depth > MAX_DEPTH) {
            sink.refused(name, packed, "is an archive nested more than " + MAX_DEPTH + " deep");
            return;
        }
        long before = expanded;
        Budget budget = bytes -> {
            expanded += bytes;
            long own = expanded - before;
            if (expanded > MAX_EXPANDED || (own > RATIO_MATTERS_FROM && own / packed > MAX_RATIO)) {
                throw new TooMuch("unpacks to far more than it is (over " + MAX_RATIO + " times, or over "
                        + (MAX_EXPANDED >> 20) + " MB); the rest was not read");
            }
        };
        try {
            switch (kind) {
                case ZIP -> zip(name, file, budget, depth);
                case TAR -> {
                    try (InputStream in = new BufferedInputStream(Files.newInputStream(file))) {
                        tar(name, in, budget, depth);
                    }
                }
                case GZIP -> gzip(name, file, budget, depth);
                default ->
                    sink.refused(
                            name,
                            packed,
                            "is one part of an archive that is split over several files; join the parts and drop the"
                                    + " whole");
            }
        } catch (TooMuch e) {
            sink.refused(name, packed, String.valueOf(e.getMessage()));
        } catch (IOException | IllegalArgumentException e) {
            sink.refused(name, packed, "is a damaged archive: " + e.getMessage());
        }
    }

    /** Counts unpacked bytes against what an archive may unpack to. */
    private interface Budget {
        void spend(long bytes) throws TooMuch;
    }

    private void zip(String name, Path file, Budget budget, int depth) throws IOException {
        ZipFile zip;
        try {
            zip = ZipFile.builder()
                    .setPath(file)
                    .setCharset(StandardCharsets.UTF_8)
                    .setIgnoreLocalFileHeader(true)
                    .get();
        } catch (IOException | IllegalArgumentException e) {
            cutZip(name, file, budget, depth, e);
            return;
        }
        try (zip) {
            long read = 0;
            for (Enumeration<ZipArchiveEntry> all = zip.getEntries(); all.hasMoreElements(); ) {
                ZipArchiveEntry entry = all.nextElement();
                if (!entry.isDirectory()) {
                    String path = name + "/" + entryName(entry);
                    countEntry();
                    zipEntry(zip, entry, path, budget, depth);
                }
                read += Math.max(0, entry.getCompressedSize());
                if (depth == 1) {
                    sink.progress(read);
                }
            }
        }
    }

    private void zipEntry(ZipFile zip, ZipArchiveEntry entry, String path, Budget budget, int depth) throws TooMuch {
        long size = Math.max(0, entry.getSize());
        if (climbsOut(entryName(entry))) {
            sink.refused(path, size, "has a path that climbs out of its archive");
            return;
        }
        if (entry.getGeneralPurposeBit().usesEncryption()) {
            sink.refused(path, size, "is encrypted; unpack the archive with its password and drop the files");
            return;
        }
        if (!zip.canReadEntryData(entry)) {
            sink.refused(path, size, "is packed by a method that cannot be read; pack it again as plain zip");
            return;
        }
        byte[] bytes;
        try (InputStream in = zip.getInputStream(entry)) {
            bytes = bounded(in);
        } catch (IOException | RuntimeException e) {
            sink.refused(path, size, "is damaged inside its archive: " + e.getMessage());
            return;
        }
        budget.spend(bytes.length);
        if (bytes.length <= FontLimits.MAX_BYTES && entry.getSize() >= 0 && entry.getSize() != bytes.length) {
            sink.refused(
                    path,
                    bytes.length,
                    "is damaged inside its archive: it has " + bytes.length + " bytes where the archive says "
                            + entry.getSize());
            return;
        }
        CRC32 crc = new CRC32();
        crc.update(bytes);
        if (bytes.length <= FontLimits.MAX_BYTES && entry.getCrc() >= 0 && crc.getValue() != entry.getCrc()) {
            sink.refused(path, bytes.length, "is damaged inside its archive: its checksum does not fit");
            return;
        }
        found(path, bytes, depth);
    }

    /** A zip archive without its directory at the end: what can be read from its beginning on is taken. */
    private void cutZip(String name, Path file, Budget budget, int depth, Exception why) throws IOException {
        int before = entries;
        try (InputStream in = new BufferedInputStream(Files.newInputStream(file));
                ZipArchiveInputStream zip = new ZipArchiveInputStream(in, StandardCharsets.UTF_8.name(), true, true)) {
            entries(name, zip, budget, depth);
        } catch (TooMuch e) {
            throw e;
        } catch (IOException | RuntimeException e) {
            // The end that lacks; it is told below.
        }
        int read = entries - before;
        sink.refused(
                name,
                Files.size(file),
                "is a damaged archive: " + why.getMessage()
                        + (read == 0 ? "" : "; what could be read of it is listed beside this"));
    }

    private void tar(String name, InputStream in, Budget budget, int depth) throws IOException {
        try (TarArchiveInputStream tar = new TarArchiveInputStream(in, StandardCharsets.UTF_8.name())) {
            entries(name, tar, budget, depth);
        }
    }

    /** Members that follow one another, as some programs write them, are read as one. */
    private static InputStream unpacked(InputStream gzip) throws IOException {
        return GzipCompressorInputStream.builder()
                .setInputStream(gzip)
                .setDecompressConcatenated(true)
                .get();
    }

    private void gzip(String name, Path file, Budget budget, int depth) throws IOException {
        try (InputStream in = new BufferedInputStream(Files.newInputStream(file));
                BufferedInputStream plain = new BufferedInputStream(unpacked(in), 1 << 16)) {
            plain.mark(HEAD);
            Kind inside = kind(plain.readNBytes(HEAD));
            plain.reset();
            if (inside == Kind.TAR) {
                tar(name, plain, budget, depth);
                return;
            }
            byte[] bytes = bounded(plain);
            budget.spend(bytes.length);
            countEntry();
            found(name + "/" + name.replaceFirst("^.*/", "").replaceFirst("(?i)\\.gz$", ""), bytes, depth);
        }
    }

    private void entries(String name, ArchiveInputStream<? extends ArchiveEntry> archive, Budget budget, int depth)
            throws IOException {
        for (ArchiveEntry entry = archive.getNextEntry(); entry != null; entry = archive.getNextEntry()) {
            if (entry.isDirectory()) {
                continue;
            }
            String path = name + "/" + entry.getName();
            countEntry();
            if (climbsOut(entry.getName())) {
                sink.refused(path, Math.max(0, entry.getSize()), "has a path that climbs out of its archive");
                continue;
            }
            if (!archive.canReadEntryData(entry)) {
                sink.refused(
                        path, Math.max(0, entry.getSize()), "is encrypted, or packed by a method that cannot be read");
                continue;
            }
            byte[] bytes = bounded(archive);
            budget.spend(bytes.length);
            found(path, bytes, depth);
            if (depth == 1) {
                sink.progress(archive.getBytesRead());
            }
        }
    }

    private void countEntry() throws TooMuch {
        if (++entries > MAX_ENTRIES) {
            throw new TooMuch("holds more than " + MAX_ENTRIES + " files; the rest was not read");
        }
    }

    private void found(String path, byte[] bytes, int depth) {
        if (bytes.length > FontLimits.MAX_BYTES) {
            sink.refused(path, bytes.length, "is larger than " + (FontLimits.MAX_BYTES >> 20) + " MB");
            return;
        }
        Kind kind = kind(bytes);
        if (kind == Kind.PLAIN) {
            sink.file(path, bytes);
            return;
        }
        try {
            Path inner = Files.createTempFile("unciala-inner", ".archive");
            try {
                Files.copy(new ByteArrayInputStream(bytes), inner, StandardCopyOption.REPLACE_EXISTING);
                archive(path, inner, kind, depth + 1);
            } finally {
                Files.delete(inner);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** All of a stream, or one byte more than is taken. */
    private static byte[] bounded(InputStream in) throws IOException {
        return ByteStreams.toByteArray(ByteStreams.limit(in, FontLimits.MAX_BYTES + 1L));
    }

    /** The name of an entry: UTF-8 where it is marked so or reads as such, otherwise in the old code page. */
    private static String entryName(ZipArchiveEntry entry) {
        byte[] raw = entry.getRawName();
        if (raw == null || entry.getGeneralPurposeBit().usesUTF8ForNames()) {
            return entry.getName();
        }
        try {
            return StandardCharsets.UTF_8
                    .newDecoder()
                    .onMalformedInput(CodingErrorAction.REPORT)
                    .decode(ByteBuffer.wrap(raw))
                    .toString();
        } catch (CharacterCodingException e) {
            return new String(raw, OLD_NAMES);
        }
    }

    static boolean climbsOut(String path) {
        String unified = path.replace('\\', '/').toLowerCase(Locale.ROOT);
        return unified.startsWith("/")
                || unified.matches("[a-z]:.*")
                || ("/" + unified + "/").contains("/../")
                || unified.indexOf('\0') >= 0;
    }

    private static Kind kind(byte[] head) {
        if (head.length >= 4 && head[0] == 'P' && head[1] == 'K') {
            if ((head[2] == 3 && head[3] == 4) || (head[2] == 5 && head[3] == 6)) {
                return Kind.ZIP;
            }
            if (head[2] == 7 && head[3] == 8) {
                return Kind.SPLIT_ZIP;
            }
        }
        if (head.length >= 3 && (head[0] & 0xFF) == 0x1F && (head[1] & 0xFF) == 0x8B && head[2] == 8) {
            return Kind.GZIP;
        }
        boolean tar =
                head.length >= HEAD && new String(head, TAR_MARK_AT, 5, StandardCharsets.ISO_8859_1).equals("ustar");
        return tar ? Kind.TAR : Kind.PLAIN;
    }
}
