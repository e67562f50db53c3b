package app.unciala.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.io.TempDir;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import picocli.CommandLine;

/** The command {@code check} on a page that is a file; over HTTP it is run in the browser tests. */
class CheckTest {
    private static final Path LATO = Path.of("/usr/share/fonts/truetype/lato/Lato-Regular.ttf");

    @TempDir
    private Path folder;

    private final StringWriter out = new StringWriter();
    private final StringWriter err = new StringWriter();
    private Path page;

    @BeforeEach
    void write() throws Exception {
        Files.createDirectories(folder.resolve("fonts"));
        Files.copy(LATO, folder.resolve("fonts/harrow.ttf"));
        Files.writeString(
                folder.resolve("type.css"),
                "@font-face { font-family: Harrow; src: url(/fonts/harrow.ttf) }\n\nbody { font-family: Harrow, serif }\n");
        page = Files.writeString(
                folder.resolve("page.html"),
                "<!doctype html><link rel=stylesheet href=type.css><style>@media (width < 500px) { p { font-weight: 300 } }"
                        + "</style><p>Plain</p><p><b>Bold</b></p>");
    }

    @Test
    void printsEveryRunInTheOrderOfThePage() {
        assertThat(run("--runs", page.toString())).isZero();
        String[] lines = out.toString().split("\n");
        assertThat(lines).hasSize(2);
        String url = folder.toUri() + "fonts/harrow.ttf";
        assertThat(lines[0])
                .startsWith("{\"page\":\"" + page + "\",\"text\":\"Plain\",\"path\":\"html > body > p:nth-of-type(1)\","
                        + "\"family\":[\"Harrow\",\"serif\"],\"weight\":400,\"slope\":\"upright\",\"width\":100,\"size\":16,"
                        + "\"given\":{\"family\":\"Harrow\",\"weight\":400,\"slope\":\"upright\",\"url\":\"" + url
                        + "\",\"synthesized\":[],\"characters\":\"Plain\"},\"also\":[],\"rule\":{\"url\":\""
                        + folder.toUri() + "type.css\",\"line\":3,\"selector\":\"body\"},\"winners\":{\"family\":{"
                        + "\"property\":\"font-family\",\"selector\":\"body\",\"sheet\":\"" + folder.toUri()
                        + "type.css\",\"line\":3,")
                .endsWith("\"weight\":null,\"slope\":null,\"size\":null}}");
        assertThat(lines[1]).contains("\"weight\":700").contains("\"synthesized\":[\"bold\"]");
    }

    @Test
    void findingsStopABuild() {
        assertThat(run(page.toString())).isEqualTo(1);
        assertThat(out.toString().lines().findFirst().orElseThrow())
                .startsWith(
                        "{\"page\":\"" + page
                                + "\",\"kind\":\"faked-bold\",\"severity\":\"error\",\"text\":\"Bold\",\"path\":\"html > body >"
                                + " p:nth-of-type(2) > b\",\"message\":\"Harrow Bold is asked for, but Harrow Regular with a faked bold")
                .endsWith("}");
    }

    @Test
    void aPageThatIsRightPassesAndAPhoneHasRulesOfItsOwn() throws Exception {
        Files.writeString(page, Files.readString(page).replace("<b>Bold</b>", ""));
        assertThat(run(page.toString())).isZero();
        assertThat(out.toString()).doesNotContain("\"error\"");
        run("--runs", "--width", "390", page.toString());
        assertThat(out.toString()).contains("\"weight\":300");
    }

