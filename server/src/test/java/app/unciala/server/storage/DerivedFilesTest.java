package app.unciala.server.storage;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Duration;
import java.time.Instant;
import java.util.Set;
import java.util.stream.Stream;
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
    void ofFilesThatAnybodyMayAskForTheLatestAreKept() throws IOException {
        DerivedFiles derived = new DerivedFiles(data, "one");
        derived.kept(FONT, "made.woff2", () -> new byte[] {9});
        for (int i = 0; i < 6; i++) {
            Path made = derived.keptAmong(3, FONT, i + ".letters.woff2", () -> new byte[] {1});
            Files.setLastModifiedTime(made, FileTime.fromMillis(1_000_000 + i));
            if (i == 3) {
                assertThat(derived.keptAmong(3, FONT, "1.letters.woff2", () -> new byte[] {2}))
                        .as("used again, and so kept")
                        .hasBinaryContent(new byte[] {1});
            }
        }
        try (Stream<Path> files =
                Files.list(derived.find(FONT, "made.woff2").orElseThrow().getParent())) {
            assertThat(files.map(file -> file.getFileName().toString()))
                    .containsExactlyInAnyOrder("made.woff2", "1.letters.woff2", "4.letters.woff2", "5.letters.woff2");
        }
    }

    @Test
    void theVersionOfTheEngineIsThatOfItsClasses() {
        assertThat(EngineVersion.current()).matches("[0-9a-f]{12}").isEqualTo(EngineVersion.current());
    }
}
