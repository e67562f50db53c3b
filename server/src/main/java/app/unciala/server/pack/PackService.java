package app.unciala.server.pack;

import app.unciala.core.flag.Owner;
import app.unciala.core.flag.Scope;
import app.unciala.core.pack.FileList;
import app.unciala.core.pack.Pack;
import app.unciala.core.pack.PackDifference;
import app.unciala.core.pack.PackedFile;
import app.unciala.core.sentence.Sentences;
import app.unciala.server.fault.Fault;
import app.unciala.server.flag.AskedRow;
import app.unciala.server.history.Actor;
import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Days;
import app.unciala.server.inventory.Ids;
import app.unciala.server.inventory.Links;
import app.unciala.server.listing.Cursor;
import app.unciala.server.listing.Page;
import app.unciala.server.pack.PackMaker.Made;
import app.unciala.server.pack.PackMaker.Progress;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.Site;
import app.unciala.server.storage.FileStore;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.persistence.EntityManager;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.data.domain.Sort;
import org.springframework.data.domain.Window;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;
import org.springframework.transaction.support.TransactionTemplate;

/** The packs that are made of sites, recorded with what they were made from. */
@Service
public class PackService {
    private static final Sort LATEST_FIRST = Sort.by(Sort.Order.desc("madeAt"), Sort.Order.asc("id"));

    private final PackRepository packs;
    private final SiteService sites;
    private final FileStore store;
    private final PackMaker maker;
    private final Links links;
    private final HistoryService history;
    private final Actor actor;
    private final ApplicationEventPublisher events;
    private final Changes changes;
    private final EntityManager entities;
    private final TransactionTemplate transaction;
    private final Clock clock;

    PackService(
            PackRepository packs,
            SiteService sites,
            FileStore store,
            PackMaker maker,
            Links links,
            HistoryService history,
            Actor actor,
            ApplicationEventPublisher events,
            Changes changes,
            EntityManager entities,
            TransactionTemplate transaction,
            Clock clock) {
        this.packs = packs;
        this.sites = sites;
        this.store = store;
        this.maker = maker;
        this.links = links;
        this.history = history;
        this.actor = actor;
        this.events = events;
        this.changes = changes;
        this.entities = entities;
        this.transaction = transaction;
        this.clock = clock;
    }

    /** Somebody said that a pack of a site was placed on its host. */
    public record PackPlaced(String siteId) {}

    /**
     * A pack.
     *
     * @param changedSince why it is out of date, in sentences; empty while it is not
     * @param placedOn the day on which somebody placed it on the site's host
     * @param anyway why it was made with what is not allowed; null where it has nothing of that
     * @param checklist what its host needs done before the upload and undone after it
     */
    public record PackView(
            String id,
            String siteId,
            Instant madeAt,
            String madeBy,
            String sha256,
            long bytes,
            List<Content> contents,
            List<String> changedSince,

            @Schema(
                    types = {"string", "null"},
                    format = "date")
            @Nullable
            LocalDate placedOn,

            @Schema(types = {"string", "null"}) @Nullable String anyway,
            List<ToDo> checklist) {
        /** One thing that the host needs done by hand. */
        public record ToDo(String what, boolean done) {}
    }

    /**
     * What changed with a pack.
     *
     * @param since when the one before it was made; null when it is the first
     */
    public record PackChanges(
            @Schema(
                    types = {"string", "null"},
                    format = "date-time")
            @Nullable
            Instant since,

            PackDifference changed) {}

    /** A pack's archive, and the name under which it is handed over. */
    public record Archive(Path file, String name) {}

    /**
     * Makes a pack of what is held and allowed at this moment; when that changes meanwhile, it is made again.
     *
     * @param anyway why what is not allowed goes into it all the same; without a reason it stays out
     */
    public PackView make(String siteId, Optional<String> anyway) {
        return make(siteId, anyway, (faces, of) -> {});
    }

    PackView make(String siteId, Optional<String> anyway, Progress progress) {
        for (int tries = 0; tries < 3; tries++) {
            Made made = maker.make(siteId, anyway, progress);
            Optional<PackView> pack = transaction.execute(status -> record(made));
            if (pack.isPresent()) {
                return pack.get();
            }
        }
        throw Fault.conflict("The site or its licenses are being changed just now. Make the pack again.");
    }

    /** Records a pack, unless what it was made from has changed. */
    private Optional<PackView> record(Made made) {
        changes.begin();
        Site site = sites.get(made.site().id());
        if (site.version() != made.site().version() || !maker.basis(site).equals(made.basis())) {
            return Optional.empty();
        }
        PackEntity pack = new PackEntity(Ids.next(), site.id(), clock.instant(), actor.name());
        pack.keep(
                made.sha256(),
                made.bytes(),
                made.fontBytes(),
                made.contents(),
                made.basis(),
                made.anyway().orElse(null));
        entities.persist(pack);
        entities.flush();
        links.ofPack(
                pack.id(), made.basis().asked().stream().map(AskedRow::familyId).toList());
        history.record(Deed.of(
                "site",
                site.id(),
                site.name(),
                "Made a pack of " + Sentences.count(made.faces(), "face", "faces") + " for “" + site.name() + "”"
                        + made.anyway()
                                .map(why -> ", with what is not allowed, because: " + why)
                                .orElse("")));
        changes.touched(Scope.of(Stream.of(Owner.site(site.id()))));
        return Optional.of(view(pack, made.basis()));
    }

