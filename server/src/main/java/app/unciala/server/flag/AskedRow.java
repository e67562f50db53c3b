package app.unciala.server.flag;

import app.unciala.core.css.TextRole;
import app.unciala.core.domain.DomainName;
import app.unciala.core.flag.Crossing;
import app.unciala.core.flag.Snapshot;
import app.unciala.core.license.Clearance;
import app.unciala.core.license.Clearance.Answer;
import app.unciala.core.license.Decision;
import app.unciala.core.license.License;
import app.unciala.core.license.SourceFile;
import app.unciala.core.license.Verdict;
import app.unciala.font.FontFormat;
import app.unciala.server.inventory.SlotView;
import io.swagger.v3.oas.annotations.media.Schema;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One row of the table asked / held / allowed.
 *
 * @param withoutIt what browsers do without the face; empty where it is held
 * @param goesOut what of it may go out; null in what earlier versions kept
 */
public record AskedRow(
        String role,
        String familyId,
        String familyName,
        SlotView slot,
        List<HeldView> held,
        String withoutIt,
        Verdict verdict,
        List<DomainVerdict> domains,
        @Schema(types = {"object", "null"}) @Nullable GoesOut goesOut) {
    static AskedRow of(Snapshot snapshot, Crossing crossing) {
        List<DomainVerdict> domains = crossing.decisions().entrySet().stream()
                .map(entry -> DomainVerdict.of(snapshot, entry.getKey(), entry.getValue()))
                .toList();
        return new AskedRow(
                crossing.ask().role().id(),
                crossing.ask().familyId(),
                crossing.familyName(),
                SlotView.of(crossing.ask().slot()),
                crossing.held().stream()
                        .map(file -> new HeldView(
                                file.id(),
                                file.name(),
                                file.sha256(),
                                file.format().key(),
                                SlotView.of(file.slot()),
                                file.madeHere()))
                        .toList(),
                crossing.isHeld() ? "" : crossing.withoutIt(),
                crossing.verdict(),
                domains,
                GoesOut.of(crossing.clearance()));
    }

    /**
     * What of a face may go out, as {@link Clearance} has it.
     *
     * @param slot of what goes out
     * @param limited whether a variable file is limited to that
     * @param format the first of those the host takes that may go out
     * @param subsetWanted whether the site wants it reduced to some characters
     * @param subsetting whether it may be, and else why not
     * @param renaming whether the family name inside the file may be changed
     * @param formats all that the host takes
     */
    public record GoesOut(
            SlotView slot,
            boolean limited,
            FontFormat format,
            boolean subsetWanted,
            Answer subsetting,
            Answer renaming,
            List<FormatAnswer> formats) {
        /** {@code sha256} is that of the file it comes from; empty where none is held. */
        public record FormatAnswer(FontFormat format, String sha256, Answer answer) {}

        public static GoesOut of(Clearance clearance) {
            return new GoesOut(
                    SlotView.of(clearance.slot()),
                    clearance.isLimited(),
                    clearance.format(),
                    clearance.isSubsetWanted(),
                    clearance.subsetting(),
                    clearance.renaming(),
                    clearance.formats().stream()
                            .map(answer -> new FormatAnswer(
                                    answer.format(),
                                    answer.source().map(SourceFile::sha256).orElse(""),
                                    answer.answer()))
                            .toList());
        }
    }

    /** The role's name as it is shown. */
    public String roleName() {
        return TextRole.of(role).label();
    }

    public record HeldView(
            String fileId, String fileName, String sha256, String format, SlotView slot, boolean madeHere) {}

    /** The decision for one domain; {@code licenseId} is empty when no license covers the face. */
    public record DomainVerdict(
            String domain, Verdict verdict, String licenseId, String licenseName, List<String> reasons) {
        static DomainVerdict of(Snapshot snapshot, DomainName domain, Decision decision) {
            List<Decision.Reason> shown = decision.against().isEmpty() ? decision.reasons() : decision.against();
            return new DomainVerdict(
                    domain.display(),
                    decision.verdict(),
                    decision.licenseId().orElse(""),
                    decision.licenseId()
                            .flatMap(snapshot::license)
                            .map(License::name)
                            .orElse(""),
                    shown.stream().map(Decision.Reason::text).toList());
        }
    }
}
