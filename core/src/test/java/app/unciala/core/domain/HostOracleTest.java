package app.unciala.core.domain;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Random;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

/** Hosts as Node's own implementation of the URL standard reads them. */
class HostOracleTest {
    private static final int GENERATED = 3_000;
    /** Prints the host of each line as a URL, or a line with a minus where it is none. */
    private static final String ORACLE = """
            const lines = require("fs").readFileSync(process.argv[1], "utf8").split("\\n");
            console.log(lines.map((line) => {
              try { return new URL("http://" + line + "/").hostname.replace(/\\.$/, ""); } catch { return "-"; }
            }).join("\\n"));""";

    private static final List<String> PARTS = List.of(
            "a",
            "Shop",
            "www",
            "xn--bcher-kva",
            "xn--fa-hia",
            "xn--a",
            "bücher",
            "faß",
            "FASS",
            "βόλος",
            "例え",
            "ｃｌｉ",
            "u\u0308",
            "\u00ad",
            "\u200d",
            "ﬁ",
            "Ǆ",
            "ı",
            "İ",
            "1",
            "0",
            "255",
            "256",
            "0x7f",
            "010",
            "09",
            "4294967295",
            "-",
            "a-b",
            "-a",
            "ab--c",
            "한글",
            "😀",
            "co",
            "uk",
            "com",
            "example",
            "test",
            "localhost");

    @TempDir
    Path folder;

    @Test
    void whatIsReadIsWhatTheURLStandardReads() throws Exception {
        List<String> typed = new ArrayList<>(List.of(
                "client.example",
                "CLIENT.example.",
                "[::1]",
                "[2001:DB8:0:0:1:0:0:1]",
                "[1:2:3:4:5:6:7:8]",
                "[1::2::3]",
                "0x7f.1",
                "127.1",
                "1.2.3",
                "0300.0250.0.1",
                "0xffffffff",
                "4294967296",
                "1.2.3.4.",
                "1.2.3.4.5",
                "1.2.0x.4",
                "a.1",
                "a.0x1",
                "cl%69ent.example",
                "例え。example",
                "xn--fa-hia.example",
                "faß.example",
                "☃.example",
                "a\u00adb.example",
                "א.example",
                "אa.example"));
        Random random = new Random(20);
        for (int i = 0; i < GENERATED; i++) {
            List<String> labels = new ArrayList<>();
            for (int n = 1 + random.nextInt(4); n > 0; n--) {
                String label = PARTS.get(random.nextInt(PARTS.size()));
                labels.add(random.nextInt(4) == 0 ? label + PARTS.get(random.nextInt(PARTS.size())) : label);
            }
            typed.add(String.join(".", labels) + (i % 3 == 0 ? "" : ".example"));
        }
        List<String> expected = oracle(typed);
        int read = 0;
        for (int i = 0; i < typed.size(); i++) {
            Optional<String> ours = ours(typed.get(i));
            if (ours.isPresent()) {
                read++;
                assertThat(ours.get()).as(typed.get(i)).isEqualTo(expected.get(i));
            } else {
                // The standard leaves open what names in use have: an ending that begins with a letter, and letters,
                // digits and inner hyphens only.
                assertThat(expected.get(i))
                        .as("refused: " + typed.get(i))
                        .matches(
                                "-|[^.]+|.*(^|\\.)-.*|.*-(\\.|$).*|.*(^|\\.)[^.]{64,}.*|(^|.*\\.)(\\.|$).*|.*\\.[0-9][^.]*");
            }
        }
        assertThat(read).as("enough of the cases are domains").isGreaterThan(GENERATED / 3);
    }

    private static Optional<String> ours(String typed) {
        try {
            return Optional.of(DomainName.parse(typed).ascii());
        } catch (IllegalArgumentException refused) {
            return Optional.empty();
        }
    }

    private List<String> oracle(List<String> typed) throws Exception {
        Path lines = Files.writeString(folder.resolve("typed"), String.join("\n", typed));
        Path answer = folder.resolve("answer");
        Process node = new ProcessBuilder("node", "-e", ORACLE, lines.toString())
                .redirectErrorStream(true)
                .redirectOutput(answer.toFile())
                .start();
        assertThat(node.waitFor(60, TimeUnit.SECONDS)).isTrue();
        List<String> said = Files.readAllLines(answer, StandardCharsets.UTF_8);
        assertThat(said).hasSameSizeAs(typed);
        return said;
    }
}
