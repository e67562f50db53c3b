package app.unciala.server.flag;

import app.unciala.core.css.TextRole;
import app.unciala.core.domain.DomainName;
import app.unciala.core.flag.Crossing;
import app.unciala.core.flag.Snapshot;
import app.unciala.core.license.Decision;
import app.unciala.core.license.License;
import app.unciala.core.license.Verdict;
import app.unciala.server.inventory.SlotView;
import java.util.List;

/** One row of the table asked / held / allowed; {@code withoutIt} is empty where the face is held. */
public record AskedRow(
        String role,
        String familyId,
        String familyName,
        SlotView slot,
        List<HeldView> held,
        String withoutIt,
        Verdict verdict,
        List<DomainVerdict> domains) {
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
                domains);
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
