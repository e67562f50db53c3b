package app.unciala.core.pack;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import java.util.zip.ZipOutputStream;

/** The files that are handed to a site, by their paths. */
public record Pack(List<Entry> entries) {
    /** The date of every zip entry, fixed so that the same pack gives the same bytes. */
    private static final LocalDateTime EPOCH = LocalDateTime.of(1980, 1, 1, 0, 0);

    /** One file; {@code path} is relative, with forward slashes. */
    public record Entry(String path, byte[] bytes) {}

    public Pack {
        entries = List.copyOf(entries);
    }

    /** The pack that an archive holds. */
    public static Pack unzipped(InputStream archive) throws IOException {
        List<Entry> entries = new ArrayList<>();
        try (ZipInputStream zip = new ZipInputStream(archive)) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                entries.add(new Entry(entry.getName(), zip.readAllBytes()));
            }
        }
        return new Pack(entries);
    }

    /** The pack as a zip archive. */
    public byte[] zip() {
        ByteArrayOutputStream bytes = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(bytes)) {
            for (Entry entry : entries) {
                ZipEntry header = new ZipEntry(entry.path());
                header.setTimeLocal(EPOCH);
                zip.putNextEntry(header);
                zip.write(entry.bytes());
                zip.closeEntry();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return bytes.toByteArray();
    }
}
