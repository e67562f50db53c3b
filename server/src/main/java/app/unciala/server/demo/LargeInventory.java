package app.unciala.server.demo;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.css.TextRole;
import app.unciala.core.license.Basis;
import app.unciala.core.license.Clause;
import app.unciala.demo.DemoFont;
import app.unciala.font.FontFormat;
import app.unciala.font.bytes.ByteView;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.rename.Renamer;
import app.unciala.font.report.FaceReport;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.Subsetter;
import app.unciala.server.account.AccountService;
import app.unciala.server.account.Level;
import app.unciala.server.family.FamilyService;
import app.unciala.server.family.FileFacts;
import app.unciala.server.family.IncomingFiles;
import app.unciala.server.family.IncomingFiles.Incoming;
import app.unciala.server.intake.IntakeService;
import app.unciala.server.intake.IntakeService.Upload;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.license.Covered;
import app.unciala.server.license.LicenseDraft;
import app.unciala.server.license.LicenseDraftBuilder;
import app.unciala.server.license.LicenseService;
import app.unciala.server.site.ClientService;
import app.unciala.server.site.SiteRole;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.SiteDraft;
import app.unciala.server.storage.FileStore;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.Locale;
import java.util.TreeMap;
import java.util.stream.IntStream;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Profile;
import org.springframework.security.authentication.UsernamePasswordAuthenticationToken;
import org.springframework.security.core.context.SecurityContextHolder;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * An inventory of an agency's largest size, generated once into an empty folder: 5,000 families of four files each, 500
 * sites of 200 clients, 2,000 licenses, and an intake of 5,000 files under review. All names are made up; every file
 * has its own bytes, names and drawing.
 */
@Component
@Profile("large")
class LargeInventory implements ApplicationRunner {
    private static final int FAMILIES = 5_000;
    private static final int SITES = 500;
    private static final int CLIENTS = 200;
    private static final int LICENSES = 2_000;
    private static final int INTAKE = 5_000;
    /** The families that twenty sites each ask for. */
    private static final int POPULAR = 25;

    private static final int LICENSED = 4_000;
    private static final int BATCH = 100;
    private static final int[] WEIGHTS = {400, 700};
    private static final String[] FIRST =
            words("Al Bar Cor Dun El Far Gar Hol Is Jar Kel Lor Mar Nor Os Pen Quar Ros Sar"
                    + " Tor Ul Var Wen Yar Zel Ash Bram Crow Dray Elm Fenn Glen Hart Iver Jas Kest Lind Mer Nest Oak Pell Quill"
                    + " Rud Stan Tarn Umber Vesp Wick Yew Zin Aber Bel Cald Dor Ember Flint Gorse Heath Ire Jun Knoll Lark Moss"
                    + " Neth Orm Pike Quay Rill Sedge Thorn");
    private static final String[] SECOND =
            words("ac ada aven bec ble bourne brook by cast ceda cliffe combe cote creda dale den dene don dra ea ega"
                    + " ello en esta ette fall fell field ford gate gill grove ham hurst ica ida ine ington io ish ison"
                    + " ka keld land leigh ley lin lo low lun mar mere mond more ney nia o ock on or ora ow ra rith rock"
                    + " row shaw stead stow ton va ward");

    private final AccountService accounts;
    private final FamilyService families;
    private final IncomingFiles arrivals;
    private final LicenseService licenses;
    private final ClientService clients;
    private final SiteService sites;
    private final IntakeService intakes;
    private final FileStore store;
    private final Changes changes;
    private final TransactionTemplate transaction;
    private final Clock clock;
    private final int port;

    LargeInventory(
            AccountService accounts,
            FamilyService families,
            IncomingFiles arrivals,
            LicenseService licenses,
            ClientService clients,
            SiteService sites,
            IntakeService intakes,
            FileStore store,
            Changes changes,
            TransactionTemplate transaction,
            Clock clock,
            @Value("${server.port}") int port) {
        this.accounts = accounts;
        this.families = families;
        this.arrivals = arrivals;
        this.licenses = licenses;
        this.clients = clients;
        this.sites = sites;
        this.intakes = intakes;
        this.store = store;
        this.changes = changes;
        this.transaction = transaction;
        this.clock = clock;
        this.port = port;
    }

