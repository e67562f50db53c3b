package app.unciala.core.pack;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.license.Verdict;
import app.unciala.core.pack.PackBasis.AskedFace;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class PackBasisTest {
    private static final AskedFace REGULAR = face(400, Verdict.ALLOWED, "regular");
    private static final AskedFace BOLD = face(700, Verdict.ALLOWED, null);
    private static final PackBasis BEFORE = basis("client.example", REGULAR, BOLD);

    @Test
    void nothingChangedIsNothingSaid() {
        assertThat(BEFORE.changedTo(BEFORE)).isEmpty();
        assertThat(BEFORE.unaskedBy(BEFORE, false)).isEmpty();
    }

    @Test
    void everyChangeIsASentence() {
        assertThat(BEFORE.changedTo(basis("b.example", REGULAR, BOLD)))
                .containsExactly("The site’s domains are now b.example.");
        assertThat(BEFORE.changedTo(basis("client.example", face(400, Verdict.REFUSED, "regular"))))
                .containsExactly(
                        "Wendlow Regular is no longer allowed: ended yesterday.",
                        "Running text no longer asks for Wendlow Bold.");
        assertThat(BEFORE.changedTo(basis(
                        "client.example",
                        REGULAR,
                        face(700, Verdict.ALLOWED, "bold"),
                        face(900, Verdict.ALLOWED, "b"))))
                .containsExactly("Wendlow Bold is now held.", "Running text now asks for Wendlow Black.");
        assertThat(BEFORE.changedTo(basis("client.example", face(400, Verdict.ALLOWED, "newer"), BOLD)))
                .containsExactly("Another file is now held for Wendlow Regular.");
        assertThat(basis("client.example", REGULAR)
                        .changedTo(basis("client.example", face(400, Verdict.NOT_STATED, "regular"))))
                .containsExactly("Wendlow Regular: whether it may be used is no longer stated: ended yesterday.");
        AskedFace renamed = new AskedFace(
                REGULAR.role(),
                REGULAR.familyId(),
                "Wendlow New",
                REGULAR.slot(),
                Verdict.ALLOWED,
                "",
                REGULAR.sha256());
        assertThat(basis("client.example", REGULAR).changedTo(basis("client.example", renamed)))
                .containsExactly("Wendlow is now called Wendlow New.");
        assertThat(basis("client.example", face(400, Verdict.NOT_STATED, "regular"))
                        .changedTo(basis("client.example", REGULAR)))
                .containsExactly("Wendlow Regular is now allowed.");
    }

    @Test
    void settingsAndDeliveryCountOnlyWhereTheyAreKnown() {
        PackBasis now = new PackBasis(
                BEFORE.domains(), BEFORE.faces(), Optional.of("other roles"), Optional.of("other delivery"));
        assertThat(BEFORE.changedTo(now))
                .containsExactly("The site’s delivery has changed.", "The settings of its text roles have changed.");
        PackBasis earlier = new PackBasis(BEFORE.domains(), BEFORE.faces(), Optional.empty(), Optional.empty());
        assertThat(earlier.changedTo(now)).isEmpty();
    }

    @Test
    void aFaceThatIsDeliveredAndThatNobodyAsksForIsTold() {
        PackBasis now = basis("client.example", BOLD);
        assertThat(BEFORE.unaskedBy(now, false)).containsExactly(REGULAR);
        assertThat(BEFORE.otherwiseChangedTo(now)).isEmpty();

        PackBasis none = basis("client.example");
        assertThat(BEFORE.unaskedBy(none, false))
                .as("what is not held is not delivered")
                .containsExactly(REGULAR);
        PackBasis refused = basis("client.example", face(400, Verdict.REFUSED, "regular"));
        assertThat(refused.unaskedBy(none, false)).isEmpty();
        assertThat(refused.unaskedBy(none, true)).hasSize(1);
    }

    private static PackBasis basis(String domain, AskedFace... faces) {
        return new PackBasis(List.of(domain), List.of(faces), Optional.of("roles"), Optional.of("delivery"));
    }

    private static AskedFace face(double weight, Verdict verdict, String sha256) {
        return new AskedFace(
                "Running text",
                "f",
                "Wendlow",
                Slot.of(weight, 100, Slope.UPRIGHT),
                verdict,
                verdict == Verdict.ALLOWED ? "" : "ended yesterday",
                Optional.ofNullable(sha256));
    }
}
