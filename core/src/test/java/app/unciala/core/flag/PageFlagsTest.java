package app.unciala.core.flag;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.check.ThirdParties.ThirdParty;
import app.unciala.core.css.TextRole;
import app.unciala.core.domain.DomainName;
import app.unciala.core.domain.DomainPattern;
import app.unciala.core.flag.LatestCheck.Decider;
import app.unciala.core.flag.LatestCheck.OtherRole;
import app.unciala.core.flag.LatestCheck.Shown;
import app.unciala.core.flag.LatestCheck.ShownInstead;
import app.unciala.core.flag.LatestCheck.Trouble;
import app.unciala.core.flag.Snapshot.Ask;
import app.unciala.core.flag.Snapshot.Family;
import app.unciala.core.flag.Snapshot.Site;
import app.unciala.core.license.Act;
import app.unciala.core.license.Clause;
import app.unciala.core.license.Coverage;
import app.unciala.core.license.FaceUse.Place;
import app.unciala.core.license.License;
import app.unciala.core.license.Period;
import app.unciala.core.license.PermittedDomains;
import app.unciala.core.license.PermittedDomains.Counting;
import app.unciala.core.page.PageFinding.Kind;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What is flagged of the latest check of a site on two hosts that asks for nothing. */
class PageFlagsTest {
    private static final LocalDate TODAY = LocalDate.of(2030, 5, 10);
    private static final String PAGE = "https://tarn.example/";
    private static final Slot REGULAR = Slot.of(400, 100, Slope.UPRIGHT);

    private final List<Trouble> troubles = new ArrayList<>();
    private final List<ThirdParty> others = new ArrayList<>();
    private final List<Shown> shown = new ArrayList<>();
    private final List<OtherRole> roles = new ArrayList<>();
    private final List<String> wrongFiles = new ArrayList<>();
    private final List<Ask> asks = new ArrayList<>();
    private Clause throughOthers = Clause.REFUSED;

    @Test
    void aCheckThatFoundNothingGivesNoFlag() {
        assertThat(flags()).isEmpty();
    }

    @ParameterizedTest
    @CsvSource({
        "OWN_COPY_BROKEN, OWN_COPY_BROKEN, MISSING, STOP",
        "FAKED_BOLD, FAKED_ON_PAGE, MISSING, STOP",
        "FAKED_ITALIC, FAKED_ON_PAGE, MISSING, STOP",
        "UNDECLARED_FAMILY, NAME_NOT_DECLARED, MISSING, STOP",
        "UNREACHABLE, FILE_NOT_REACHED, MISSING, STOP",
        "OTHER_ORIGIN, FILE_NOT_REACHED, MISSING, STOP",
        "SHARE_LINK, NOT_A_FONT_THERE, MISSING, STOP",
        "FALLBACK, GIVEN_OTHERWISE, MISSING, WARN",
        "MISSING_CHARACTERS, CHARACTERS_ON_PAGE, MISSING, WARN",
        "NO_GENERIC, NO_GENERIC_ON_PAGE, MISSING, WARN",
        "DUPLICATE_FACE, TWICE_ON_PAGE, DUPLICATE, WARN",
        "UNUSED_PRELOAD, NOT_USED_ON_PAGES, SURPLUS, WARN",
    })
    void whatIsWrongOnPagesIsOneFlagOfItsKind(Kind found, FlagKind kind, FlagGroup group, Flag.Severity severity) {
        troubles.add(new Trouble(found, PAGE, "This is wrong."));
        troubles.add(new Trouble(found, PAGE + "b", "This is wrong."));
        Flag flag = only(kind);
        assertThat(flag.kind().group()).isEqualTo(group);
        assertThat(flag.kind().severity()).isEqualTo(severity);
        assertThat(flag.action()).isEqualTo(NextAction.OPEN_CHECK);
        assertThat(flag.reason()).isEqualTo("The check of May 9, 2030 found it on 2 pages.");
        assertThat(flag.evidence()).containsExactly(PAGE + ": This is wrong.", PAGE + "b: This is wrong.");
        assertThat(flag.identity()).isEqualTo("1|" + kind + "|site=s");
    }

