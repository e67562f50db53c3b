package app.unciala.bench;

import app.unciala.font.FontFormat;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.SubsetPlan;
import app.unciala.font.subset.Subsetter;
import app.unciala.font.table.CmapTable;
import com.aayushatharva.brotli4j.decoder.Decoder;
import com.aayushatharva.brotli4j.encoder.Encoder;
import java.io.IOException;
import java.lang.management.ManagementFactory;
import java.lang.management.ThreadMXBean;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Locale;
import java.util.stream.Stream;

/**
 * Measures the engine against the reference encoder, HarfBuzz's subsetter and SHA-256, on the fonts in the folders given,
 * and prints a table in Markdown. Every baseline is measured in the same run. Processor times are those of one thread
 * here, and of the whole process there.
 */
public final class Figures {
    /** Where a WOFF2 file says how long its compressed bytes are. */
    private static final int COMPRESSED_SIZE = 20;

    private static final String LATIN = "20-7E,A0-FF";
    private static final int ROUNDS = 25;
    private static final int RUNS = 2;

    private final List<Path> fonts;
    private final Path folder;
    private final ThreadMXBean threads = ManagementFactory.getThreadMXBean();

    private Figures(List<Path> fonts, Path folder) {
        this.fonts = fonts;
        this.folder = folder;
    }

    /** The arguments are a scratch folder, how many fonts to take of each font folder, and these folders. */
    public static void main(String[] arguments) throws Exception {
        int most = Integer.parseInt(arguments[1]);
        List<Path> fonts = new ArrayList<>();
        List<byte[]> all = new ArrayList<>();
        for (String folder : Arrays.asList(arguments).subList(2, arguments.length)) {
            try (Stream<Path> files = Files.walk(Path.of(folder))) {
                List<Path> found = files.filter(file -> file.toString().matches(".*\\.(ttf|otf)"))
                        .sorted()
                        .toList();
                for (Path file : found) {
                    all.add(Files.readAllBytes(file));
                }
                fonts.addAll(found.subList(0, Math.min(most, found.size())));
            }
        }
        new Figures(fonts, Path.of(arguments[0])).run(all);
    }

    private void run(List<byte[]> all) throws Exception {
        List<Sfnt> faces = new ArrayList<>();
        long size = 0;
        for (Path font : fonts) {
            byte[] bytes = Files.readAllBytes(font);
            size += bytes.length;
            faces.add(FontReader.read(bytes).faces().get(0));
        }
        System.out.printf(Locale.ROOT, "%d fonts of %.1f MB%n%n", fonts.size(), size / 1e6);
        System.out.println("| what | baseline | ours | baseline | ours / baseline |");
        System.out.println("|---|---|--:|--:|--:|");
        inspect(all);
        woff2(faces);
        brotliAlone(faces);
        subset(faces);
        lists(all);
        severalFiles(faces);
    }

    private void inspect(List<byte[]> files) throws NoSuchAlgorithmException {
        long ours = Long.MAX_VALUE;
        long theirs = Long.MAX_VALUE;
        for (int round = 0; round < ROUNDS; round++) {
            long start = threads.getCurrentThreadCpuTime();
            for (byte[] bytes : files) {
                MessageDigest.getInstance("SHA-256").digest(bytes);
            }
            theirs = Math.min(theirs, threads.getCurrentThreadCpuTime() - start);
            start = threads.getCurrentThreadCpuTime();
            for (byte[] bytes : files) {
                FontReader.read(bytes).faces().forEach(FaceReport::of);
            }
            ours = Math.min(ours, threads.getCurrentThreadCpuTime() - start);
        }
        row(
                "inspect of " + files.size() + " fonts, processor time",
                "SHA-256 of the same bytes",
                ours / 1e6,
                theirs / 1e6,
                "ms");
    }

    private void woff2(List<Sfnt> faces) throws Exception {
        FontWriter.write(faces.get(0), FontFormat.WOFF2);
        Path copy = folder.resolve("font.ttf");
        pair(
                "WOFF2",
                "`woff2_compress`",
                i -> FontWriter.write(faces.get(i), FontFormat.WOFF2).length,
                i -> {
                    Files.write(copy, Files.readAllBytes(fonts.get(i)));
                    return "woff2_compress " + copy;
                },
                folder.resolve("font.woff2"));
    }

    /** What of writing WOFF2 is the encoder's work, which is the same library on both sides. */
    private void brotliAlone(List<Sfnt> faces) throws IOException {
        double whole = 0;
        double encoder = 0;
        for (Sfnt face : faces) {
            long start = threads.getCurrentThreadCpuTime();
            byte[] written = FontWriter.write(face, FontFormat.WOFF2);
            whole += threads.getCurrentThreadCpuTime() - start;
            byte[] plain = unpacked(written);
            start = threads.getCurrentThreadCpuTime();
            Encoder.compress(
                    plain,
                    Encoder.Parameters.create(11).setMode(Encoder.Mode.FONT).setWindow(22));
            encoder += threads.getCurrentThreadCpuTime() - start;
        }
        row("WOFF2, processor time", "Brotli 11 alone on the same bytes", whole / 1e9, encoder / 1e9, "s");
    }

