package app.unciala.core.flag;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.css.TextRole;
import app.unciala.core.domain.DomainName;
import app.unciala.core.domain.DomainPattern;
import app.unciala.core.face.Embedding;
import app.unciala.core.face.Slope;
import app.unciala.core.face.Slot;
import app.unciala.core.flag.Snapshot.Ask;
import app.unciala.core.flag.Snapshot.Family;
import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.core.flag.Snapshot.Site;
import app.unciala.core.font.FontFormat;
import app.unciala.core.license.Clause;
import app.unciala.core.license.Coverage;
import app.unciala.core.license.License;
import app.unciala.core.license.LicenseKind;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
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
        assertThat(compare().get(0).evidence()).containsExactly("Regular for running text", "Regular for headings");
    }

    @Test
    void aHeldFamilyNobodyAsksForNeedsALicenseToo() {
        licenses.clear();
        asks.clear();
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
        assertThat(compare().get(0).reason()).contains("in 3 days");
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
        assertThat(compare().get(0).subject().fileIds()).containsExactly("ttf");
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
                false));
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
                new HeldFile("r", "r.ttf", "r", FontFormat.TTF, REGULAR, "drawing", Embedding.Level.RESTRICTED, false));
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

    private List<Flag> compare() {
        return Comparison.compare(new Snapshot(
                TODAY,
                List.of(new Family("f", "Harrow", List.copyOf(files))),
                licenses,
                List.of(new Site("s", "Client", domains, List.copyOf(asks)))));
    }

    private List<FlagKind> kinds() {
        return compare().stream().map(Flag::kind).toList();
    }

    private static HeldFile file(String id, FontFormat format, Slot slot, String drawing) {
        return new HeldFile(id, id, "sha-" + id, format, slot, drawing, Embedding.Level.INSTALLABLE, false);
    }

    private static License license(String domain, LocalDate ends, boolean proof) {
        return make(domain, ends, proof, List.of());
    }

    private static License withCoverage(List<Slot> faces) {
        return make("client.example", null, true, faces);
    }

    private static License make(String domain, LocalDate ends, boolean proof, List<Slot> faces) {
        return new License(
                "l",
                "The license",
                LicenseKind.PER_DOMAIN,
                List.of(new Coverage("f", faces)),
                Clause.GRANTED,
                Clause.GRANTED,
                Clause.NOT_STATED,
                Clause.NOT_STATED,
                false,
                List.of(DomainPattern.parse(domain)),
                true,
                Set.of(),
                Optional.empty(),
                Optional.ofNullable(ends),
                30,
                proof);
    }
}
