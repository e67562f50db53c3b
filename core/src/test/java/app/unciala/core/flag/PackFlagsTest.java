package app.unciala.core.flag;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.css.TextRole;
import app.unciala.core.domain.DomainName;
import app.unciala.core.domain.DomainPattern;
import app.unciala.core.flag.Snapshot.Ask;
import app.unciala.core.flag.Snapshot.Delivery;
import app.unciala.core.flag.Snapshot.Family;
import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.core.flag.Snapshot.LatestPack;
import app.unciala.core.flag.Snapshot.Site;
import app.unciala.core.license.Act;
import app.unciala.core.license.Clause;
import app.unciala.core.license.Coverage;
import app.unciala.core.license.FaceUse.Place;
import app.unciala.core.license.License;
import app.unciala.core.license.Period;
import app.unciala.core.license.PermittedDomains;
import app.unciala.core.license.PermittedDomains.Counting;
import app.unciala.core.license.Verdict;
import app.unciala.core.pack.PackBasis;
import app.unciala.core.pack.PackBasis.AskedFace;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Embedding;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;
import java.util.Set;
import org.junit.jupiter.api.Test;

/** What is flagged of the latest pack of a site that asks for one face. */
class PackFlagsTest {
    private static final LocalDate TODAY = LocalDate.of(2030, 5, 10);
    private static final Slot REGULAR = Slot.of(400, 100, Slope.UPRIGHT);
    private static final Slot BOLD = Slot.of(700, 100, Slope.UPRIGHT);
    private static final AskedFace DELIVERED = face(REGULAR, Verdict.ALLOWED);

    private Clause serving = Clause.GRANTED;
    private Clause cutting = Clause.GRANTED;
    private int codePoints = 2000;
    private Optional<Set<String>> covered = Optional.empty();
    private Delivery delivery = new Delivery("roles", "delivery", Optional.empty(), true, List.of());

    @Test
    void aPackThatWouldBeMadeAgainIsNotFlagged() {
        assertThat(flags(pack(DELIVERED))).isEmpty();
        assertThat(flags(null)).as("a site without a pack").isEmpty();
    }

    @Test
    void whatChangedMakesANewPackDue() {
        Flag due = only(flags(pack()), FlagKind.PACK_DUE);
        assertThat(due.reason()).isEqualTo("The pack deployed on May 3, 2030 is not what would be made today.");
        assertThat(due.evidence()).containsExactly("Running text now asks for Harrow Regular.");
        delivery = new Delivery("roles", "otherwise", Optional.empty(), true, List.of());
        assertThat(only(flags(pack(DELIVERED)), FlagKind.PACK_DUE).evidence()).hasSize(1);
    }

    @Test
    void whatNothingAsksForIsSurplusAndNotAChangeBesides() {
        Flag surplus = only(flags(pack(DELIVERED, face(BOLD, Verdict.ALLOWED))), FlagKind.DELIVERED_NOT_ASKED);
        assertThat(surplus.kind().group()).isEqualTo(FlagGroup.SURPLUS);
        assertThat(surplus.title()).isEqualTo("Tarn delivers 1 face that nothing asks for");
        assertThat(surplus.evidence()).containsExactly("Harrow Bold");
    }

    @Test
    void whatIsDeliveredAgainstALicenseStaysFlaggedWithItsReason() {
        serving = Clause.REFUSED;
        AskedFace refused = face(REGULAR, Verdict.REFUSED);
        LatestPack anyway = new LatestPack(
                TODAY, Optional.empty(), Optional.of("the vendor agreed by phone"), Optional.of(1L), basis(refused));
        Flag flag = flags(anyway).stream()
                .filter(found -> found.kind() == FlagKind.DELIVERED_ANYWAY)
                .findFirst()
                .orElseThrow();
        assertThat(flag.reason())
                .isEqualTo("The pack of May 10, 2030 was made with it anyway, because: the vendor agreed by phone");
        assertThat(flags(pack(refused))).extracting(Flag::kind).doesNotContain(FlagKind.DELIVERED_ANYWAY);
        serving = Clause.GRANTED;
        assertThat(flags(anyway)).extracting(Flag::kind).doesNotContain(FlagKind.DELIVERED_ANYWAY);
    }