    @Override
    public void run(ApplicationArguments args) throws IOException {
        if (accounts.isEmpty()) {
            accounts.create(DemoSeeder.NAME, "Mara Quill", Level.ADMINISTRATOR, DemoSeeder.PASSWORD);
        }
        if (families.count() < FAMILIES) {
            SecurityContextHolder.getContext()
                    .setAuthentication(
                            UsernamePasswordAuthenticationToken.authenticated(DemoSeeder.NAME, null, List.of()));
            generate();
            SecurityContextHolder.clearContext();
        }
        System.out.println("Unciala is ready: http://localhost:" + port);
        System.out.println("Sign in as “" + DemoSeeder.NAME + "” with the password “" + DemoSeeder.PASSWORD + "”.");
    }

    private void generate() throws IOException {
        List<String> ids = new ArrayList<>();
        for (int from = 0; from < FAMILIES; from += BATCH) {
            ids.addAll(addFamilies(from, Math.min(FAMILIES, from + BATCH)));
            System.out.println(ids.size() + " of " + FAMILIES + " families");
        }
        for (int i = 0; i < LICENSES; i++) {
            licenses.create(license(i, ids));
        }
        System.out.println(LICENSES + " licenses");
        List<String> clientIds = IntStream.range(0, CLIENTS)
                .mapToObj(i -> clients.create("Client " + familyName(4_999 - i)).id())
                .toList();
        for (int i = 0; i < SITES; i++) {
            sites.create(site(i, ids, clientIds.get(i % CLIENTS)));
        }
        System.out.println(SITES + " sites");
        byte[] archive = intake();
        intakes.open(List.of(new Upload("Five thousand.zip", file -> Files.write(file, archive))), null);
    }

    private List<String> addFamilies(int from, int to) {
        List<Incoming> incoming = IntStream.range(from, to)
                .parallel()
                .boxed()
                .flatMap(i -> files(i).stream())
                .toList();
        List<String> ids = transaction.execute(status -> {
            changes.begin();
            return arrivals.add(incoming).stream()
                    .map(IncomingFiles.Added::familyId)
                    .distinct()
                    .toList();
        });
        return ids == null ? List.of() : ids;
    }

    private List<Incoming> files(int family) {
        List<Incoming> files = new ArrayList<>();
        String name = familyName(family);
        for (int weight = 0; weight < WEIGHTS.length; weight++) {
            Sfnt face = face(name, family * WEIGHTS.length + weight);
            FileFacts facts = FileFacts.of(face, FaceReport.of(face));
            Slot slot = Slot.of(WEIGHTS[weight], 100, Slope.UPRIGHT);
            for (FontFormat format : List.of(FontFormat.TTF, FontFormat.WOFF2)) {
                byte[] bytes = FontWriter.write(face, format);
                files.add(new Incoming(
                        name,
                        name + "-" + WEIGHTS[weight] + "." + format.extension(),
                        store.put(bytes),
                        bytes.length,
                        format,
                        slot,
                        facts,
                        false,
                        null));
            }
        }
        return files;
    }

    /** One of the demonstration's smallest faces under another name, with two advances of its own. */
    private static Sfnt face(String family, int number) {
        Sfnt source = BASES.get(number % BASES.size());
        Sfnt renamed = Renamer.rename(source, family);
        TreeMap<String, ByteView> tables = new TreeMap<>(renamed.tables());
        byte[] hmtx = source.require("hmtx").toArray();
        hmtx[1] = (byte) (number % 250);
        hmtx[5] = (byte) (number / 250);
        tables.put("hmtx", ByteView.of(hmtx, "hmtx"));
        return new Sfnt(renamed.flavor(), tables, List.of());
    }

