package app.unciala.core.flag;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.css.TextRole;
import app.unciala.core.domain.DomainName;
import app.unciala.core.domain.DomainPattern;
import app.unciala.core.flag.Snapshot.Ask;
import app.unciala.core.flag.Snapshot.Family;
import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.core.flag.Snapshot.Site;
import app.unciala.core.license.Act;
import app.unciala.core.license.Basis;
import app.unciala.core.license.Clause;
import app.unciala.core.license.Coverage;
import app.unciala.core.license.FaceUse.Place;
import app.unciala.core.license.Holder;
import app.unciala.core.license.License;
import app.unciala.core.license.LicenseBuilder;
import app.unciala.core.license.PageViews;
import app.unciala.core.license.PageViews.Reading;
import app.unciala.core.license.Period;
import app.unciala.core.license.PermittedDomains;
import app.unciala.core.license.PermittedDomains.Counting;
import app.unciala.core.sentence.Sentences;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Embedding;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.font.face.UseMarks;
import app.unciala.font.face.UseMarks.Mark;
import java.time.LocalDate;
import java.time.YearMonth;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.junit.jupiter.api.Test;

class ComparisonTest {
    private static final LocalDate TODAY = LocalDate.of(2030, 5, 10);
    private static final Slot REGULAR = Slot.of(400, 100, Slope.UPRIGHT);
    private static final Slot BOLD = Slot.of(700, 100, Slope.UPRIGHT);

    private final List<HeldFile> files = new ArrayList<>(List.of(
            file("ttf", FontFormat.TTF, REGULAR, "drawing"), file("woff2", FontFormat.WOFF2, REGULAR, "drawing")));
    private final List<License> licenses = new ArrayList<>(List.of(license("client.example", null, true)));
    private final List<Ask> asks = new ArrayList<>(List.of(new Ask(TextRole.RUNNING_TEXT, "f", REGULAR)));
    private List<DomainName> domains = List.of(DomainName.parse("client.example"));

    @Test
    void askedHeldAndAllowedGivesNoFlag() {
        assertThat(compare()).isEmpty();
    }

    @Test
    void aFaceWithoutLicenseIsFlaggedOncePerSiteAndFamily() {
        licenses.clear();
        asks.add(new Ask(TextRole.HEADINGS, "f", REGULAR));
        assertThat(kinds()).containsExactly(FlagKind.NO_LICENSE);
        assertThat(compare().get(0).evidence()).containsExactly("Regular for headings", "Regular for running text");
    }

    @Test
    void aHeldFamilyNobodyAsksForNeedsALicenseToo() {
        licenses.clear();
        asks.clear();
        assertThat(kinds()).containsExactly(FlagKind.NO_LICENSE);
    }

    @Test
    void aFaceWithLessThanHalfTheCharactersOfAnotherIsFlagged() {
        files.add(file("bold", FontFormat.TTF, BOLD, "bold", 100, null));
        assertThat(kinds()).isEmpty();
        files.set(2, file("bold", FontFormat.TTF, BOLD, "bold", 99, null));
        assertThat(kinds()).containsExactly(FlagKind.FEW_CHARACTERS);
        Flag flag = compare().get(0);
        assertThat(flag.title()).isEqualTo("Harrow Bold has few characters");
        assertThat(flag.reason()).isEqualTo("99 characters beside 200 characters in another face; it may be a subset.");
        files.add(file("whole", FontFormat.WOFF2, BOLD, "bold", 150, null));
        assertThat(kinds()).as("the face is held in a whole file too").isEmpty();
    }

    @Test
    void aTrialFileIsFlaggedWhateverItsLicenseSaysAndPersonalUseUntilALicenseGrantsMore() {
        files.set(0, file("ttf", FontFormat.TTF, REGULAR, "drawing", 200, UseMarks.Kind.TRIAL));
        assertThat(kinds()).containsExactly(FlagKind.MARKED_FILE);
        assertThat(compare().get(0).title()).isEqualTo("Harrow Regular says it is a trial");
        assertThat(compare().get(0).reason()).startsWith("Its full name reads “Wendlow Trial”. Put the licensed file");
        files.set(0, file("ttf", FontFormat.TTF, REGULAR, "drawing", 200, UseMarks.Kind.PERSONAL_USE));
        assertThat(kinds()).isEmpty();
        licenses.clear();
        assertThat(kinds()).containsExactly(FlagKind.NO_LICENSE, FlagKind.MARKED_FILE);
    }