    @Test
    void theBudgetIsOverFromTheFirstByte() {
        delivery = new Delivery("roles", "delivery", Optional.of(40_000L), true, List.of());
        assertThat(flags(pack(40_000, DELIVERED))).isEmpty();
        assertThat(only(flags(pack(40_001, DELIVERED)), FlagKind.OVER_BUDGET).reason())
                .contains("has 40 kB of fonts, and 40 kB are allowed for");
    }

    @Test
    void aWholeFontOfManyCharactersIsFlaggedWhereItMayBeCut() {
        delivery = new Delivery("roles", "delivery", Optional.empty(), false, List.of());
        assertThat(only(flags(pack(DELIVERED)), FlagKind.WHOLE_FACES).evidence())
                .containsExactly("Harrow Regular: 2,000 characters");
        codePoints = 500;
        assertThat(flags(pack(DELIVERED))).isEmpty();
        codePoints = 2000;
        cutting = Clause.NOT_STATED;
        assertThat(flags(pack(DELIVERED))).isEmpty();
    }

    @Test
    void aLanguageThatAChosenFaceLacksCharactersOfIsFlaggedOnceForItsFamily() {
        delivery = new Delivery("roles", "delivery", Optional.empty(), true, List.of("en", "pt-BR", "el", "uk"));
        assertThat(flags(pack(DELIVERED)))
                .as("a file that was not read for its languages")
                .isEmpty();

        covered = Optional.of(Set.of("en", "pt", "de"));
        Flag flag = only(flags(pack(DELIVERED)), FlagKind.LANGUAGE_NOT_COVERED);
        assertThat(flag.title()).isEqualTo("Harrow lacks characters of Greek and Ukrainian");
        assertThat(flag.reason())
                .isEqualTo("Where text of Tarn in Greek and Ukrainian needs them, browsers take another family.");
        assertThat(flag.evidence()).containsExactly("Regular");
        assertThat(flag.action()).isEqualTo(NextAction.CHOOSE_FACES);

        covered = Optional.of(Set.of("en", "pt", "el", "uk"));
        assertThat(flags(pack(DELIVERED))).isEmpty();
    }

    private List<Flag> flags(LatestPack pack) {
        Site site = new Site(
                "s",
                "Tarn",
                "client",
                List.of(Place.live(DomainName.parse("tarn.example"))),
                List.of(new Ask(TextRole.RUNNING_TEXT, "f", REGULAR)),
                delivery,
                Optional.empty());
        HeldFile file = new HeldFile(
                "file",
                "harrow.woff2",
                "sha",
                FontFormat.WOFF2,
                REGULAR,
                "drawing",
                Embedding.Level.INSTALLABLE,
                codePoints,
                Optional.empty(),
                false,
                true,
                covered);
        License license = License.named("l", "The license")
                .covers(List.of(new Coverage("f", List.of())))
                .acts(Map.of(Act.SERVE, serving, Act.CUT, cutting))
                .domains(new PermittedDomains(
                        false,
                        List.of(DomainPattern.parse("tarn.example")),
                        OptionalInt.empty(),
                        Counting.HOST,
                        Clause.NOT_STATED,
                        Clause.NOT_STATED,
                        false))
                .anyFormat(true)
                .period(new Period(Optional.empty(), Optional.empty(), 30, false))
                .hasProof(true)
                .build();
        Snapshot snapshot = new Snapshot(
                TODAY,
                List.of(new Family("f", "Harrow", List.of(file))),
                List.of(license),
                List.of(pack == null ? site : site.with(pack)));
        return Comparison.compare(snapshot, Scope.of(List.of(Owner.site("s")).stream()));
    }

    private static Flag only(List<Flag> flags, FlagKind kind) {
        assertThat(flags).extracting(Flag::kind).containsExactly(kind);
        return flags.get(0);
    }

    private static LatestPack pack(AskedFace... faces) {
        return pack(1000, faces);
    }

    private static LatestPack pack(long fontBytes, AskedFace... faces) {
        return new LatestPack(
                TODAY.minusDays(8),
                Optional.of(TODAY.minusDays(7)),
                Optional.empty(),
                Optional.of(fontBytes),
                basis(faces));
    }

    private static PackBasis basis(AskedFace... faces) {
        return new PackBasis(List.of("tarn.example"), List.of(faces), Optional.of("roles"), Optional.of("delivery"));
    }

    private static AskedFace face(Slot slot, Verdict verdict) {
        return new AskedFace("Running text", "f", "Harrow", slot, verdict, "", Optional.of("sha"));
    }
}
