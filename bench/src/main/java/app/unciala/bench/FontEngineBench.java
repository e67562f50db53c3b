package app.unciala.bench;

import app.unciala.demo.DemoFont;
import app.unciala.font.FontFormat;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.List;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.Setup;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;
import org.openjdk.jmh.infra.Blackhole;

/** The font engine over the demonstration's fonts; {@code sha256} is the baseline for {@code inspect}. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Fork(1)
@Warmup(iterations = 3, time = 2)
@Measurement(iterations = 5, time = 2)
public class FontEngineBench {
    private List<byte[]> fonts = List.of();
    private List<byte[]> packed = List.of();
    private List<Sfnt> faces = List.of();

    @Setup
    public void draw() {
        fonts = DemoFont.all().stream().map(DemoFont::bytes).toList();
        faces = fonts.stream()
                .map(bytes -> FontReader.read(bytes).faces().get(0))
                .toList();
        packed = faces.stream()
                .map(face -> FontWriter.write(face, FontFormat.WOFF2))
                .toList();
    }

    @Benchmark
    public void sha256(Blackhole hole) throws NoSuchAlgorithmException {
        for (byte[] font : fonts) {
            hole.consume(MessageDigest.getInstance("SHA-256").digest(font));
        }
    }

    @Benchmark
    public void inspect(Blackhole hole) {
        for (byte[] font : fonts) {
            hole.consume(FaceReport.of(FontReader.read(font).faces().get(0)));
        }
    }

    @Benchmark
    public void readWoff2(Blackhole hole) {
        for (byte[] font : packed) {
            hole.consume(FontReader.read(font));
        }
    }

    @Benchmark
    public void writeWoff2(Blackhole hole) {
        for (Sfnt face : faces) {
            hole.consume(FontWriter.write(face, FontFormat.WOFF2));
        }
    }
}
