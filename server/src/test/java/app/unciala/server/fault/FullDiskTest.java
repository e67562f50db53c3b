package app.unciala.server.fault;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.FileSystemException;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class FullDiskTest {
    @ParameterizedTest
    @ValueSource(strings = {"No space left on device", "Disk quota exceeded", "File too large"})
    void isToldByWhatTheSystemSaysHoweverDeepItStands(String says) {
        Throwable deep = new FileSystemException("/data/store/incoming/writing1.part", null, says);
        assertThat(FullDisk.caused(deep)).isTrue();
        assertThat(FullDisk.caused(
                        new IllegalStateException("a job failed", new UncheckedIOException((IOException) deep))))
                .isTrue();
    }

    @Test
    void isNotToldOfOtherFailures() {
        assertThat(FullDisk.caused(new IOException("Permission denied"))).isFalse();
        assertThat(FullDisk.caused(new IOException())).isFalse();
        assertThat(FullDisk.caused(new IllegalArgumentException("No space left on device")))
                .as("somebody’s words, not the system’s")
                .isFalse();
    }
}
