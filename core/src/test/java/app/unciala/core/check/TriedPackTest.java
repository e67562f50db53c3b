package app.unciala.core.check;

import static app.unciala.core.testing.SamplePacks.REGULAR;
import static app.unciala.core.testing.SamplePacks.face;
import static app.unciala.core.testing.SamplePacks.request;
import static app.unciala.core.testing.SamplePacks.role;
import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.css.TextRole;
import app.unciala.core.css.cascade.Viewport;
import app.unciala.core.pack.FileNames;
import app.unciala.core.pack.OutputShape;
import app.unciala.core.pack.Pack;
import app.unciala.core.pack.PackRequest.Face;
import app.unciala.core.pack.PackRequest.Notice;
import app.unciala.core.pack.PackRequest.Role;
import app.unciala.core.pack.PackWriter;
import app.unciala.core.pack.Placement;
import app.unciala.core.page.AskedRole;
import app.unciala.core.page.PageReader;
import app.unciala.core.page.PageReading;
import app.unciala.core.page.Resources;
import app.unciala.core.page.Resources.Resource;
import app.unciala.core.page.RoleShown;
import app.unciala.core.page.Run;
import app.unciala.core.page.TriedSheet;
import app.unciala.font.face.Slope;
import app.unciala.testing.RealFonts;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.assertj.core.groups.Tuple;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** Packs tried on pages of a host that has nothing of them. */
class TriedPackTest {
    private static final String PAGE = "https://client.example/shop/";
    private static final String THEME = "<!doctype html><base href='https://cdn.client.example/'>"
            + "<style>:root{--heading:Georgia}h2{font-family:var(--heading)}</style>"
            + "<h2>Title</h2><p>Text <b>bold</b></p>";
    private static final List<AskedRole> ASKED = List.of(
            AskedRole.of("Headings", "h2", "Tärnow “X”", 400, Slope.UPRIGHT),
            AskedRole.of("Running text", "body", "Tärnow “X”", 400, Slope.UPRIGHT));

    private final Resources web = (url, use) -> url.equals(PAGE)
            ? new Resource(
                    url,
                    200,
                    Map.of("content-type", "text/html; charset=utf-8"),
                    THEME.getBytes(StandardCharsets.UTF_8),
                    Optional.empty())
            : Resource.failed(url, "nothing is there");
    private final PageReader reader = new PageReader(web, Viewport.LAPTOP);

    @ParameterizedTest
    @EnumSource(Placement.Kind.class)
    void whatAPackBringsIsSeenBeforeItIsOnTheHostWhereverItsFilesWillBe(Placement.Kind kind) {
        for (String expression : List.of("{{ '{file}' | asset_url }}", "{{ \"{file}\" | asset_url }}", "[{file}]")) {
            Placement placement = new Placement(
                    kind,
                    "../assets",
                    "https://files.client.example/1",
                    expression,
                    Map.of("tarnow-x-regular.woff2", "https://files.client.example/a?id=1"),
                    new FileNames(FileNames.Rule.HYPHENS, false));
            assertThat(tried(OutputShape.STYLE_SHEET, placement).roles())
                    .flatExtracting(role -> role.shown())
                    .extracting(RoleShown::asAsked, RoleShown::faked)
                    .as("the bold is faked, which no pack without one changes")
                    .containsExactly(tuple(true), tuple(true), tuple(false, "bold"));
        }
    }

    @ParameterizedTest
    @EnumSource(OutputShape.class)
    void rulesInEveryShapeAreTriedAsFarAsTheShapeHasThem(OutputShape shape) {
        List<Run> runs = tried(shape, Placement.beside()).reading().runs();
        boolean hasRules =
                shape == OutputShape.STYLE_SHEET || shape == OutputShape.STYLE_BLOCK || shape == OutputShape.APPENDED;
        assertThat(runs).extracting(run -> run.main().family()).startsWith(hasRules ? "Tärnow “X”" : "Georgia");
        assertThat(runs).hasSize(3);
    }

    @Test
    void aLayerThatThePageDoesNotHaveLosesToRulesInNone() {
        PageReading page = reader.read(PAGE);
        TriedSheet sheet =
                new TriedSheet("@layer theme.late { h2 { font-family: Courier } } b { color: red }", Map.of());
        assertThat(reader.with(sheet, page).runs())
                .extracting(run -> run.main().family())
                .startsWith("Georgia");
    }

    @Test
    void aPackWithoutRulesIsNotTried() {
        assertThat(TriedPack.sheet(new Pack(List.of()), Placement.beside())).isEmpty();
    }

    private static Tuple tuple(boolean asAsked, String... faked) {
        return Tuple.tuple(asAsked, List.of(faked));
    }

    private TriedPack tried(OutputShape shape, Placement placement) {
        PageReading page = reader.read(PAGE);
        assertThat(page.runs()).extracting(run -> run.main().family()).startsWith("Georgia");
        TriedSheet sheet = TriedPack.sheet(pack(shape, placement), placement).orElseThrow();
        return TriedPack.on(page, sheet, reader, ASKED);
    }

    private static Pack pack(OutputShape shape, Placement placement) {
        Face face = face("Tärnow “X”", REGULAR, new Notice("OFL.txt", "Copyright"), RealFonts.small());
        List<Role> roles = List.of(
                role(TextRole.HEADINGS, face.family(), REGULAR), role(TextRole.RUNNING_TEXT, face.family(), REGULAR));
        return PackWriter.write(request(placement, shape, roles, List.of(face)));
    }
}
