package app.unciala.server.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;

class DerivedFilesTest {
    private static final String FONT = "a".repeat(64);

    @TempDir
    private Path data;

    @Test
    void anotherEngineMakesItsOwnFiles() throws IOException {
        DerivedFiles before = new DerivedFiles(data, "one");
        assertThat(before.kept(FONT, "x.woff2", () -> new byte[] {1})).hasBinaryContent(new byte[] {1});
        assertThat(before.kept(FONT, "x.woff2", () -> new byte[] {2}))
                .as("made once")
                .hasBinaryContent(new byte[] {1});

        DerivedFiles mended = new DerivedFiles(data, "two");
        assertThat(mended.find(FONT, "x.woff2")).isEmpty();
        assertThat(mended.kept(FONT, "x.woff2", () -> new byte[] {3})).hasBinaryContent(new byte[] {3});
        mended.collect(Set.of(FONT), Instant.now().plus(Duration.ofDays(1)));
        assertThat(data.resolve("cuts/one")).doesNotExist();
        assertThat(Files.readAllBytes(mended.find(FONT, "x.woff2").orElseThrow()))
                .containsExactly(3);
        mended.collect(Set.of(), Instant.now().plus(Duration.ofDays(1)));
        assertThat(mended.find(FONT, "x.woff2")).isEmpty();
    }

    @Test
    void theVersionOfTheEngineIsThatOfItsClasses() {
        assertThat(EngineVersion.current()).matches("[0-9a-f]{12}").isEqualTo(EngineVersion.current());
    }
}