    @ParameterizedTest
    @EnumSource(
            value = Kind.class,
            names = {"THIRD_PARTY", "INSECURE_URL", "WRONG_MEDIA_TYPE", "NOT_COMPRESSED", "GIVEN_UP", "NO_CACHING"})
    void whatChangesNothingForVisitorsStaysOnThePage(Kind found) {
        troubles.add(new Trouble(found, PAGE, "This is worth knowing."));
        assertThat(flags()).isEmpty();
    }

    @Test
    void aFaceIsNotUsedOnlyIfNoPageUsesIt() {
        troubles.add(new Trouble(Kind.UNUSED_FACE, PAGE, "Harrow Bold is not used."));
        assertThat(flags()).isEmpty();
        troubles.add(new Trouble(Kind.UNUSED_FACE, PAGE + "b", "Harrow Bold is not used."));
        assertThat(only(FlagKind.NOT_USED_ON_PAGES).evidence()).hasSize(2);
    }

    @Test
    void eachHostOfOthersIsAFlagOfPrivacy() {
        others.add(new ThirdParty(
                "letters.example",
                List.of("https://letters.example/a.css"),
                List.of("f1", "f2"),
                List.of("https://letters.example/"),
                List.of(),
                12));
        Flag flag = only(FlagKind.THIRD_PARTY);
        assertThat(flag.kind().group()).isEqualTo(FlagGroup.PRIVACY);
        assertThat(flag.title()).isEqualTo("Tarn fetches from letters.example");
        assertThat(flag.reason()).contains("1 style sheet and 2 fonts could be the site’s own");
        assertThat(flag.identity()).endsWith("|site=s|domain=letters.example");
    }

    @Test
    void aFontThatNobodyRecordedIsUnlicensedOnceForItsDrawing() {
        shown.add(shown(Optional.empty(), "tarn.example", false));
        shown.add(shown(Optional.empty(), "shop.tarn.example", false));
        Flag flag = only(FlagKind.FOUND_NOT_RECORDED);
        assertThat(flag.title()).isEqualTo("Harrow Regular on Tarn is not in the inventory");
        assertThat(flag.action()).isEqualTo(NextAction.TAKE_IN);
        assertThat(flag.subject().digest()).contains("drawing");
        assertThat(flag.evidence()).hasSize(2);
    }

    @Test
    void aFontThatIsHeldMustBeAllowedOnTheVeryHost() {
        shown.add(shown(Optional.of("f"), "tarn.example", false));
        assertThat(flags()).isEmpty();
        shown.add(shown(Optional.of("f"), "shop.tarn.example", false));
        Flag flag = only(FlagKind.FOUND_NOT_ALLOWED);
        assertThat(flag.title()).isEqualTo("Harrow on shop.tarn.example is not allowed");
        assertThat(flag.subject().domain()).contains("shop.tarn.example");
        asks.add(new Ask(TextRole.RUNNING_TEXT, "f", REGULAR));
        assertThat(flags())
                .as("what a text role asks for is decided there")
                .extracting(Flag::kind)
                .doesNotContain(FlagKind.FOUND_NOT_ALLOWED);
    }

    @Test
    void anotherFaceOfAFamilyThatIsAskedForMustBeAllowedAndSoMustAThirdParty() {
        asks.add(new Ask(TextRole.RUNNING_TEXT, "f", Slot.of(700, 100, Slope.UPRIGHT)));
        shown.add(shown(Optional.of("f"), "shop.tarn.example", false));
        assertThat(flags())
                .as("no role asks for the regular, and its domain is not permitted")
                .extracting(Flag::kind)
                .contains(FlagKind.FOUND_NOT_ALLOWED);
        asks.add(new Ask(TextRole.CAPTIONS, "f", REGULAR));
        assertThat(flags()).extracting(Flag::kind).doesNotContain(FlagKind.FOUND_NOT_ALLOWED);
        shown.add(shown(Optional.of("f"), "tarn.example", true));
        assertThat(flags())
                .as("it is asked for, but a third party serves it")
                .extracting(Flag::kind)
                .contains(FlagKind.FOUND_NOT_ALLOWED);
    }

    @Test
    void comingThroughAHostOfOthersMustBeGrantedToo() {
        shown.add(shown(Optional.of("f"), "tarn.example", true));
        only(FlagKind.FOUND_NOT_ALLOWED);
        throughOthers = Clause.GRANTED;
        assertThat(flags()).isEmpty();
    }