    @Test
    void aSiteWithoutDomainsDoesNotHideThatAFamilyHasNoLicense() {
        domains = List.of();
        assertThat(kinds()).isEmpty();
        licenses.clear();
        assertThat(kinds()).containsExactly(FlagKind.NO_LICENSE);
    }

    @Test
    void everyDomainThatIsNotPermittedIsNamed() {
        domains = List.of(DomainName.parse("client.example"), DomainName.parse("other.example"));
        assertThat(kinds()).containsExactly(FlagKind.DOMAIN_NOT_PERMITTED);
        assertThat(compare().get(0).subject().domain()).contains("other.example");
        domains = List.of(DomainName.parse("shop.client.example"));
        assertThat(kinds()).containsExactly(FlagKind.NOT_STATED);
    }

    @Test
    void endedEndingAndUnprovenLicenses() {
        licenses.set(0, license("client.example", TODAY.minusDays(1), true));
        assertThat(kinds()).containsExactly(FlagKind.LICENSE_ENDED);
        licenses.set(0, license("client.example", TODAY.plusDays(3), true));
        assertThat(kinds()).containsExactly(FlagKind.LICENSE_ENDING);
        assertThat(compare().get(0).reason()).contains(Sentences.day(TODAY.plusDays(3)));
        licenses.set(0, license("client.example", null, false));
        assertThat(kinds()).containsExactly(FlagKind.NO_PROOF);
    }

    @Test
    void aFaceThatIsAskedAndNotHeldSaysWhatBrowsersDo() {
        asks.add(new Ask(TextRole.HEADINGS, "f", BOLD));
        assertThat(kinds()).containsExactly(FlagKind.FACE_NOT_HELD);
        assertThat(compare().get(0).reason()).contains("take Regular and fake the bold");
    }

    @Test
    void aWebFormatIsMissedOnlyWhereASiteAsks() {
        files.remove(1);
        assertThat(kinds()).containsExactly(FlagKind.WEB_FORMAT_NOT_HELD);
        assertThat(compare().get(0).fileIds()).containsExactly("ttf");
        asks.clear();
        assertThat(kinds()).isEmpty();
    }

    @Test
    void filesThatAreHeldTwice() {
        files.add(new HeldFile(
                "again",
                "again.ttf",
                "sha-ttf",
                FontFormat.TTF,
                REGULAR,
                "drawing",
                Embedding.Level.INSTALLABLE,
                200,
                Optional.empty(),
                false,
                true,
                Optional.empty()));
        assertThat(kinds()).containsExactly(FlagKind.SAME_BYTES);
        files.set(2, file("renamed", FontFormat.TTF, REGULAR, "drawing"));
        assertThat(kinds()).containsExactly(FlagKind.SAME_DRAWING);
        files.set(2, file("newer", FontFormat.TTF, REGULAR, "another drawing"));
        assertThat(kinds()).containsExactly(FlagKind.SLOT_CLASH);
    }

    @Test
    void whatIsPaidForAndNotHeldAndWhatTheFileForbids() {
        asks.clear();
        licenses.set(0, withCoverage(List.of(REGULAR, BOLD)));
        assertThat(kinds()).containsExactly(FlagKind.NOT_COLLECTED);
        assertThat(compare().get(0).evidence()).containsExactly("Bold");
        licenses.set(0, license("client.example", null, true));
        asks.add(new Ask(TextRole.RUNNING_TEXT, "f", REGULAR));
        files.set(
                0,
                new HeldFile(
                        "r",
                        "r.ttf",
                        "r",
                        FontFormat.TTF,
                        REGULAR,
                        "drawing",
                        Embedding.Level.RESTRICTED,
                        200,
                        Optional.empty(),
                        false,
                        true,
                        Optional.empty()));
        assertThat(kinds()).containsExactly(FlagKind.EMBEDDING_DISAGREES);
    }