    @Test
    void textRolesAreJudgedOverAllPages() throws Exception {
        Path roles = Files.writeString(
                folder.resolve("roles.json"),
                "[{\"role\":\"Text\",\"selector\":\"p\",\"family\":\"Harrow\",\"weight\":400,\"slope\":\"upright\"},"
                        + "{\"role\":\"Title\",\"selector\":\"h1\",\"family\":\"Harrow\",\"weight\":700}]");
        Path other = Files.writeString(
                folder.resolve("other.html"),
                "<!doctype html><link rel=stylesheet href=type.css><p style='font-family: Georgia'>Other</p>");
        assertThat(run("--roles", roles.toString(), page.toString(), other.toString()))
                .isEqualTo(1);
        String[] lines = out.toString().split("\n");
        assertThat(lines).hasSize(2);
        assertThat(lines[0])
                .startsWith("{\"role\":\"Text\",\"selector\":\"p\",\"texts\":3,\"pages\":2,\"verdict\":\"OTHER\","
                        + "\"asked\":{\"family\":\"Harrow\",\"weight\":400,\"slope\":\"upright\"},\"shown\":[")
                .contains("\"family\":\"Georgia\",\"weight\":400,\"slope\":\"upright\",\"faked\":[],\"texts\":1,"
                        + "\"page\":\"" + other.toUri() + "\"")
                .contains("\"winner\":{\"property\":\"font-family\",\"selector\":\"style\",\"sheet\":\"" + other.toUri()
                        + "\",\"line\":1,\"value\":\"Georgia\",\"important\":false,\"layer\":null,\"via\":null}")
                .contains("\"override\":\"p { font-family: \\\"Harrow\\\", \\\"Georgia\\\" !important; }\"");
        assertThat(lines[1])
                .contains("\"texts\":0,\"pages\":0,\"verdict\":\"NOT_FOUND\"")
                .endsWith("\"shown\":[]}");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "{ | a list such as",
                "[1] | a list such as",
                "[{\"role\":\"A\"}] | each role needs “selector”",
                "[{\"role\":\"A\",\"selector\":\"h1 >\",\"family\":\"F\"}] | isn't a selector",
                "[{\"role\":\"A\",\"selector\":\"h1\",\"family\":\"F\",\"weight\":1001}] | write 1 to 1000",
                "[{\"role\":\"A\",\"selector\":\"h1\",\"family\":\"F\",\"slope\":\"left\"}] | write upright, italic or oblique",
                "[{\"role\":[],\"selector\":\"h1\",\"family\":\"F\"}] | has to be a text or a number"
            })
    void aFileOfRolesThatIsNoneSaysWhy(String json, String why) throws Exception {
        Path roles = Files.writeString(folder.resolve("roles.json"), json);
        assertThat(run("--roles", roles.toString(), page.toString())).isEqualTo(2);
        assertThat(err.toString()).contains("--roles " + roles + ": ").contains(why);
        assertThat(err.toString().strip().lines()).hasSize(1);
        assertThat(run("--roles", folder.resolve("none.json").toString(), page.toString()))
                .isEqualTo(2);
        assertThat(err.toString()).contains("couldn't read the file");
    }

    @Test
    void mistakesAreOneLineAndTheOtherPagesAreRead() {
        assertThat(run(folder.resolve("none.html").toString(), page.toString(), "--runs"))
                .isEqualTo(1);
        assertThat(err.toString().strip()).isEqualTo(folder.resolve("none.html") + ": there is no such file");
        assertThat(out.toString().lines()).hasSize(2);

        assertThat(run("http://127.0.0.1:9/")).isEqualTo(1);
        assertThat(err.toString()).contains("http://127.0.0.1:9/: 127.0.0.1 leads to 127.0.0.1, which is private");
        assertThat(run(page.toString(), "--width", "0")).isEqualTo(2);
        assertThat(err.toString()).contains("--width 0.0: write 1 to 20000");
        assertThat(run(page.toString(), "--connect-to", "a.example=b:1")).isEqualTo(2);
        assertThat(err.toString()).contains("write HOST:PORT=ADDRESS:PORT");
        assertThat(run(page.toString(), "--connect-to", "a.example:80=b:99999")).isEqualTo(2);
        assertThat(run()).isEqualTo(2);
    }

    private int run(String... arguments) {
        String[] all = new String[arguments.length + 1];
        all[0] = "check";
        System.arraycopy(arguments, 0, all, 1, arguments.length);
        CommandLine command = Unciala.commandLine();
        command.setOut(new PrintWriter(out, true));
        command.setErr(new PrintWriter(err, true));
        return command.execute(all);
    }
}
