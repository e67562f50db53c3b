package app.unciala.core.pack;

import static app.unciala.core.testing.SamplePacks.BOLD;
import static app.unciala.core.testing.SamplePacks.face;
import static app.unciala.core.testing.SamplePacks.request;
import static app.unciala.core.testing.SamplePacks.role;
import static app.unciala.core.testing.SamplePacks.roles;
import static app.unciala.core.testing.SamplePacks.text;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.core.css.TextRole;
import app.unciala.core.pack.PackRequest.Face;
import app.unciala.core.pack.Placement.Kind;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Where the files of a pack are on the host, and how they are named there. */
class PlacementTest {
    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "FOLDER     | url(\"../fonts/harrow-bold.woff2\") | fonts/harrow-bold.woff2",
                "FLAT       | url(\"harrow-bold.woff2\") | harrow-bold.woff2",
                "BASE_URL   | url(\"https://cdn.client.example/f/harrow-bold.woff2\") | fonts/harrow-bold.woff2",
                "EXPRESSION | url(\"<%= asset 'harrow-bold.woff2' %>\") | fonts/harrow-bold.woff2",
                "URL_PER_FILE | url(\"https://cdn.client.example/9/b.woff2\") | fonts/harrow-bold.woff2",
                "INLINE     | url(\"data:font/woff2;base64,AQ==\") | fonts/harrow-bold.woff2"
            })
    void eachPlacementRefersToFilesInItsWay(Kind kind, String url, String path) {
        Placement placement = new Placement(
                kind,
                "../fonts/",
                "https://cdn.client.example/f",
                "<%= asset '{file}' %>",
                Map.of("harrow-bold.woff2", "https://cdn.client.example/9/b.woff2"),
                new FileNames(FileNames.Rule.HYPHENS, false));
        placement.check();

        Pack pack = PackWriter.write(
                request(placement, OutputShape.STYLE_SHEET, roles("Harrow"), List.of(face("Harrow", BOLD))));

        assertThat(text(pack, "type.css")).contains("src: " + url + " format(\"woff2\");");
        assertThat(pack.entries().get(0).path()).isEqualTo(path);
        assertThat(text(pack, "specimen.html")).contains(kind == Kind.INLINE ? "data:font" : path);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "FOLDER | ../assets/fonts | '' | href=\"/assets/fonts/harrow-bold.woff2\"",
                "FOLDER | fonts | '' | href=\"fonts/harrow-bold.woff2\"",
                "EXPRESSION | '' | {{ \"{file}\" }} | href='{{ \"harrow-bold.woff2\" }}'",
                "EXPRESSION | '' | <?= a('{file}') ?> | href=\"<?= a('harrow-bold.woff2') ?>\""
            })
    void whatIsSeenFirstIsAskedForWhereThePageFindsIt(Kind kind, String folder, String expression, String href) {
        Placement placement =
                new Placement(kind, folder, "", expression, Map.of(), new FileNames(FileNames.Rule.HYPHENS, false));
        PackRequest request = request(
                placement,
                OutputShape.STYLE_SHEET,
                List.of(role(TextRole.HEADINGS, "Harrow", BOLD)),
                List.of(face("Harrow", BOLD)));
        assertThat(text(PackWriter.write(request), "instructions.html")).contains(Markup.escaped(href));
    }

    @ParameterizedTest
    @CsvSource({
        "KEEP, Tärnow, Tärnow-Bold",
        "HYPHENS, Tärnow, tarnow-bold",
        "HYPHENS, Straße Łódź, strasse-lodz-bold",
        "LETTERS_AND_DIGITS, Tärnow 3, tarnow3bold",
        "HYPHENS, 日本, bold",
        "KEEP, a/b:c*?, abc-Bold"
    })
    void filesAreNamedAsTheHostTakesThem(FileNames.Rule rule, String family, String stem) {
        Placement placement = new Placement(Kind.FLAT, "", "", "", Map.of(), new FileNames(rule, false));

        assertThat(PackWriter.fileNames(
                        request(placement, OutputShape.STYLE_SHEET, List.of(), List.of(face(family, BOLD)))))
                .containsExactly(stem + ".woff2");
    }

    @Test
    void namesThatTheRuleMakesAlikeAreToldApart() {
        Placement placement =
                new Placement(Kind.FLAT, "", "", "", Map.of(), new FileNames(FileNames.Rule.LETTERS_AND_DIGITS, false));
        List<Face> faces = List.of(face("Tar now", BOLD), face("Tärnow", BOLD), face("TARNOW", BOLD));

        assertThat(PackWriter.fileNames(request(placement, OutputShape.STYLE_SHEET, List.of(), faces)))
                .containsExactly("tarnowbold.woff2", "tarnowbold2.woff2", "tarnowbold3.woff2");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "https://cdn.example/f/                       | https://cdn.example/f/x.woff2",
                "https://cdn.example/f                        | https://cdn.example/f/x.woff2",
                "https://cdn.example                          | https://cdn.example/x.woff2",
                "https://cdn.example/f/harrow-bold.woff2      | https://cdn.example/f/x.woff2",
                "https://cdn.example/f/harrow.ttf?v=12#iefix  | https://cdn.example/f/x.woff2",
                "//cdn.example/f/harrow.woff                  | https://cdn.example/f/x.woff2",
                "url(\"https://cdn.example/f/harrow.woff2\")   | https://cdn.example/f/x.woff2",
                "'https://cdn.example/f/'                     | https://cdn.example/f/x.woff2",
                "/assets/fonts/harrow.woff2                   | /assets/fonts/x.woff2",
                "../fonts                                     | ../fonts/x.woff2",
                "https://cdn.example/get?file=                | https://cdn.example/get?file=x.woff2"
            },
            quoteCharacter = '`')
    void aBaseIsTakenFromTheAddressOfAnyFile(String copied, String url) {
        Placement base =
                new Placement(Kind.BASE_URL, "", copied, "", Map.of(), new FileNames(FileNames.Rule.KEEP, false));
        assertThat(base.normalized().url("x.woff2")).isEqualTo(url);
        assertThat(base.normalized().normalized()).isEqualTo(base.normalized());
    }

    @Test
    void filesKeepTheAddressesThatTheirHostGaveThem() {
        List<String> files = List.of("harrow-bold.woff2", "harrow-light.woff2", "harrow.woff2");
        String pasted = """
                //cdn.client.example/harrow-bold.woff2?v=1700000000
                harrow-light.woff2 /file/8f3a12
                harrow.woff2\turl('../uploads/2f/asset?id=77')
                """;
        assertThat(Placement.matched(pasted, files))
                .isEqualTo(Map.of(
                        "harrow-bold.woff2", "https://cdn.client.example/harrow-bold.woff2?v=1700000000",
                        "harrow-light.woff2", "/file/8f3a12",
                        "harrow.woff2", "../uploads/2f/asset?id=77"));
    }

    @Test
    void addressesAreMatchedToFiles() {
        List<String> files = List.of("harrow-bold.woff2", "harrow-bold-italic.woff2");
        String pasted = """
                https://cdn.client.example/1/Harrow-Bold.woff2

                harrow-bold-italic.woff2 https://cdn.client.example/2/abc123
                """;

        assertThat(Placement.matched(pasted, files))
                .isEqualTo(Map.of(
                        "harrow-bold.woff2", "https://cdn.client.example/1/Harrow-Bold.woff2",
                        "harrow-bold-italic.woff2", "https://cdn.client.example/2/abc123"));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "http://cdn.client.example/harrow-bold.woff2 | must begin with https",
                "cdn.client.example/harrow-bold.woff2 | isn’t an address",
                "https://cdn.client.example/tern.woff2 | none of the files",
                "https://cdn.client.example/a-harrow-bold-italic-x.woff2 | several files",
                "harrow-bold.woff2 https://a.example/1;harrow-bold.woff2 https://a.example/2 | has its address already",
                "harrow-bold.woff2 https://a.example/1;harrow-bold-italic.woff2 https://a.example/1 | another file"
            })
    void addressesThatFitNoFileAreRefused(String line) {
        String[] parts = line.split(" \\| ");

        assertThatThrownBy(() -> Placement.matched(
                        parts[0].replace(';', '\n'), List.of("harrow-bold.woff2", "harrow-bold-italic.woff2")))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining(parts[1]);
    }

    @Test
    void aPlacementThatCannotWorkIsRefused() {
        FileNames names = new FileNames(FileNames.Rule.KEEP, false);
        for (Placement wrong : List.of(
                new Placement(Kind.EXPRESSION, "", "", "{{ asset }}", Map.of(), names),
                new Placement(Kind.BASE_URL, "", "http://a.example/", "", Map.of(), names),
                new Placement(Kind.BASE_URL, "", "fonts", "", Map.of(), names),
                new Placement(Kind.FOLDER, "C:\\fonts", "", "", Map.of(), names),
                new Placement(Kind.FOLDER, " ", "", "", Map.of(), names),
                new Placement(Kind.URL_PER_FILE, "", "", "", Map.of("a", "a b"), names))) {
            assertThatThrownBy(wrong::check).isInstanceOf(IllegalArgumentException.class);
        }
    }
}