    /** What Brotli was given: the compressed bytes stand at the end, before up to three bytes of padding. */
    private static byte[] unpacked(byte[] woff2) throws IOException {
        int packed = ByteBuffer.wrap(woff2).getInt(COMPRESSED_SIZE);
        for (int end = woff2.length; end > woff2.length - 4; end--) {
            byte[] plain = Decoder.decompress(Arrays.copyOfRange(woff2, end - packed, end))
                    .getDecompressedData();
            if (plain != null) {
                return plain;
            }
        }
        throw new IOException("the compressed bytes are not where they are sought");
    }

    /** Cuts to a handful of letters, as lists show fonts: read, cut without layout, written to be shown. */
    private void lists(List<byte[]> files) {
        SubsetPlan plan = SubsetPlan.ofText("Hamburgefonstiv").withoutHinting().withFeatures(tag -> false);
        double least = Double.MAX_VALUE;
        for (int round = 0; round < ROUNDS; round++) {
            long start = threads.getCurrentThreadCpuTime();
            for (byte[] bytes : files) {
                Sfnt face = FontReader.read(bytes).faces().get(0);
                if (CmapTable.read(face).has('H')) {
                    FontWriter.writeQuickly(Subsetter.subset(face, plan));
                }
            }
            least = Math.min(least, (threads.getCurrentThreadCpuTime() - start) / 1e6 / files.size());
        }
        row("a face cut to 15 letters for a list, processor time", "what is wanted", least, 5, "ms");
    }

    private void subset(List<Sfnt> faces) throws Exception {
        BitSet latin = new BitSet();
        latin.set(0x20, 0x7F);
        latin.set(0xA0, 0x100);
        for (int i = 0; i < 3; i++) {
            faces.forEach(face -> cut(face, latin));
        }
        Path cut = folder.resolve("cut.ttf");
        // The names and license texts are kept here, so they are kept there.
        pair(
                "Latin subset as WOFF2",
                "`hb-subset`, `woff2_compress`",
                i -> FontWriter.write(Subsetter.subset(faces.get(i), latin), FontFormat.WOFF2).length,
                i -> "hb-subset --unicodes=" + LATIN + " --name-IDs='*' --name-languages='*' " + fonts.get(i) + " -o "
                        + cut + " && woff2_compress " + cut,
                folder.resolve("cut.woff2"));
    }

    private interface ByFont<T> {
        T of(int font) throws IOException;
    }

    /** Sizes and least processor times of both, font by font in turn, so that the machine's other work falls on both. */
    private void pair(String what, String baseline, ByFont<Integer> ours, ByFont<String> theirs, Path theirFile)
            throws Exception {
        double[] bytes = new double[2];
        double[] seconds = new double[2];
        for (int i = 0; i < fonts.size(); i++) {
            double[] least = {Double.MAX_VALUE, Double.MAX_VALUE};
            for (int run = 0; run < RUNS; run++) {
                long start = threads.getCurrentThreadCpuTime();
                bytes[0] += ours.of(i) / (double) RUNS;
                least[0] = Math.min(least[0], (threads.getCurrentThreadCpuTime() - start) / 1e9);
                least[1] = Math.min(least[1], processorTime(theirs.of(i)));
            }
            bytes[1] += Files.size(theirFile);
            seconds[0] += least[0];
            seconds[1] += least[1];
        }
        row(what + ", size", baseline, bytes[0] / 1e3, bytes[1] / 1e3, "kB");
        row(what + ", processor time", baseline, seconds[0], seconds[1], "s");
    }

    private static int cut(Sfnt face, BitSet latin) {
        return Subsetter.subset(face, latin).tables().size();
    }

    /** Wall time, since that is what two cores are for; on the smaller half of the fonts. */
    private void severalFiles(List<Sfnt> faces) {
        List<Sfnt> some = faces.subList(0, Math.min(8, faces.size()));
        long start = System.nanoTime();
        some.forEach(face -> FontWriter.write(face, FontFormat.WOFF2));
        double one = (System.nanoTime() - start) / 1e9;
        start = System.nanoTime();
        some.parallelStream().forEach(face -> FontWriter.write(face, FontFormat.WOFF2));
        double all = (System.nanoTime() - start) / 1e9;
        row(
                some.size() + " files to WOFF2 on " + Runtime.getRuntime().availableProcessors() + " cores, wall time",
                "one thread",
                all,
                one,
                "s");
    }

    private static void row(String what, String baseline, double ours, double theirs, String unit) {
        System.out.printf(
                Locale.ROOT,
                "| %s | %s | %.1f %s | %.1f %s | %.3f |%n",
                what,
                baseline,
                ours,
                unit,
                theirs,
                unit,
                ours / theirs);
    }

    /** User and system time of a command in seconds, as the shell counts it. */
    private static double processorTime(String command) throws IOException, InterruptedException {
        Process process = new ProcessBuilder(
                        "bash", "-c", "TIMEFORMAT='%3U %3S'; time { " + command + " >/dev/null 2>&1; }")
                .redirectErrorStream(true)
                .start();
        String said = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        if (process.waitFor() != 0) {
            throw new IOException(command + " failed");
        }
        return Arrays.stream(said.strip().split(" "))
                .mapToDouble(Double::parseDouble)
                .sum();
    }
}