    @Transactional(readOnly = true)
    public Page<PackView> of(String siteId, @Nullable String cursor, int limit) {
        Basis now = maker.basis(sites.get(siteId));
        Window<PackEntity> window = packs.findBySiteId(
                siteId,
                Cursor.read(cursor, Cursor.keys(LATEST_FIRST, Instant.EPOCH, "")),
                LATEST_FIRST,
                Cursor.limit(limit));
        return Page.of(window, pack -> view(pack, now));
    }

    @Transactional(readOnly = true)
    public PackView get(String id) {
        PackEntity pack = find(id);
        return view(pack, maker.basis(sites.get(pack.siteId())));
    }

    /** What a pack has otherwise than the one of the same site before it. */
    @Transactional(readOnly = true)
    public PackChanges changes(String id) {
        PackEntity pack = find(id);
        Optional<PackEntity> before =
                packs.findFirstBySiteIdAndMadeAtBeforeOrderByMadeAtDescIdAsc(pack.siteId(), pack.madeAt());
        return new PackChanges(
                before.map(PackEntity::madeAt).orElse(null),
                PackDifference.between(before.map(this::unzipped).orElse(new Pack(List.of())), unzipped(pack)));
    }

    /** The font files of a pack with what a host's form asks for each. */
    @Transactional(readOnly = true)
    public List<PackedFile> files(String id) {
        return FileList.of(unzipped(find(id)));
    }

    /** The files of a pack, and whether somebody said that it is deployed. */
    public record PackFiles(String id, Instant madeAt, boolean isDeployed, Pack files) {}

    /** The files of a site's latest pack, if it has one. */
    @Transactional(readOnly = true)
    public Optional<PackFiles> latestFiles(String siteId) {
        return packs.latestOf(List.of(siteId)).stream()
                .findFirst()
                .map(pack -> new PackFiles(pack.id(), pack.madeAt(), pack.placedOn() != null, unzipped(pack)));
    }

    private Pack unzipped(PackEntity pack) {
        try {
            return Pack.unzipped(new ByteArrayInputStream(store.get(pack.sha256())));
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** Says on which day a pack was placed on its host; nothing takes that back. */
    @Transactional
    public PackView place(String id, @Nullable LocalDate day) {
        Days.mustBeNear("day", day);
        changes.begin();
        PackEntity pack = find(id);
        Site site = sites.get(pack.siteId());
        pack.place(day);
        history.record(Deed.of(
                "site",
                site.id(),
                site.name(),
                day == null
                        ? "Marked a pack of “" + site.name() + "” as not deployed"
                        : "Marked a pack of “" + site.name() + "” as deployed on " + Sentences.day(day)));
        entities.flush();
        changes.touched(Scope.of(Stream.of(Owner.site(site.id()))));
        if (day != null) {
            events.publishEvent(new PackPlaced(site.id()));
        }
        return view(pack, maker.basis(site));
    }

    /** Says whether a step of a pack's checklist is done; the others stay as somebody else may have ticked them. */
    @Transactional
    public PackView tick(String id, String step, boolean done) {
        changes.begin();
        PackEntity pack = find(id);
        if (!pack.checklist().contains(step)) {
            throw Fault.invalid("step", "“" + step + "” isn’t on the checklist of this pack.");
        }
        pack.tick(step, done);
        return view(pack, maker.basis(sites.get(pack.siteId())));
    }

    @Transactional(readOnly = true)
    public Archive archive(String id) {
        PackEntity pack = find(id);
        String site = sites.get(pack.siteId())
                .name()
                .toLowerCase(Locale.ROOT)
                .replaceAll("[^\\p{L}\\p{N}]+", "-")
                .replaceAll("^-+|-+$", "");
        String day = LocalDate.ofInstant(pack.madeAt(), clock.getZone()).toString();
        return new Archive(store.file(pack.sha256()), (site.isEmpty() ? "site" : site) + "-type-" + day + ".zip");
    }

    private static PackView view(PackEntity pack, Basis now) {
        return new PackView(
                pack.id(),
                pack.siteId(),
                pack.madeAt(),
                pack.madeBy(),
                pack.sha256(),
                pack.bytes(),
                pack.contents(),
                pack.basis()
                        .map(before -> before.compared().changedTo(now.compared()))
                        .orElse(List.of(
                                "It was made by an earlier version, which did not keep what it was made from.")),
                pack.placedOn(),
                pack.anyway(),
                pack.checklist().stream()
                        .map(what -> new PackView.ToDo(what, pack.ticked().contains(what)))
                        .toList());
    }

    private PackEntity find(String id) {
        return packs.findById(id).orElseThrow(() -> Fault.notFound("pack", id));
    }
}
