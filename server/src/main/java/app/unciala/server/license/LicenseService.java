package app.unciala.server.license;

import app.unciala.core.flag.Scope;
import app.unciala.core.license.Act;
import app.unciala.core.license.License;
import app.unciala.core.license.License.Said;
import app.unciala.core.license.LicenseSentence;
import app.unciala.core.license.PageViews.Reading;
import app.unciala.server.fault.Fault;
import app.unciala.server.history.Actor;
import app.unciala.server.history.DeletedRows;
import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.history.Reversal;
import app.unciala.server.history.Reverser;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Ids;
import app.unciala.server.inventory.Links;
import app.unciala.server.inventory.Readings;
import app.unciala.server.listing.Cursor;
import app.unciala.server.listing.Page;
import app.unciala.server.storage.FileStore.Stored;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.KeysetScrollPosition;
import org.springframework.data.domain.Sort;
import org.springframework.data.domain.Window;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Licenses with their terms and agreements. */
@Service
public class LicenseService implements Reverser {
    private static final Sort BY_NAME = Sort.by("name", "id");
    private static final Sort BY_END = Sort.by("endsOrNever", "name", "id");
    private static final int LONGEST_FILE_NAME = 300;
    private static final String DELETED = "license deleted";

    private final LicenseRepository licenses;
    private final AgreementRepository agreements;
    private final Links links;
    private final Readings readings;
    private final HistoryService history;
    private final Actor actor;
    private final Changes changes;
    private final JdbcClient database;
    private final DeletedRows deletedRows;
    private final Clock clock;

    LicenseService(
            LicenseRepository licenses,
            AgreementRepository agreements,
            Links links,
            Readings readings,
            HistoryService history,
            Actor actor,
            Changes changes,
            JdbcClient database,
            DeletedRows deletedRows,
            Clock clock) {
        this.licenses = licenses;
        this.agreements = agreements;
        this.links = links;
        this.readings = readings;
        this.history = history;
        this.actor = actor;
        this.changes = changes;
        this.database = database;
        this.deletedRows = deletedRows;
        this.clock = clock;
    }

    /** A document of a license, as a stored file. */
    public record Agreement(
            String id,
            DocumentKind kind,
            String fileName,
            String sha256,
            long bytes,
            Instant addedAt,
            String addedBy) {}

    /**
     * A license as recorded.
     *
     * @param agreement its documents, the latest first
     * @param familyNames what it covers, by id
     * @param holderName the client who holds it, or empty
     * @param pageViews what was read of its sites' page views, where it has a limit
     * @param allows what it allows today, in sentences
     * @param acts what holds of each act, and by what
     */
    @RecordBuilder
    @RecordBuilder.Options(prefixEnclosingClassNames = false)
    public record Recorded(
            String id,
            long version,
            LicenseDraft terms,
            List<Agreement> agreement,
            Map<String, String> familyNames,
            String holderName,
            List<Reading> pageViews,
            List<String> allows,
            List<Said> acts) {
        /** The license as the core decides on it. */
        public License toLicense() {
            return LicenseTerms.toLicense(this);
        }
    }

    /** The licenses that fit, by name or by their end. */
    @Transactional(readOnly = true)
    public Page<Recorded> list(LicenseFilter filter, boolean byEnd, @Nullable String cursor, int limit) {
        Sort sort = byEnd ? BY_END : BY_NAME;
        KeysetScrollPosition position =
                Cursor.read(cursor, byEnd ? Cursor.keys(sort, LocalDate.EPOCH, "", "") : Cursor.keys(sort, "", ""));
        Window<LicenseEntity> window = licenses.<LicenseEntity, Window<LicenseEntity>>findBy(
                filter.on(LocalDate.now(clock)),
                query -> query.sortBy(sort).limit(Cursor.limit(limit).max()).scroll(position));
        return Page.of(window, toRecords(window.getContent()));
    }

    @Transactional(readOnly = true)
    public Recorded get(String id) {
        return toRecord(find(id));
    }

    @Transactional(readOnly = true)
    public List<Recorded> withIds(Collection<String> ids) {
        return toRecords(licenses.findByIdInOrderByNameAscIdAsc(ids));
    }

    /** Licenses as the core decides on them, without the sentences of what they allow. */
    @Transactional(readOnly = true)
    public List<License> decidable(Collection<String> ids) {
        return said(licenses.findByIdInOrderByNameAscIdAsc(ids)).stream()
                .map(Recorded::toLicense)
                .toList();
    }

    /** All licenses, for a full comparison. */
    @Transactional(readOnly = true)
    public List<Recorded> all() {
        return toRecords(licenses.findAll());
    }

    /** The names of all licenses, in lower case. */
    @Transactional(readOnly = true)
    public List<String> names() {
        return database.sql("select lower(name) from license where deleted_at is null")
                .query((row, number) -> row.getString(1))
                .list();
    }

