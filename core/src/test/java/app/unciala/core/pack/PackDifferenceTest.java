package app.unciala.core.pack;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.pack.Pack.Entry;
import app.unciala.core.pack.PackDifference.ChangedFile;
import java.nio.charset.StandardCharsets;
import java.util.List;
import org.junit.jupiter.api.Test;

class PackDifferenceTest {
    private static final Entry RULES = entry("type.css", "h1 {\n  color: red;\n}\np { margin: 0 }");

    @Test
    void equalPacksDifferInNothing() {
        Pack pack = new Pack(List.of(entry("fonts/a-1a2b3c4d.woff2", "bytes"), RULES));
        assertThat(PackDifference.between(pack, pack)).isEqualTo(new PackDifference(List.of(), List.of(), List.of()));
    }

    @Test
    void aFileWithAnotherDigestInItsNameIsTheSameFile() {
        assertThat(between(
                                List.of(entry("fonts/a-1a2b3c4d.woff2", "bytes"), entry("fonts/old.woff2", "gone")),
                                List.of(
                                        entry("fonts/a-00112233.woff2", "longer bytes"),
                                        entry("fonts/new.woff2", "new")))
                        .files())
                .containsExactly(
                        new ChangedFile("fonts/a-00112233.woff2", 5, 12),
                        new ChangedFile("fonts/new.woff2", 0, 3),
                        new ChangedFile("fonts/old.woff2", 4, 0));
    }

    @Test
    void filesThatDifferOnlyInTheirDigestsAreBothKept() {
        List<Entry> two = List.of(entry("a-1a2b3c4d.woff2", "one"), entry("a-00112233.woff2", "two"));
        assertThat(between(two, two).files()).isEmpty();
        assertThat(between(two, two.subList(0, 1)).files()).containsExactly(new ChangedFile("a-00112233.woff2", 3, 0));
    }

    @Test
    void rulesAreComparedWithoutTheirSpaces() {
        PackDifference difference =
                between(List.of(RULES), List.of(entry("type.css", "h1 { color: red; }\n/* note */ p { margin: 1px }")));
        assertThat(difference.came()).containsExactly("p { margin: 1px }");
        assertThat(difference.went()).containsExactly("p { margin: 0 }");
    }

    @Test
    void aFontInsideARuleIsItsLength() {
        Entry inline = entry(
                "head.html",
                "<style>\n@font-face { src: url(data:font/woff2;base64," + "A".repeat(400) + ") }\n</style>");
        assertThat(between(List.of(), List.of(inline)).came())
                .containsExactly("@font-face { src: url(data:font/woff2;base64,… (300 bytes)) }");
    }

    private static PackDifference between(List<Entry> before, List<Entry> after) {
        return PackDifference.between(new Pack(before), new Pack(after));
    }

    private static Entry entry(String path, String text) {
        return new Entry(path, text.getBytes(StandardCharsets.UTF_8));
    }
}
