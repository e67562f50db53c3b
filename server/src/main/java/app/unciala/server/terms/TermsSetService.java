package app.unciala.server.terms;

import app.unciala.server.fault.Fault;
import app.unciala.server.history.DeletedRows;
import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.history.Reversal;
import app.unciala.server.history.Reverser;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Ids;
import app.unciala.server.license.LicenseDraft;
import app.unciala.server.license.LicenseService;
import java.time.Clock;
import java.util.List;
import org.springframework.data.domain.Limit;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Sets of terms, such as a vendor's usual ones. A license starts from a copy of a set; a later change of the set changes
 * no license.
 */
@Service
public class TermsSetService implements Reverser {
    private static final Limit MOST = Limit.of(500);
    private static final String DELETED = "set of terms deleted";

    private final TermsSetRepository sets;
    private final LicenseService licenses;
    private final HistoryService history;
    private final Changes changes;
    private final DeletedRows deletedRows;
    private final Clock clock;

    TermsSetService(
            TermsSetRepository sets,
            LicenseService licenses,
            HistoryService history,
            Changes changes,
            DeletedRows deletedRows,
            Clock clock) {
        this.sets = sets;
        this.licenses = licenses;
        this.history = history;
        this.changes = changes;
        this.deletedRows = deletedRows;
        this.clock = clock;
    }

    /**
     * A set of terms.
     *
     * @param terms without what belongs to one purchase: families, holder, named domains, days and proofs
     * @param allows what a license on these terms allows, in sentences
     */
    public record TermsSet(String id, long version, LicenseDraft terms, List<String> allows) {}

    @Transactional(readOnly = true)
    public List<TermsSet> all() {
        return sets.findAllByOrderByNameAscIdAsc(MOST).stream()
                .map(this::toRecord)
                .toList();
    }

    @Transactional(readOnly = true)
    public TermsSet get(String id) {
        return toRecord(find(id));
    }

    @Transactional
    public TermsSet create(LicenseDraft draft) {
        changes.begin();
        TermsSetEntity set = new TermsSetEntity(Ids.next());
        set.edit(LicenseService.checked(draft.ofNoPurchase()));
        sets.saveAndFlush(set);
        history.record(deed(set, "Recorded"));
        return toRecord(set);
    }

    @Transactional
    public TermsSet update(String id, long expectedVersion, LicenseDraft draft) {
        changes.begin();
        TermsSetEntity set = find(id, expectedVersion);
        set.edit(LicenseService.checked(draft.ofNoPurchase()));
        sets.saveAndFlush(set);
        history.record(deed(set, "Changed"));
        return toRecord(set);
    }

    /** Deletes a set; gives the entry of the history by which it is taken back. */
    @Transactional
    public String delete(String id, long expectedVersion) {
        changes.begin();
        TermsSetEntity set = find(id, expectedVersion);
        set.delete(clock.instant());
        sets.saveAndFlush(set);
        return history.record(deed(set, "Deleted").undoneBy(new Reversal(DELETED, List.of(id))));
    }

    @Override
    public boolean reverses(String kind) {
        return kind.equals(DELETED);
    }

    @Override
    public void reverse(Reversal reversal) {
        deletedRows.restore("terms_set", reversal.ids().get(0), "the set of terms");
    }

    private static Deed deed(TermsSetEntity set, String verb) {
        return Deed.of("terms", set.id(), set.name(), verb + " set of terms “" + set.name() + "”");
    }

    private TermsSet toRecord(TermsSetEntity set) {
        return new TermsSet(set.id(), set.version(), set.terms(), licenses.allows(set.terms()));
    }

    private TermsSetEntity find(String id, long expectedVersion) {
        TermsSetEntity set = find(id);
        if (set.version() != expectedVersion) {
            throw Fault.stale();
        }
        return set;
    }

    private TermsSetEntity find(String id) {
        return sets.findById(id).orElseThrow(() -> Fault.notFound("set of terms", id));
    }
}
