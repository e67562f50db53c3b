package app.unciala.server.intake;

import app.unciala.core.license.Basis;
import app.unciala.core.license.Clause;
import app.unciala.core.license.OpenLicense;
import app.unciala.core.sentence.Sentences;
import app.unciala.server.family.IncomingFiles;
import app.unciala.server.family.IncomingFiles.Added;
import app.unciala.server.family.IncomingFiles.Incoming;
import app.unciala.server.fault.Fault;
import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.history.Reversal;
import app.unciala.server.intake.ReadFile.Kind;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Texts;
import app.unciala.server.license.Covered;
import app.unciala.server.license.DocumentKind;
import app.unciala.server.license.LicenseDraft;
import app.unciala.server.license.LicenseDraftBuilder;
import app.unciala.server.license.LicenseService;
import app.unciala.server.license.LicenseService.Recorded;
import app.unciala.server.storage.FileStore;
import app.unciala.server.storage.FileStore.Stored;
import app.unciala.server.storage.StagingArea;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.time.Clock;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Puts what is included of an intake into the inventory, with the open licenses that it came under, and takes it back. */
@Component
public class Acceptance {
    static final String ACCEPTED = "intake accepted";
    /** Between the ids of a license and of a family that it covers since, in a reversal. */
    private static final String COVERS = " covers ";

    private final IntakeRepository intakes;
    private final IntakeItemRepository items;
    private final StagingArea staging;
    private final FileStore store;
    private final IncomingFiles incoming;
    private final LicenseService licenses;
    private final Judgement judgement;
    private final HistoryService history;
    private final Changes changes;
    private final TransactionTemplate transaction;
    private final Clock clock;