    @Test
    void aRoleThatPagesShowOtherwiseIsAFlagOfItsOwnWithWhatDecides() {
        Decider theme = new Decider(
                "font-family",
                "var(--heading), serif",
                ".theme h2",
                Optional.of("https://tarn.example/css/theme.css"),
                12);
        roles.add(new OtherRole(
                "HEADINGS",
                "Headings",
                "Harrow",
                700,
                Slope.UPRIGHT,
                List.of(
                        new ShownInstead(
                                PAGE,
                                2,
                                "Harrow",
                                400,
                                List.of("bold"),
                                List.of(),
                                Optional.empty(),
                                "There is no file."),
                        new ShownInstead(
                                PAGE + "b", 5, "Georgia", 700, List.of(), List.of(), Optional.of(theme), ""))));
        Flag flag = only(FlagKind.ROLE_NOT_REACHED);
        assertThat(flag.title()).isEqualTo("Headings on Tarn: texts aren’t shown in Harrow 700");
        assertThat(flag.reason())
                .isEqualTo("The check of May 9, 2030 found 7 texts in Georgia 700 and Harrow 400, faked bold."
                        + " “.theme h2” (theme.css, line 12) decides: font-family: var(--heading), serif.");
        assertThat(flag.identity()).isEqualTo("1|ROLE_NOT_REACHED|site=s|role=HEADINGS");
        assertThat(flag.evidence()).hasSize(2).contains(PAGE + "b: 5 texts in Georgia 700");
    }

    @Test
    void aRoleInItsFaceButInAnotherSizeIsSaidAsThat() {
        List<String> measures = List.of("font-size 28px instead of 2rem (32px)");
        roles.add(new OtherRole(
                "HEADINGS",
                "Headings",
                "Harrow",
                700,
                Slope.UPRIGHT,
                List.of(new ShownInstead(PAGE, 2, "Harrow", 700, List.of(), measures, Optional.empty(), "Why."))));
        Flag flag = only(FlagKind.ROLE_NOT_REACHED);
        assertThat(flag.title()).isEqualTo("Headings on Tarn: texts don’t have the size or spacing that was chosen");
        assertThat(flag.reason()).contains("2 texts in Harrow 700, font-size 28px instead of 2rem (32px).");
    }

    @Test
    void anotherFileAtTheAddressOfAFontIsOneFlag() {
        wrongFiles.add("Harrow Bold at https://tarn.example/harrow.woff2, where harrow.woff2 of the pack belongs.");
        assertThat(only(FlagKind.WRONG_FILE_THERE).reason())
                .isEqualTo("The check of May 9, 2030 found Harrow Bold at https://tarn.example/harrow.woff2, where"
                        + " harrow.woff2 of the pack belongs.");
    }

    private static Shown shown(Optional<String> family, String host, boolean fromOthers) {
        return new Shown(
                "Harrow Regular",
                "drawing",
                family,
                REGULAR,
                FontFormat.WOFF2,
                "https://" + host + "/harrow.woff2",
                "https://" + host + "/",
                DomainName.parse(host),
                fromOthers);
    }

    private Flag only(FlagKind kind) {
        List<Flag> flags = flags();
        assertThat(flags).extracting(Flag::kind).containsExactly(kind);
        return flags.get(0);
    }

    private List<Flag> flags() {
        Site site = new Site(
                        "s",
                        "Tarn",
                        "client",
                        Stream.of("tarn.example", "shop.tarn.example")
                                .map(host -> Place.live(DomainName.parse(host)))
                                .toList(),
                        asks)
                .with(new LatestCheck(TODAY.minusDays(1), 2, troubles, others, shown, roles, wrongFiles));
        License license = License.named("l", "The license")
                .covers(List.of(new Coverage("f", List.of())))
                .acts(Map.of(Act.SERVE, Clause.GRANTED, Act.THIRD_PARTY, throughOthers))
                .domains(new PermittedDomains(
                        false,
                        List.of(DomainPattern.parse("tarn.example")),
                        OptionalInt.empty(),
                        Counting.HOST,
                        Clause.REFUSED,
                        Clause.NOT_STATED,
                        false))
                .anyFormat(true)
                .period(new Period(Optional.empty(), Optional.empty(), 30, false))
                .hasProof(true)
                .build();
        Snapshot snapshot =
                new Snapshot(TODAY, List.of(new Family("f", "Harrow", List.of())), List.of(license), List.of(site));
        return Comparison.compare(snapshot, Scope.of(Stream.of(Owner.site("s"))));
    }
}
