package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.FontFormat;
import app.unciala.font.file.FontReader;
import app.unciala.font.table.CmapTable;
import app.unciala.server.storage.StoredFiles;
import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.FileTime;
import java.time.Instant;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What lists show of a font is cut to the letters that they show. */
class LettersTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private static Caller caller;
    private static String address;

    @BeforeAll
    static void hold() {
        caller = SERVER.signIn();
        String family = caller.hold("Penmarrow-Regular.ttf");
        address = "/api/files/"
                + caller.get("/api/families/" + family)
                        .json()
                        .get("files")
                        .get(0)
                        .get("sha256")
                        .asString();
    }

    @Test
    void aCutHasTheLettersAskedForAndNoOthersAndIsKeptForEver() {
        Answer cut = letters(address, "Penmarrow");
        assertThat(cut.status()).isEqualTo(200);
        assertThat(cut.header("Content-Type")).isEqualTo("font/woff2");
        assertThat(cut.header("Cache-Control")).contains("max-age=31536000", "private", "immutable");
        assertThat(characters(cut.bytes())).isEqualTo("Paemnorw");
        assertThat(cut.bytes().length).isLessThan(4000).isLessThan(Samples.font("Penmarrow-Regular.ttf").length / 3);
        assertThat(letters(address, "worn Pamemen".replace(" ", "")).bytes())
                .as("the same letters in another order, and twice")
                .isEqualTo(cut.bytes());
    }

    @Test
    void aFileUnderReviewIsCutTheSame() {
        JsonNode intake = caller.takeIn(Map.of("Penmarrow-Bold.ttf", Samples.font("Penmarrow-Bold.ttf")));
        String item = "/api/intakes/" + intake.get("summary").get("id").asString() + "/items/"
                + intake.get("rows").get(0).get("id").asString();
        assertThat(characters(letters(item, "Ag").bytes())).isEqualTo("Ag");
        caller.delete("/api/intakes/" + intake.get("summary").get("id").asString());
    }

    @Test
    void whatCannotBeAskedForIsRefused() {
        assertThat(caller.get(address + "/letters").status()).isEqualTo(400);
        assertThat(letters(address, "").json().toString()).contains("1 to 300 different letters");
        String many = Stream.iterate(0x4E00, code -> code + 1)
                .limit(301)
                .map(Character::toString)
                .reduce("", String::concat);
        assertThat(letters(address, many).status()).isEqualTo(422);
        assertThat(letters("/api/files/" + "0".repeat(64), "Ag").status()).isEqualTo(404);
        assertThat(letters("/api/files/..", "Ag").status()).isIn(400, 404);
        assertThat(SERVER.stranger().get(address + "/letters?text=Ag").status()).isEqualTo(401);
    }

    @Test
    void aFontThatHasNoneOfTheLettersStandsAsItIs() {
        assertThat(letters(address, "漢字").bytes()).isEqualTo(Samples.font("Penmarrow-Regular.ttf"));
    }

    @Test
    void aCutThatLostItsBytesIsMadeAgainAndThoseOfUnnamedFontsGo() throws IOException {
        byte[] first = letters(address, "row").bytes();
        Path cut = newest(SERVER.data().resolve("cuts"));
        Path folder = cut.getParent().getParent().getParent();
        Files.write(cut, new byte[0]);
        assertThat(letters(address, "row").bytes()).isEqualTo(first);

        Path unnamed = Files.createDirectories(folder.resolve("ab").resolve("ab" + "0".repeat(62)));
        Files.write(unnamed.resolve("0123456789abcdef.woff2"), first);
        SERVER.bean(StoredFiles.class).collect();
        assertThat(unnamed).as("made within the week").exists();
        Files.setLastModifiedTime(unnamed, FileTime.from(Instant.EPOCH));
        Files.setLastModifiedTime(cut.getParent(), FileTime.from(Instant.EPOCH));
        SERVER.bean(StoredFiles.class).collect();
        assertThat(unnamed).doesNotExist();
        assertThat(cut).as("its font is held").exists();
    }

    private static Path newest(Path folder) throws IOException {
        try (Stream<Path> files = Files.walk(folder)) {
            List<Path> cuts = files.filter(Files::isRegularFile).toList();
            return cuts.stream()
                    .max((a, b) ->
                            Long.compare(a.toFile().lastModified(), b.toFile().lastModified()))
                    .orElseThrow();
        }
    }

    private static Answer letters(String font, String text) {
        return caller.get(font + "/letters?text=" + URLEncoder.encode(text, StandardCharsets.UTF_8));
    }

    private static String characters(byte[] font) {
        assertThat(FontReader.read(font).format()).isEqualTo(FontFormat.WOFF2);
        int[] all = CmapTable.read(FontReader.read(font).faces().get(0)).codePoints();
        return Arrays.stream(all)
                .collect(StringBuilder::new, StringBuilder::appendCodePoint, StringBuilder::append)
                .toString();
    }
}
