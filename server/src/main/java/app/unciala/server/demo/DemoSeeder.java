package app.unciala.server.demo;

import app.unciala.core.license.Clause;
import app.unciala.demo.Scenario;
import app.unciala.demo.Scenario.Deal;
import app.unciala.demo.Scenario.Role;
import app.unciala.server.account.AccountService;
import app.unciala.server.account.Level;
import app.unciala.server.family.FamilyService;
import app.unciala.server.fault.Fault;
import app.unciala.server.intake.IntakeService;
import app.unciala.server.intake.IntakeService.Correction;
import app.unciala.server.intake.IntakeService.FileRow;
import app.unciala.server.intake.IntakeService.Upload;
import app.unciala.server.intake.IntakeState;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.license.LicenseService;
import app.unciala.server.license.LicenseService.Covered;
import app.unciala.server.license.LicenseService.LicenseDraft;
import app.unciala.server.license.LicenseService.Recorded;
import app.unciala.server.pack.PackService;
import app.unciala.server.site.ClientService;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.SiteDraft;
import app.unciala.server.storage.FileStore;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;

/** Enters the scenario through the same services that people use, once, into an empty inventory. */
@Component
class DemoSeeder {
    static final String NAME = "demo";
    static final String PASSWORD = "unciala-demo";
    private static final long PATIENCE_MILLIS = 60_000;

    private final AccountService accounts;
    private final IntakeService intakes;
    private final FamilyService families;
    private final LicenseService licenses;
    private final ClientService clients;
    private final SiteService sites;
    private final PackService packs;
    private final FileStore store;
    private final Clock clock;

    DemoSeeder(
            AccountService accounts,
            IntakeService intakes,
            FamilyService families,
            LicenseService licenses,
            ClientService clients,
            SiteService sites,
            PackService packs,
            FileStore store,
            Clock clock) {
        this.accounts = accounts;
        this.intakes = intakes;
        this.families = families;
        this.licenses = licenses;
        this.clients = clients;
        this.sites = sites;
        this.packs = packs;
        this.store = store;
        this.clock = clock;
    }

    void seed() {
        if (accounts.isEmpty()) {
            accounts.create(NAME, "Mara Quill", Level.ADMINISTRATOR, PASSWORD);
        }
        if (families.count() > 0) {
            return;
        }
        SecurityContextHolder.getContext()
                .setAuthentication(UsernamePasswordAuthenticationToken.authenticated(NAME, null, List.of()));
        try {
            enter();
        } finally {
            SecurityContextHolder.clearContext();
        }
    }

    private void enter() {
        Scenario.accepted().forEach(this::takeIn);
        open("Brantle 3.zip", Scenario.underReview());
        Scenario.deals().forEach(this::record);
        for (Scenario.Site site : Scenario.sites()) {
            String client = clients.create(site.client()).id();
            List<SiteService.Role> roles = site.roles().stream().map(this::role).toList();
            String id = sites.create(new SiteDraft(client, site.name(), site.domains(), roles))
                    .id();
            try {
                packs.make(id);
            } catch (Fault nothingAllowed) {
                // Some sites of the scenario may have no pack; their flags say why.
                continue;
            }
        }
    }

    /** Accepts a whole archive, clashes and repeats too, as somebody in a hurry once did. */
    private void takeIn(String name, Map<String, byte[]> files) {
        String id = open(name, files);
        for (FileRow row : intakes.get(id, null, 500).rows()) {
            if (row.isFont() && !row.included()) {
                intakes.correct(id, row.id(), new Correction(null, null, true));
            }
        }
        intakes.accept(id);
    }

    private String open(String name, Map<String, byte[]> files) {
        byte[] archive = zip(files);
        String id = intakes.open(List.of(new Upload(name, () -> new ByteArrayInputStream(archive))));
        long deadline = System.currentTimeMillis() + PATIENCE_MILLIS;
        while (intakes.get(id, null, 500).state() == IntakeState.READING) {
            if (System.currentTimeMillis() > deadline) {
                throw new IllegalStateException(name + " was not read in time");
            }
            try {
                Thread.sleep(20);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                throw new IllegalStateException(e);
            }
        }
        return id;
    }

    private void record(Deal deal) {
        LocalDate today = LocalDate.now(clock);
        String familyId = familyId(deal.family());
        LicenseDraft draft = new LicenseDraft(
                deal.name(),
                deal.kind(),
                deal.vendor(),
                List.of(new Covered(familyId, List.of())),
                Clause.GRANTED,
                deal.converting() ? Clause.GRANTED : Clause.NOT_STATED,
                Clause.NOT_STATED,
                Clause.GRANTED,
                deal.anywhere(),
                deal.domains(),
                deal.anywhere(),
                deal.anywhere() ? List.of() : List.of("woff2", "woff"),
                today.minusDays(deal.begunBefore()),
                deal.endsIn() == null ? null : today.plusDays(deal.endsIn()),
                deal.noticeDays(),
                deal.price(),
                "EUR",
                "",
                "");
        Recorded license = licenses.create(draft);
        if (deal.agreement()) {
            String text = deal.name() + "\n" + deal.vendor() + "\nWeb use granted.\n";
            licenses.attach(
                    license.id(),
                    license.version(),
                    deal.name() + ".txt",
                    store.put(new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8))));
        }
    }

    private SiteService.Role role(Role role) {
        return new SiteService.Role(
                role.role(),
                familyId(role.family()),
                role.generic(),
                role.faces().stream().map(SlotView::of).toList());
    }

    private String familyId(String name) {
        return families.named(name).orElseThrow().id();
    }

    private static byte[] zip(Map<String, byte[]> files) {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (Map.Entry<String, byte[]> file : files.entrySet()) {
                zip.putNextEntry(new ZipEntry(file.getKey()));
                zip.write(file.getValue());
                zip.closeEntry();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