    @Test
    void theIdentityOfAFlagDependsOnKindAndSubjectOnly() {
        asks.add(new Ask(TextRole.HEADINGS, "f", BOLD));
        String before = compare().get(0).id();
        files.add(file("black", FontFormat.TTF, Slot.of(900, 100, Slope.UPRIGHT), "black"));
        Flag after = compare().get(0);
        assertThat(after.reason()).contains("take Black");
        assertThat(after.id()).isEqualTo(before);
        assertThat(compare()).isEqualTo(compare());
    }

    @Test
    void everyTermOfALicenseThatStandsAgainstAUseHasItsKind() {
        files.remove(1);
        License granted = licenses.get(0);
        licenses.set(0, with(granted, Clause.REFUSED, Clause.GRANTED, Set.of(), null));
        assertThat(kinds()).containsExactly(FlagKind.WEB_USE_REFUSED, FlagKind.WEB_FORMAT_NOT_HELD);
        licenses.set(0, with(granted, Clause.GRANTED, Clause.REFUSED, Set.of(), null));
        assertThat(kinds()).containsExactly(FlagKind.CONVERTING_NOT_PERMITTED, FlagKind.WEB_FORMAT_NOT_HELD);
        assertThat(compare().get(1).action()).isEqualTo(NextAction.ADD_FILES);
        licenses.set(0, with(granted, Clause.GRANTED, Clause.GRANTED, Set.of(FontFormat.WOFF), null));
        assertThat(kinds()).containsExactly(FlagKind.FORMAT_NOT_PERMITTED, FlagKind.WEB_FORMAT_NOT_HELD);
        licenses.set(0, with(granted, Clause.GRANTED, Clause.GRANTED, Set.of(), TODAY.plusDays(1)));
        assertThat(kinds()).containsExactly(FlagKind.LICENSE_NOT_BEGUN, FlagKind.WEB_FORMAT_NOT_HELD);
    }

    @Test
    void anItalicIsServedByAnObliqueAndNothingIsConvertedThatIsNotHeld() {
        Slot italic = Slot.of(400, 100, Slope.ITALIC);
        asks.add(new Ask(TextRole.HEADINGS, "f", italic));
        assertThat(kinds()).containsExactly(FlagKind.FACE_NOT_HELD);
        licenses.set(0, with(licenses.get(0), Clause.GRANTED, Clause.REFUSED, Set.of(), null));
        assertThat(kinds()).containsExactly(FlagKind.FACE_NOT_HELD);
        files.add(file("oblique", FontFormat.WOFF2, Slot.of(400, 100, Slope.OBLIQUE), "slanted"));
        assertThat(kinds()).isEmpty();
    }

    @Test
    void whatIsNotStatedForTwoDomainsIsTwoFlags() {
        domains = List.of(DomainName.parse("shop.client.example"), DomainName.parse("news.client.example"));
        assertThat(kinds()).containsExactly(FlagKind.NOT_STATED, FlagKind.NOT_STATED);
        assertThat(compare().stream().map(Flag::id)).doesNotHaveDuplicates();
    }

    @Test
    void aDamagedFileIsMissing() {
        HeldFile whole = files.get(0);
        files.set(
                0,
                new HeldFile(
                        whole.id(),
                        whole.name(),
                        whole.sha256(),
                        whole.format(),
                        whole.slot(),
                        whole.drawing(),
                        whole.embedding(),
                        whole.codePoints(),
                        whole.mark(),
                        false,
                        false,
                        Optional.empty()));
        assertThat(kinds()).containsExactly(FlagKind.STORED_FILE_DAMAGED);
    }

    @Test
    void theIdentityIsWrittenAsDocumented() {
        domains = List.of(DomainName.parse("shop.client.example"));
        assertThat(compare().get(0).identity())
                .isEqualTo("1|NOT_STATED|site=s|family=f|license=l|domain=shop.client.example|point=DOMAIN");
        Flag odd = Flag.of(
                FlagKind.NO_LICENSE,
                Owner.family("a|b"),
                Flag.Subject.NOTHING.family("a|b=50%"),
                "",
                "",
                java.util.stream.Stream.empty());
        assertThat(odd.identity()).isEqualTo("1|NO_LICENSE|family=a%7Cb%3D50%25");
        assertThat(odd.id()).matches("[0-9a-f]{20}");
    }