    /** The licenses that cover any of the families, or some of its faces. */
    @Transactional(readOnly = true)
    public List<Recorded> covering(Collection<String> familyIds) {
        return withIds(links.licensesCovering(familyIds));
    }

    /** The licenses whose standing changes after one day and up to another. */
    @Transactional(readOnly = true)
    public List<Recorded> changingBetween(LocalDate after, LocalDate until) {
        return toRecords(licenses.changingBetween(after, until));
    }

    /** The terms as they would be recorded, but for whether what they name exists; refused where they are none. */
    public static LicenseDraft checked(LicenseDraft draft) {
        return LicenseTerms.checked(draft);
    }

    /** What a license on these terms would allow today, in sentences. */
    public List<String> allows(LicenseDraft terms) {
        License license = LicenseTerms.toLicense(
                new Recorded("", 0, terms, List.of(), Map.of(), "", List.of(), List.of(), List.of()));
        return LicenseSentence.of(license, List.of("A family"), LocalDate.now(clock));
    }

    @Transactional
    public Recorded create(LicenseDraft draft) {
        changes.begin();
        LicenseEntity license = new LicenseEntity(Ids.next());
        edit(license, draft);
        Recorded made = toRecord(license);
        history.record(Deed.of("license", license.id(), license.name(), "Recorded license “" + license.name() + "”")
                .changing(Map.of(), LicenseTerms.described(made)));
        changes.touched(Scope.ofLicense(license.id(), license.familyIds(), links));
        return made;
    }

    @Transactional
    public Recorded update(String id, long expectedVersion, LicenseDraft draft) {
        changes.begin();
        LicenseEntity license = find(id, expectedVersion);
        Map<String, String> before = LicenseTerms.described(toRecord(license));
        Set<String> families = new TreeSet<>(license.familyIds());
        edit(license, draft);
        families.addAll(license.familyIds());
        Recorded edited = toRecord(license);
        history.record(Deed.of("license", id, license.name(), "Changed license “" + license.name() + "”")
                .changing(before, LicenseTerms.described(edited)));
        changes.touched(Scope.ofLicense(id, families, links));
        return edited;
    }

    /** Attaches a document whose bytes are stored already. */
    @Transactional
    public Recorded attach(String id, long expectedVersion, DocumentKind kind, String fileName, Stored stored) {
        changes.begin();
        if (stored.bytes() == 0) {
            throw Fault.invalid("file", "“" + fileName + "” is empty; attach the " + kind.words() + " itself.");
        }
        if (fileName.isBlank() || fileName.length() > LONGEST_FILE_NAME) {
            throw Fault.invalid("file", "A file’s name has between 1 and 300 characters.");
        }
        LicenseEntity license = find(id, expectedVersion);
        license.attach();
        licenses.saveAndFlush(license);
        Agreement agreement = new Agreement(
                Ids.next(), kind, fileName, stored.sha256(), stored.bytes(), clock.instant(), actor.name());
        agreements.save(new AgreementEntity(id, agreement));
        history.record(Deed.of(
                "license",
                id,
                license.name(),
                "Attached “" + fileName + "” (" + kind.words() + ") to “" + license.name() + "”"));
        changes.touched(Scope.ofLicense(id, license.familyIds(), links));
        return toRecord(license);
    }

    /** Lets a license cover families as a whole; gives those that it did not cover before. */
    @Transactional
    public List<String> cover(String id, Collection<String> familyIds) {
        Recorded license = get(id);
        List<String> added = familyIds.stream()
                .filter(family -> !license.familyNames().containsKey(family))
                .toList();
        if (!added.isEmpty()) {
            List<Covered> covers = new ArrayList<>(license.terms().covers());
            added.forEach(family -> covers.add(new Covered(family, List.of())));
            update(id, license.version(), license.terms().covering(covers));
        }
        return added;
    }

    /**
     * Takes back that a license covers a family; nothing happens if it was deleted, covers it no more, or a site asks for
     * the family.
     */
    @Transactional
    public void uncover(String id, String familyId) {
        licenses.findById(id)
                .filter(license -> license.familyIds().contains(familyId))
                .filter(license -> links.sitesAsking(Set.of(familyId)).isEmpty())
                .ifPresent(license -> {
                    List<Covered> covers = license.terms().covers().stream()
                            .filter(covered -> !covered.familyId().equals(familyId))
                            .toList();
                    update(id, license.version(), license.terms().covering(covers));
                });
    }

    /** The ids of the sites that stand on a license: they ask for a family it covers. */
    @Transactional(readOnly = true)
    public Set<String> sitesOn(String id) {
        return links.sitesAsking(find(id).familyIds());
    }

    /** The name under which an agreement of these bytes was attached last. */
    @Transactional(readOnly = true)
    public Optional<String> agreementName(String sha256) {
        return agreements.findFirstBySha256OrderByAddedAtDesc(sha256).map(found -> found.toRecord()
                .fileName());
    }