    Acceptance(
            IntakeRepository intakes,
            IntakeItemRepository items,
            StagingArea staging,
            FileStore store,
            IncomingFiles incoming,
            LicenseService licenses,
            Judgement judgement,
            HistoryService history,
            Changes changes,
            TransactionTemplate transaction,
            Clock clock) {
        this.intakes = intakes;
        this.items = items;
        this.staging = staging;
        this.store = store;
        this.incoming = incoming;
        this.licenses = licenses;
        this.judgement = judgement;
        this.history = history;
        this.changes = changes;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** What went in, the licenses recorded with it, and the entry of the history by which all of it is taken back. */
    public record Accepted(int files, List<String> familyIds, List<String> licenseIds, String historyId) {}

    /**
     * Accepts an intake; only now its files count as held. The bytes are stored before anything waits for it; of several
     * that accept at once, the first does, and the others are told so.
     *
     * @param openLicenses the SPDX identifiers of the licenses to record, each for all families that came under it
     * @param licenseId the recorded license under which the other families stand; null leaves that to be recorded
     */
    public Accepted accept(String id, Set<String> openLicenses, @Nullable String licenseId) {
        for (String spdx : openLicenses) {
            if (OpenLicense.ofSpdx(spdx).isEmpty()) {
                throw Fault.invalid("openLicenses", "“" + spdx + "” isn’t an open license that is known here.");
            }
        }
        store(id);
        return Objects.requireNonNull(transaction.execute(status -> {
            changes.begin();
            return accepted(id, openLicenses, licenseId);
        }));
    }

    private void store(String id) {
        find(id).mustBeInReview();
        Set<String> seen = new HashSet<>();
        Stream.concat(
                        items.findByIntakeIdAndGoesInTrueOrderByPosition(id).stream(),
                        items
                                .findByIntakeIdAndKindInOrderByPosition(id, List.of(Kind.LICENSE_TEXT, Kind.README))
                                .stream())
                .filter(item -> seen.add(item.sha256()))
                .forEach(item -> store(id, item.sha256()));
    }

    private void store(String id, String sha256) {
        if (staging.has(id, sha256)) {
            try (InputStream in = Files.newInputStream(staging.file(id, sha256))) {
                store.put(in);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
    }

    private Accepted accepted(String id, Set<String> openLicenses, @Nullable String licenseId) {
        judgement.refresh(find(id));
        find(id).mustBeInReview();
        List<IntakeItemEntity> included = items.findByIntakeIdAndGoesInTrueOrderByPosition(id);
        if (included.isEmpty()) {
            throw Fault.invalid("No file of this intake is marked to be added.");
        }
        included.stream()
                .map(IntakeItemEntity::sha256)
                .distinct()
                .filter(sha256 -> !store.has(sha256))
                .forEach(sha256 -> store(id, sha256));
        List<Added> added = incoming.add(included.stream()
                .map(item -> new Incoming(
                        item.family(),
                        item.path(),
                        item.sha256(),
                        item.bytes(),
                        item.facts().format(),
                        item.slot(),
                        item.toFileFacts(),
                        item.replaces(),
                        item.copyOf()))
                .toList());
        for (int i = 0; i < included.size(); i++) {
            included.get(i).accepted(added.get(i).fileId());
        }
        items.saveAll(included);
        List<String> recorded = record(id, openLicenses, included, added);
        List<String> toTakeBack = new ArrayList<>(List.of(id));
        toTakeBack.addAll(recorded);
        if (licenseId != null) {
            List<String> covered = licenses.cover(licenseId, withoutLicense(openLicenses, included, added));
            covered.forEach(family -> toTakeBack.add(licenseId + COVERS + family));
        }
        IntakeEntity intake = find(id);
        intake.move(IntakeState.ACCEPTED, clock.instant());
        intakes.saveAndFlush(intake);
        String uploads = String.join(", ", intake.uploads());
        String entry = history.record(Deed.of(
                        "intake",
                        id,
                        uploads,
                        "Accepted " + Sentences.count(included.size(), "file", "files") + " from " + uploads)
                .undoneBy(new Reversal(ACCEPTED, toTakeBack)));
        return new Accepted(
                included.size(), added.stream().map(Added::familyId).distinct().toList(), recorded, entry);
    }

    /** The families of which some file came under none of the open licenses that are recorded. */
    private static Set<String> withoutLicense(
            Set<String> openLicenses, List<IntakeItemEntity> included, List<Added> added) {
        Set<String> families = new LinkedHashSet<>();
        for (int i = 0; i < included.size(); i++) {
            if (!openLicenses.contains(included.get(i).openLicense())) {
                families.add(added.get(i).familyId());
            }
        }
        return families;
    }

    /** Records one license for each of the open licenses that were asked for, with its text as proof where one came along. */
    private List<String> record(
            String id, Set<String> openLicenses, List<IntakeItemEntity> included, List<Added> added) {
        List<String> recorded = new ArrayList<>();
        for (String spdx : openLicenses) {
            OpenLicense license = OpenLicense.ofSpdx(spdx).orElseThrow();
            Set<String> families = new LinkedHashSet<>();
            for (int i = 0; i < included.size(); i++) {
                if (included.get(i).openLicense().equals(license.spdx())) {
                    families.add(added.get(i).familyId());
                }
            }
            if (families.isEmpty()) {
                throw Fault.invalid(
                        "openLicenses", "None of the files to be added came under " + license.title() + ".");
            }
            Recorded made = licenses.create(draft(license, families, find(id).uploads()));
            items.findByIntakeIdAndKindInOrderByPosition(id, List.of(Kind.LICENSE_TEXT)).stream()
                    .filter(text -> text.openLicense().equals(license.spdx()))
                    .findFirst()
                    .ifPresent(text -> licenses.attach(
                            made.id(),
                            made.version(),
                            DocumentKind.AGREEMENT,
                            Texts.cut(Texts.baseName(text.path()), 300),
                            new Stored(text.sha256(), text.bytes())));
            recorded.add(made.id());
        }
        return recorded;
    }

    private static LicenseDraft draft(OpenLicense license, Set<String> families, List<String> uploads) {
        return LicenseDraftBuilder.builder()
                .name(license.title())
                .basis(Basis.OPEN)
                .spdx(license.spdx())
                .covers(families.stream()
                        .map(family -> new Covered(family, List.of()))
                        .toList())
                .subdomains(Clause.GRANTED)
                .development(Clause.GRANTED)
                .anyDomain(true)
                .anyFormat(true)
                .proof(Texts.cut("Came with " + String.join(", ", uploads), 1000))
                .build();
    }

    /** Takes back what went in, the licenses recorded with it, and what one that was there covers since. */
    void takeBack(String id, List<String> licensed) {
        Set<String> families = incoming.familiesOf(items.findByIntakeIdAndGoesInTrueOrderByPosition(id).stream()
                .map(IntakeItemEntity::faceFileId)
                .filter(Objects::nonNull)
                .toList());
        for (String text : licensed) {
            int covers = text.indexOf(COVERS);
            if (covers < 0) {
                licenses.takeBack(text, families);
            } else {
                licenses.uncover(text.substring(0, covers), text.substring(covers + COVERS.length()));
            }
        }
        List<IntakeItemEntity> in = items.findByIntakeIdAndGoesInTrueOrderByPosition(id);
        incoming.takeBack(in.stream()
                .map(IntakeItemEntity::faceFileId)
                .filter(Objects::nonNull)
                .toList());
        in = items.findByIntakeIdAndGoesInTrueOrderByPosition(id);
        in.forEach(item -> item.accepted(null));
        items.saveAll(in);
    }

    private IntakeEntity find(String id) {
        return intakes.findById(id).orElseThrow(() -> Fault.notFound("intake", id));
    }
}