    @Test
    void causesGatherByKindLicenseOrFamily() {
        licenses.clear();
        assertThat(Cause.of(compare().get(0)).key()).isEqualTo("NO_LICENSE");
        licenses.add(license("client.example", TODAY.minusDays(1), true));
        assertThat(Cause.of(compare().get(0)).key()).isEqualTo("LICENSE_ENDED.l");
        asks.set(0, new Ask(TextRole.HEADINGS, "f", BOLD));
        assertThat(Cause.of(compare().get(1)).key()).isEqualTo("FACE_NOT_HELD.f");
        assertThat(Cause.title(FlagKind.NO_LICENSE, 212, 212, "")).isEqualTo("212 families have no license");
        assertThat(Cause.title(FlagKind.NO_LICENSE, 3, 1, "")).isEqualTo("1 family has no license");
        for (FlagKind kind : FlagKind.values()) {
            assertThat(Cause.title(kind, 2, 2, "Harrow")).as(kind.name()).isNotBlank();
        }
    }

    @Test
    void aLicenseOfAnotherClientDoesNotServeThisSite() {
        License held = license("client.example", null, true);
        licenses.set(0, heldBy(held, "tarn"));
        assertThat(kinds()).doesNotContain(FlagKind.HELD_BY_ANOTHER_CLIENT);
        licenses.set(0, heldBy(held, "quay"));
        assertThat(kinds()).contains(FlagKind.HELD_BY_ANOTHER_CLIENT);
    }

    @Test
    void aDomainWithoutAPlaceIsFlaggedAndOneWithAPlaceIsNot() {
        License license = license("client.example", null, true);
        licenses.set(0, on(license, List.of("client.example", "other.example"), 1));
        assertThat(kinds()).doesNotContain(FlagKind.DOMAINS_OVER_LIMIT);
        licenses.set(0, on(license, List.of("other.example", "client.example"), 1));
        assertThat(kinds()).contains(FlagKind.DOMAINS_OVER_LIMIT).doesNotContain(FlagKind.DOMAIN_NOT_PERMITTED);
        assertThat(compare().stream()
                        .filter(flag -> flag.kind() == FlagKind.DOMAINS_OVER_LIMIT)
                        .map(Flag::reason))
                .singleElement()
                .asString()
                .contains("2 hosts are listed where it permits 1; client.example is over the limit");
    }

    @Test
    void pageViewsAreFlaggedFromTheFirstOverTheLimit() {
        License license = license("client.example", null, true);
        licenses.set(0, read(license, 1000));
        assertThat(kinds()).doesNotContain(FlagKind.PAGE_VIEWS_OVER_LIMIT);
        licenses.set(0, read(license, 1001));
        assertThat(kinds()).contains(FlagKind.PAGE_VIEWS_OVER_LIMIT);
    }

    @Test
    void twoLicensesForTheSameRightAreFlaggedUnlessBothAreFreeOrGrantDifferentThings() {
        License bought = LicenseBuilder.builder(license("client.example", null, true))
                .basis(Basis.BOUGHT)
                .build();
        License open = LicenseBuilder.builder(bought).id("m").basis(Basis.OPEN).build();
        licenses.add(open);
        licenses.set(0, bought);
        assertThat(kinds()).contains(FlagKind.LICENSED_TWICE);
        licenses.set(0, LicenseBuilder.builder(bought).basis(Basis.DONATION).build());
        assertThat(kinds()).as("both are free").doesNotContain(FlagKind.LICENSED_TWICE);
        licenses.set(0, on(bought, List.of("other.example"), 3));
        assertThat(kinds()).as("on different domains").doesNotContain(FlagKind.LICENSED_TWICE);
        licenses.set(0, heldBy(bought, "quay"));
        assertThat(kinds()).as("held by different people").doesNotContain(FlagKind.LICENSED_TWICE);
        licenses.set(
                0,
                LicenseBuilder.builder(bought)
                        .covers(List.of(new Coverage("f", List.of(BOLD))))
                        .build());
        licenses.set(
                licenses.size() - 1,
                LicenseBuilder.builder(open)
                        .covers(List.of(new Coverage("f", List.of(REGULAR))))
                        .build());
        assertThat(kinds()).as("for different faces").doesNotContain(FlagKind.LICENSED_TWICE);
    }

