package app.unciala.core.page;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.tuple;

import app.unciala.core.check.SiteRoles;
import app.unciala.core.check.SiteRoles.Result;
import app.unciala.core.check.SiteRoles.Verdict;
import app.unciala.core.css.TextSetting;
import app.unciala.core.css.cascade.TextStyle.CustomProperty;
import app.unciala.core.css.cascade.Viewport;
import app.unciala.core.css.cascade.Winner;
import app.unciala.core.css.cascade.Winner.Place;
import app.unciala.core.page.Resources.Resource;
import app.unciala.font.face.Slope;
import app.unciala.testing.RealFonts;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** Text roles on pages; e2e/tests/roles.spec.ts holds verdicts and overrides against what Chromium paints. */
class RolesOnPageTest {
    private static final String PAGE = "https://client.example/";
    private static final byte[] FONT = RealFonts.small();
    private static final String FACE = "@font-face{font-family:Asked;src:url(f.ttf)}"
            + "@font-face{font-family:Asked;src:url(f.ttf?b);font-weight:700}";
    private static final AskedRole TITLE = AskedRole.of("Page title", "h1", "Asked", 700, Slope.UPRIGHT);
    private static final AskedRole TEXT = AskedRole.of("Running text", "body", "Asked", 400, Slope.UPRIGHT);

    private static List<Result> read(String css, String body, AskedRole... roles) {
        String html = "<!doctype html><style>" + FACE + css + "</style>" + body;
        PageReader reader = new PageReader(
                (url, use) -> url.equals(PAGE)
                        ? resource(url, "text/html", html.getBytes(StandardCharsets.UTF_8))
                        : resource(url, "font/ttf", FONT),
                Viewport.LAPTOP);
        SiteRoles all = new SiteRoles(List.of(roles));
        all.add(reader.roles(reader.read(PAGE), List.of(roles)));
        return all.all();
    }

    private static Resource resource(String url, String type, byte[] bytes) {
        return new Resource(url, 200, Map.of("content-type", type), bytes, Optional.empty());
    }

    private static RoleShown wrong(String css, String body) {
        Result title = read(css, body, TITLE, TEXT).get(0);
        assertThat(title.verdict()).isEqualTo(Verdict.OTHER);
        return title.shown().stream()
                .filter(shown -> !shown.asAsked())
                .findFirst()
                .orElseThrow();
    }

    @Test
    void eachTextHasTheRoleOfTheNearestElementThatARoleSelects() {
        List<Result> roles = read(
                "body{font-family:Asked}h1{font-weight:700}",
                "<h1>A <em>title</em></h1><p>One <b>two</b></p><button>Go</button>",
                TITLE,
                TEXT,
                AskedRole.of("Quotes", "blockquote", "Asked", 400, Slope.UPRIGHT));
        assertThat(roles).extracting(Result::texts).containsExactly(2, 2, 0);
        assertThat(roles).extracting(Result::pages).containsExactly(1, 1, 0);
        assertThat(roles)
                .extracting(Result::verdict)
                .as("the emphasis is faked, and nothing is a quote")
                .containsExactly(Verdict.OTHER, Verdict.AS_ASKED, Verdict.NOT_FOUND);
        assertThat(roles.get(0).shown().get(1).faked()).containsExactly("oblique");
        assertThat(roles.get(0).shown().get(1).why()).contains("no file for this weight and slope");
    }

    @Test
    void aCustomPropertyIsFollowedToWhereItIsSetAndOverriddenWhereItIsNamed() {
        RoleShown shown = wrong(
                ":root{--preset:Georgia;--heading:var(--preset)}h1{font-family:var(--heading)}h1{font-weight:700}"
                        + "body{font-family:Asked}",
                "<h1>Title</h1><p>Text");
        Winner winner = shown.winner().orElseThrow();
        assertThat(winner.rule().selector()).isEqualTo("h1");
        assertThat(winner.value()).isEqualTo("var(--heading)");
        assertThat(winner.via()).extracting(CustomProperty::name).containsExactly("--heading", "--preset");
        assertThat(shown.override()).contains(":root { --heading: \"Asked\", Georgia; }");
        assertThat(shown.overrideAnywhere())
                .as("before the theme's style sheet, too")
                .contains(":root:root { --heading: \"Asked\", Georgia; }");
    }

    @Test
    void aPropertyThatOtherRolesNeedIsLeftAlone() {
        RoleShown shown = wrong(
                ":root{--all:Georgia}h1{font-family:var(--all)}body{font-family:Asked}p{font-family:var(--all)}"
                        + "p{font-family:Asked}h1{font-weight:700}",
                "<h1 style='--all:Georgia'>Title</h1><p>Text");
        assertThat(shown.override()).contains("h1 { font-family: \"Asked\", \"Georgia\"; }");
        assertThat(shown.overrideAnywhere()).contains(":root h1 { font-family: \"Asked\", \"Georgia\"; }");
    }

    @Test
    void theShorthandALayerAndAnInlineStyleAreNamedAndBeaten() {
        RoleShown shorthand = wrong("body .x h1{font:400 2em Georgia}", "<div class=x><h1>Title</h1></div>");
        assertThat(shorthand.winner().orElseThrow().property()).isEqualTo("font");
        assertThat(shorthand.override())
                .contains(":root:root h1 { font-family: \"Asked\", \"Georgia\"; font-weight: 700; }");

        RoleShown layer = wrong("@layer a,b;@layer a.c{h1{font-family:Georgia!important}}", "<h1>Title</h1>");
        assertThat(layer.winner().orElseThrow().layer()).contains("a.c");
        assertThat(layer.override()).contains("@layer a.c { h1 { font-family: \"Asked\", \"Georgia\" !important; } }");

        RoleShown inline = wrong("", "<h1 style='font-family:Georgia'>Title</h1>");
        assertThat(inline.winner().orElseThrow().place()).isEqualTo(Place.STYLE_ATTRIBUTE);
        assertThat(inline.override()).contains("h1 { font-family: \"Asked\", \"Georgia\" !important; }");
    }

