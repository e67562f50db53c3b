package app.unciala.server.ledger;

import app.unciala.server.fault.Fault;
import app.unciala.server.inventory.Batches;
import app.unciala.server.inventory.Links;
import app.unciala.server.ledger.LedgerEntry.NamedFaces;
import app.unciala.server.ledger.LedgerEntry.ReadEntry;
import app.unciala.server.license.Covered;
import app.unciala.server.license.LicenseDraft;
import app.unciala.server.license.LicenseDraftBuilder;
import app.unciala.server.license.LicenseService;
import app.unciala.server.limit.BoundedWork;
import app.unciala.server.limit.Work;
import app.unciala.server.listing.CsvText;
import app.unciala.server.listing.ImportReport;
import app.unciala.server.listing.ImportReport.FileProblem;
import jakarta.validation.Validator;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** All licenses as a file, written and read. Nothing of a file with a problem is recorded. */
@Service
class LicenseLedger {
    private static final int MOST_LICENSES = 5_000;
    private static final int BATCH = 25;

    private final LicenseService licenses;
    private final Links links;
    private final Batches batches;
    private final Validator validator;
    private final CsvLedger csv;
    private final JsonLedger json;
    private final OdrlLedger odrl;
    private final BoundedWork work;

    LicenseLedger(
            LicenseService licenses,
            Links links,
            Batches batches,
            Validator validator,
            CsvLedger csv,
            JsonLedger json,
            OdrlLedger odrl,
            BoundedWork work) {
        this.work = work;
        this.licenses = licenses;
        this.links = links;
        this.batches = batches;
        this.validator = validator;
        this.csv = csv;
        this.json = json;
        this.odrl = odrl;
    }

    @Transactional(readOnly = true)
    String csv() {
        return csv.written(all());
    }

    @Transactional(readOnly = true)
    String json() {
        return json.written(all());
    }

    @Transactional(readOnly = true)
    String odrl() {
        return odrl.written(all());
    }

    /** One license as an ODRL policy. */
    @Transactional(readOnly = true)
    String odrl(String id) {
        return odrl.written(LedgerEntry.of(licenses.get(id)));
    }

    private List<LedgerEntry> all() {
        return licenses.all().stream().map(LedgerEntry::of).toList();
    }

    /** Reads a file in any of the forms; records what it has if there is no problem and {@code record} says so. */
    ImportReport read(byte[] bytes, boolean record) {
        String text = CsvText.decoded(bytes);
        List<FileProblem> problems = new ArrayList<>();
        List<ReadEntry> entries = work.of(Work.TABLE, () -> formOf(text).read(text, problems));
        if (entries.size() > MOST_LICENSES) {
            problems.add(new FileProblem("", "", "A file has at most 5,000 licenses."));
        }
        List<LicenseDraft> drafts = new ArrayList<>();
        if (problems.isEmpty()) {
            Set<String> names = new HashSet<>(licenses.names());
            entries.forEach(entry -> drafts.add(checked(entry, names, problems)));
        }
        if (!record || !problems.isEmpty()) {
            return new ImportReport(entries.size(), 0, problems);
        }
        Batches.Outcome outcome = batches.each(drafts, BATCH, licenses::create);
        return ImportReport.of(entries.size(), outcome.done(), outcome.stopped());
    }

    private LedgerForm formOf(String text) {
        String first = text.stripLeading();
        if (!first.startsWith("{") && !first.startsWith("[")) {
            return csv;
        }
        return first.contains("\"@context\"") ? odrl : json;
    }

    /** The license as it is recorded, with ids for names; what is wrong in it is added to the problems. */
    private LicenseDraft checked(ReadEntry read, Set<String> names, List<FileProblem> problems) {
        read.problems().forEach(problems::add);
        LicenseDraft draft = LicenseDraftBuilder.builder(read.entry().terms())
                .holderId(holder(read, problems))
                .covers(covers(read, problems))
                .build();
        validator
                .validate(draft)
                .forEach(violation -> problems.add(new FileProblem(
                        read.place(), violation.getPropertyPath().toString(), violation.getMessage())));
        if (!draft.name().isBlank() && !names.add(draft.name().strip().toLowerCase(Locale.ROOT))) {
            problems.add(
                    new FileProblem(read.place(), "name", "A license “" + draft.name() + "” is recorded already."));
        }
        try {
            return LicenseService.checked(draft);
        } catch (Fault fault) {
            problems.add(new FileProblem(read.place(), fault.field().orElse(""), fault.getMessage()));
            return draft;
        }
    }

    private @Nullable String holder(ReadEntry read, List<FileProblem> problems) {
        String name = read.entry().holder();
        if (name.isEmpty()) {
            return null;
        }
        String id = links.clientNamed(name).orElse(null);
        if (id == null) {
            problems.add(new FileProblem(read.place(), "holder", "There is no client “" + name + "”."));
        }
        return id;
    }

    private List<Covered> covers(ReadEntry read, List<FileProblem> problems) {
        List<Covered> covers = new ArrayList<>();
        for (NamedFaces named : read.entry().covers()) {
            links.familyNamed(named.family())
                    .ifPresentOrElse(
                            id -> covers.add(new Covered(id, named.faces())),
                            () -> problems.add(new FileProblem(
                                    read.place(), "covers", "There is no family “" + named.family() + "”.")));
        }
        return covers;
    }
}