    @Test
    void aLicenseThatRenewsByItselfIsAskedAboutAfterItsLastDay() {
        License license = LicenseBuilder.builder(license("client.example", TODAY.minusDays(1), true))
                .period(new Period(Optional.empty(), Optional.of(TODAY.minusDays(1)), 30, true))
                .build();
        licenses.set(0, license);
        assertThat(kinds()).contains(FlagKind.NOT_STATED).doesNotContain(FlagKind.LICENSE_ENDED);
    }

    private static License heldBy(License license, String client) {
        return LicenseBuilder.builder(license)
                .holder(Optional.of(new Holder(client, client)))
                .build();
    }

    private static License on(License license, List<String> named, int places) {
        return LicenseBuilder.builder(license)
                .domains(domains(named, OptionalInt.of(places)))
                .build();
    }

    private static License read(License license, long views) {
        return LicenseBuilder.builder(license)
                .pageViews(
                        Optional.of(new PageViews(1000, List.of(new Reading("Client", YearMonth.from(TODAY), views)))))
                .build();
    }

    private static License with(
            License license, Clause webUse, Clause converting, Set<FontFormat> formats, LocalDate begins) {
        return LicenseBuilder.builder(license)
                .acts(Map.of(Act.SERVE, webUse, Act.CONVERT, converting))
                .anyFormat(formats.isEmpty())
                .formats(formats)
                .period(new Period(Optional.ofNullable(begins), license.period().ends(), 30, false))
                .build();
    }

    private List<Flag> compare() {
        return Comparison.compare(new Snapshot(
                TODAY,
                List.of(new Family("f", "Harrow", List.copyOf(files))),
                licenses,
                List.of(new Site(
                        "s", "Client", "tarn", domains.stream().map(Place::live).toList(), List.copyOf(asks)))));
    }

    private List<FlagKind> kinds() {
        return compare().stream().map(Flag::kind).toList();
    }

    private static HeldFile file(String id, FontFormat format, Slot slot, String drawing) {
        return file(id, format, slot, drawing, 200, null);
    }

    private static HeldFile file(
            String id, FontFormat format, Slot slot, String drawing, int codePoints, UseMarks.Kind mark) {
        return new HeldFile(
                id,
                id,
                "sha-" + id,
                format,
                slot,
                drawing,
                Embedding.Level.INSTALLABLE,
                codePoints,
                Optional.ofNullable(mark).map(kind -> new Mark(kind, "full name", "Wendlow Trial")),
                false,
                true,
                Optional.empty());
    }

    private static License license(String domain, LocalDate ends, boolean proof) {
        return make(domain, ends, proof, List.of());
    }

    private static License withCoverage(List<Slot> faces) {
        return make("client.example", null, true, faces);
    }

    private static License make(String domain, LocalDate ends, boolean proof, List<Slot> faces) {
        return License.named("l", "The license")
                .covers(List.of(new Coverage("f", faces)))
                .acts(Map.of(Act.SERVE, Clause.GRANTED, Act.CONVERT, Clause.GRANTED))
                .domains(domains(List.of(domain), OptionalInt.empty()))
                .anyFormat(true)
                .period(new Period(Optional.empty(), Optional.ofNullable(ends), 30, false))
                .hasProof(proof)
                .build();
    }

    private static PermittedDomains domains(List<String> named, OptionalInt places) {
        return new PermittedDomains(
                false,
                named.stream().map(DomainPattern::parse).toList(),
                places,
                Counting.HOST,
                Clause.NOT_STATED,
                Clause.NOT_STATED,
                false);
    }
}