    /** Deletes a license; gives the entry of the history by which it is taken back. */
    @Transactional
    public String delete(String id, long expectedVersion) {
        changes.begin();
        LicenseEntity license = find(id, expectedVersion);
        Map<String, String> before = LicenseTerms.described(toRecord(license));
        license.delete(clock.instant());
        licenses.saveAndFlush(license);
        changes.touched(Scope.ofLicense(id, license.familyIds(), links));
        return history.record(Deed.of("license", id, license.name(), "Deleted license “" + license.name() + "”")
                .changing(before, Map.of())
                .undoneBy(new Reversal(DELETED, List.of(id))));
    }

    /**
     * Takes back that a license was recorded for some families: it stays where others rely on it by now, for another
     * family or for a site, and then covers no more of those families than sites ask for.
     */
    @Transactional
    public void takeBack(String id, Set<String> families) {
        LicenseEntity license =
                licenses.findById(id).orElseThrow(() -> Fault.conflict("A license of this intake has been deleted."));
        boolean isReliedOn = !families.containsAll(license.familyIds())
                || !links.sitesAsking(license.familyIds()).isEmpty();
        if (isReliedOn) {
            families.forEach(family -> uncover(id, family));
            return;
        }
        license.delete(clock.instant());
        licenses.saveAndFlush(license);
        changes.touched(Scope.ofLicense(id, license.familyIds(), links));
    }

    @Override
    public boolean reverses(String kind) {
        return kind.equals(DELETED);
    }

    @Override
    public void reverse(Reversal reversal) {
        String id = reversal.ids().get(0);
        deletedRows.restore("license", id, "the license");
        LicenseEntity license = find(id);
        Optional.ofNullable(license.terms().holderId())
                .filter(links::isDeletedClient)
                .ifPresent(holder -> {
                    throw Fault.conflict(license.name() + " is held by "
                            + links.clientNames(Set.of(holder)).getOrDefault(holder, "a client")
                            + ", who was deleted. Restore the client first.");
                });
        links.mustExist("covers", license.familyIds());
        changes.touched(Scope.ofLicense(id, license.familyIds(), links));
    }

    private void edit(LicenseEntity license, LicenseDraft draft) {
        LicenseDraft checked = LicenseTerms.checked(draft);
        links.mustExist(
                "covers", checked.covers().stream().map(Covered::familyId).toList());
        if (checked.holderId() != null) {
            links.clientMustExist("holderId", checked.holderId());
        }
        license.edit(checked);
        licenses.saveAndFlush(license);
        links.ofLicense(license.id(), license.familyIds());
    }

    private Recorded toRecord(LicenseEntity license) {
        return toRecords(List.of(license)).get(0);
    }

    private List<Recorded> toRecords(List<LicenseEntity> entities) {
        return said(entities).stream().map(this::withWhatItSays).toList();
    }

    /** With four more queries, for all their agreements, the names of families and holders, and page views. */
    private List<Recorded> said(List<LicenseEntity> entities) {
        Map<String, List<Agreement>> attached =
                agreements
                        .findByLicenseIdInOrderByAddedAtDescIdAsc(
                                entities.stream().map(LicenseEntity::id).toList())
                        .stream()
                        .collect(Collectors.groupingBy(
                                AgreementEntity::licenseId,
                                Collectors.mapping(AgreementEntity::toRecord, Collectors.toList())));
        Map<String, String> names = links.familyNames(entities.stream()
                .flatMap(license -> license.familyIds().stream())
                .toList());
        Map<String, String> holders = links.clientNames(entities.stream()
                .map(license -> license.terms().holderId())
                .filter(Objects::nonNull)
                .toList());
        Map<String, List<Reading>> views = readings.ofLicenses(entities.stream()
                .filter(license -> license.terms().pageViewLimit() != null)
                .map(LicenseEntity::id)
                .toList());
        return entities.stream()
                .map(license -> new Recorded(
                        license.id(),
                        license.version(),
                        license.terms(),
                        attached.getOrDefault(license.id(), List.of()),
                        license.familyIds().stream()
                                .filter(names::containsKey)
                                .collect(Collectors.toMap(id -> id, names::get, (a, b) -> a, LinkedHashMap::new)),
                        holders.getOrDefault(
                                Objects.requireNonNullElse(license.terms().holderId(), ""), ""),
                        views.getOrDefault(license.id(), List.of()),
                        List.of(),
                        List.of()))
                .toList();
    }

    private Recorded withWhatItSays(Recorded license) {
        List<String> families = license.familyNames().values().stream().sorted().toList();
        License decided = license.toLicense();
        return RecordedBuilder.builder(license)
                .allows(LicenseSentence.of(decided, families, LocalDate.now(clock)))
                .acts(Arrays.stream(Act.values()).map(decided::said).toList())
                .build();
    }

    private LicenseEntity find(String id, long expectedVersion) {
        LicenseEntity license = find(id);
        if (license.version() != expectedVersion) {
            throw Fault.stale();
        }
        return license;
    }

    private LicenseEntity find(String id) {
        return licenses.findById(id).orElseThrow(() -> Fault.notFound("license", id));
    }
}
