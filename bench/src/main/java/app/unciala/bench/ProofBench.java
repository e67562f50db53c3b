package app.unciala.bench;

import app.unciala.core.css.syntax.StyleSheet;
import app.unciala.core.proof.ProofReader;
import app.unciala.core.proof.ProofReader.Proof;
import app.unciala.core.proof.Reference;
import java.util.concurrent.TimeUnit;
import org.openjdk.jmh.annotations.Benchmark;
import org.openjdk.jmh.annotations.BenchmarkMode;
import org.openjdk.jmh.annotations.Fork;
import org.openjdk.jmh.annotations.Measurement;
import org.openjdk.jmh.annotations.Mode;
import org.openjdk.jmh.annotations.OutputTimeUnit;
import org.openjdk.jmh.annotations.Scope;
import org.openjdk.jmh.annotations.State;
import org.openjdk.jmh.annotations.Warmup;

/** Reading a style sheet of a megabyte, and proof-reading it, with a mistake in every hundredth rule. */
@State(Scope.Benchmark)
@BenchmarkMode(Mode.AverageTime)
@OutputTimeUnit(TimeUnit.MILLISECONDS)
@Warmup(iterations = 2, time = 2)
@Measurement(iterations = 3, time = 2)
@Fork(1)
public class ProofBench {
    private final String css = written(1_000_000);

    private static String written(int length) {
        StringBuilder css = new StringBuilder("@font-face { font-family: \"Harrow\"; src: url(harrow.woff2)"
                + " format(\"woff2\"); font-weight: 100 900; font-display: swap }\n");
        for (int i = 0; css.length() < length; i++) {
            css.append(".part-")
                    .append(i)
                    .append(" > a:hover, .part-")
                    .append(i)
                    .append(" li {\n  margin: 0 auto ");
            css.append(i % 40).append("px;\n  color: #3").append(i % 10).append("4a5f;\n  font-family: ");
            css.append(i % 100 == 7 ? "Harow" : "\"Harrow\", serif").append(";\n  font-weight: ");
            css.append(100 + i % 9 * 100).append(";\n}\n");
        }
        return css.toString();
    }

    @Benchmark
    public StyleSheet read() {
        return StyleSheet.read(css);
    }

    /** With all corrections made, which reads it three times. */
    @Benchmark
    public Proof proofRead() {
        return ProofReader.read(css, Reference.none());
    }
}