    @Test
    void whatNoStyleSheetCanOverrideIsSaid() {
        RoleShown inline = wrong("", "<h1 style='font-family:Georgia!important'>Title</h1>");
        assertThat(inline.override()).isEmpty();
        assertThat(inline.why()).contains("style attribute says !important");

        RoleShown layer = wrong("@layer{h1{font-family:Georgia!important}}", "<h1>Title</h1>");
        assertThat(layer.override()).isEmpty();
        assertThat(layer.why()).contains("layer without a name");

        AskedRole other = AskedRole.of("Page title", "h1", "Nowhere", 700, Slope.UPRIGHT);
        Result undeclared = read("", "<h1>Title</h1>", other).get(0);
        assertThat(undeclared.shown().get(0).override()).isEmpty();
        assertThat(undeclared.shown().get(0).why()).isEqualTo("No rule on the page declares Nowhere.");

        AskedRole heavy = AskedRole.of("Page title", "h1", "Asked", 800, Slope.UPRIGHT);
        Result weight = read("h1{font:700 1em Asked}", "<h1>Title</h1>", heavy).get(0);
        assertThat(weight.shown().get(0).weight()).isEqualTo(700);
        assertThat(weight.shown().get(0).override()).isEmpty();
    }

    @Test
    void sizeLineHeightAndSpacingsThatARoleSaysAreHeldAgainstTheTexts() {
        AskedRole title = TITLE.with(new TextSetting("clamp(1rem, 2em, 40px)", "1.2", "-0.01em", ""));
        String asked = "h1{font-family:Asked;font-weight:700;";
        assertThat(read(asked + "font-size:32px;line-height:38.4px;letter-spacing:-.32px}", "<h1>A title</h1>", title)
                        .get(0)
                        .verdict())
                .as("the same in other words")
                .isEqualTo(Verdict.AS_ASKED);

        String css = asked + "letter-spacing:-.01em}.hero h1{font:700 28px/1.4 Asked}";
        RoleShown shown =
                read(css, "<div class=hero><h1>A <small>title</small></h1></div>", title).get(0).shown().stream()
                        .filter(one -> !one.asAsked())
                        .findFirst()
                        .orElseThrow();
        assertThat(shown.measures())
                .extracting(OtherMeasure::property, OtherMeasure::asked, OtherMeasure::shown)
                .containsExactly(
                        tuple("font-size", "clamp(1rem, 2em, 40px) (32px)", "28px"),
                        tuple("line-height", "1.2", "1.4"),
                        tuple("letter-spacing", "-0.01em (-0.32px)", "-0.28px"));
        assertThat(shown.winner().orElseThrow().rule().selector()).isEqualTo(".hero h1");
        assertThat(shown.override())
                .contains(":root h1 { font-size: clamp(1rem, 2em, 40px); line-height: 1.2; }\n"
                        + "h1 { letter-spacing: -0.01em; }");
    }

    @Test
    void anElementInsideTakesOverTheSizeOfTheRoleAndSmallPrintStaysSmall() {
        AskedRole text = TEXT.with(new TextSetting("18px", "1.5", "", "0.1em"));
        List<Result> roles = read(
                "body{font:18px/1.5 Asked;word-spacing:1.8px}p span{font-size:22px}",
                "<p>One <small>two</small> <sup>3</sup> <span>four</span>",
                text);
        assertThat(roles.get(0).shown()).extracting(RoleShown::texts).containsExactly(3, 1);
        RoleShown span = roles.get(0).shown().get(1);
        assertThat(span.asAsked()).isFalse();
        assertThat(span.override()).contains("body span { font-size: inherit; }");

        RoleShown inline = read(
                        "p{font-family:Asked}",
                        "<p style='font-size:1px!important'>One",
                        AskedRole.of("Text", "p", "Asked", 400, Slope.UPRIGHT)
                                .with(new TextSetting("18px", "", "", "")))
                .get(0)
                .shown()
                .get(0);
        assertThat(inline.override()).isEmpty();
        assertThat(inline.why()).contains("style attribute says !important");
    }

    @ParameterizedTest
    @ValueSource(strings = {"", "h1 >", "h1, ", "{}", "h1 { color: red } h2", ":nonsense(", "h1; h2"})
    void aSelectorThatIsNoneIsRefused(String selector) {
        assertThatThrownBy(() -> AskedRole.of("Role", selector, "Asked", 400, Slope.UPRIGHT))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageContaining("isn't a selector");
    }

    @Test
    void aRoleOfEverythingAndOneOfAPseudoElementAreJudged() {
        AskedRole everything = AskedRole.of("All", "*", "Asked", 400, Slope.UPRIGHT);
        AskedRole icon = AskedRole.of("Icons", "i::before", "Asked", 400, Slope.UPRIGHT);
        List<Result> roles = read(
                "body{font-family:Asked}i::before{content:'x';font-family:Georgia}",
                "<p>Text <i></i></p>",
                everything,
                icon);
        assertThat(roles).extracting(Result::texts).containsExactly(1, 1);
        assertThat(roles).extracting(Result::verdict).containsExactly(Verdict.AS_ASKED, Verdict.OTHER);
    }
}