    private static final List<Sfnt> BASES = DemoFont.all().stream()
            .filter(font -> List.of(
                            "Brantle-Regular.ttf", "Gannet-Bold.ttf", "Osier-Regular.ttf", "FenwickGrotesk-Bold.ttf")
                    .contains(font.fileName()))
            .map(font -> Subsetter.subset(FontReader.read(font.bytes()).faces().get(0), letters()))
            .toList();

    private static BitSet letters() {
        BitSet letters = new BitSet();
        letters.set(' ', 'z' + 1);
        return letters;
    }

    private LicenseDraft license(int number, List<String> ids) {
        LocalDate today = LocalDate.now(clock);
        int first = number * 2;
        boolean anywhere = number % 3 != 0;
        LocalDate ends = number % 10 == 0
                ? today.minusDays(number % 300 + 1)
                : number % 4 == 0 ? today.plusDays(number % 700 + 1) : null;
        return LicenseDraftBuilder.builder()
                .name(familyName(first) + " and " + familyName(first + 1))
                .basis(Basis.values()[number % Basis.values().length])
                .vendor("Foundry " + familyName(number / 7))
                .covers(IntStream.of(first, first + 1)
                        .filter(family -> family < LICENSED)
                        .mapToObj(family -> new Covered(ids.get(family), List.of()))
                        .toList())
                .webUse(number % 17 == 0 ? Clause.NOT_STATED : Clause.GRANTED)
                .converting(number % 19 == 0 ? Clause.REFUSED : Clause.GRANTED)
                .development(Clause.GRANTED)
                .anyDomain(anywhere)
                .domains(anywhere ? List.of() : List.of(domain(number % SITES)))
                .anyFormat(anywhere)
                .formats(anywhere ? List.of() : List.of("woff2"))
                .begins(today.minusDays(400))
                .ends(ends)
                .price(number * 100L)
                .proof(number % 5 == 0 ? "" : "order " + (10_000 + number))
                .build();
    }

    private static SiteDraft site(int number, List<String> ids, String client) {
        List<SlotView> faces = IntStream.of(WEIGHTS)
                .mapToObj(weight -> SlotView.of(Slot.of(weight, 100, Slope.UPRIGHT)))
                .toList();
        return new SiteDraft(
                client,
                "Site " + familyName(number * 9 + 3),
                List.of(domain(number)),
                List.of(),
                List.of(
                        new SiteRole(
                                TextRole.HEADINGS.id(),
                                ids.get(number * 9 % FAMILIES),
                                GenericFamily.SANS_SERIF,
                                faces.subList(0, number % 40 == 0 ? 1 : 2)),
                        new SiteRole(
                                TextRole.RUNNING_TEXT.id(), ids.get(number % POPULAR), GenericFamily.SERIF, faces)),
                null);
    }

    /** Half of it is new, some of it is held already. */
    private static byte[] intake() throws IOException {
        ByteArrayOutputStream out = new ByteArrayOutputStream();
        try (ZipOutputStream zip = new ZipOutputStream(out)) {
            for (int i = 0; i < INTAKE; i++) {
                int number = i % 3 == 0 ? i : 20_000 + i;
                String name = i % 3 == 0 ? familyName(number / WEIGHTS.length) : "New " + familyName(number % FAMILIES);
                zip.putNextEntry(new ZipEntry("fonts/" + i + ".ttf"));
                zip.write(FontWriter.write(face(name, number), FontFormat.TTF));
                zip.closeEntry();
            }
        }
        return out.toByteArray();
    }

    private static String domain(int site) {
        return familyName(site * 9 + 3).toLowerCase(Locale.ROOT) + "-" + site + ".example";
    }

    /** A different name for every number below 5,000. */
    private static String familyName(int number) {
        int wrapped = Math.floorMod(number, FAMILIES);
        return FIRST[wrapped % FIRST.length] + SECOND[wrapped / FIRST.length];
    }

    private static String[] words(String list) {
        return list.split(" ");
    }
}
