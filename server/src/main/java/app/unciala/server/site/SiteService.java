package app.unciala.server.site;

import app.unciala.core.domain.DomainName;
import app.unciala.core.flag.Snapshot;
import app.unciala.core.flag.Snapshot.Ask;
import app.unciala.core.license.FaceUse.Place;
import app.unciala.core.page.OwnHosts;
import app.unciala.font.face.Slot;
import app.unciala.server.fault.Fault;
import app.unciala.server.history.DeletedRows;
import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.history.Reversal;
import app.unciala.server.history.Reverser;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Ids;
import app.unciala.server.inventory.Links;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.listing.Cursor;
import app.unciala.server.listing.Page;
import io.swagger.v3.oas.annotations.media.Schema;
import jakarta.validation.Valid;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.NotNull;
import jakarta.validation.constraints.Size;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.BinaryOperator;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.data.domain.KeysetScrollPosition;
import org.springframework.data.domain.Sort;
import org.springframework.data.domain.Window;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Sites with their domains, and the faces that their text roles ask for. */
@Service
public class SiteService implements Reverser {
    private static final Sort BY_NAME = Sort.by("name", "id");
    private static final String DELETED = "site deleted";

    private final SiteRepository sites;
    private final ClientService clients;
    private final Links links;
    private final HistoryService history;
    private final Changes changes;
    private final DeletedRows deletedRows;
    private final Clock clock;

    SiteService(
            SiteRepository sites,
            ClientService clients,
            Links links,
            HistoryService history,
            Changes changes,
            DeletedRows deletedRows,
            Clock clock) {
        this.sites = sites;
        this.clients = clients;
        this.links = links;
        this.history = history;
        this.changes = changes;
        this.deletedRows = deletedRows;
        this.clock = clock;
    }

    /**
     * The part of a site that is kept as one: domains in ASCII form, those of them that are for staging, roles in the
     * order of their names, and the names that families have in its CSS, by their ids, where those are its own.
     */
    record Details(
            List<String> domains,
            List<String> staging,
            List<SiteRole> roles,
            SiteDelivery delivery,
            Map<String, String> familyNames) {
        Details {
            familyNames = familyNames == null ? Map.of() : Map.copyOf(familyNames);
            staging = staging == null ? List.of() : List.copyOf(staging);
            delivery = delivery == null ? SiteDelivery.usual() : delivery;
        }
    }

    /** What a person enters of a site. */
    public record SiteDraft(
            @NotBlank(message = "A site belongs to a client.")
            @Size(max = 20, message = "A client’s id has at most 20 characters.")
            String clientId,

            @NotBlank(message = "A site’s name has between 1 and 300 characters.")
            @Size(max = 300, message = "A site’s name has between 1 and 300 characters.")
            String name,

            @Schema(types = {"array", "null"}) @Size(max = 200, message = "A site has at most 200 domains.") @Nullable
            List<
                            @NotNull(message = "A domain is a text.")
                            @Size(max = 300, message = "A domain has at most 300 characters.") String>
                    domains,

            @Schema(
                    types = {"array", "null"},
                    description = "Those of the domains that are for staging: visitors do not see them.")
            @Size(max = 200, message = "A site has at most 200 domains.")
            @Nullable
            List<
                            @NotNull(message = "A domain is a text.")
                            @Size(max = 300, message = "A domain has at most 300 characters.") String>
                    staging,

            @Schema(types = {"array", "null"}) @Size(max = 50, message = "A site has at most 50 roles.") @Nullable
            List<@NotNull(message = "A role is an object.") @Valid SiteRole> roles,

            @Schema(
                    requiredMode = Schema.RequiredMode.NOT_REQUIRED,
                    description =
                            "What fonts are subset to and how the host takes them; without it that stays as it is.")
            @Valid
            @Nullable
            SiteDelivery delivery,

            @Schema(
                    types = {"object", "null"},
                    requiredMode = Schema.RequiredMode.NOT_REQUIRED,
                    description =
                            "Names of families in the site’s CSS by their ids, where they are not the families’ own;"
                                    + " without it they stay as they are.")
            @Size(max = 200, message = "A site names at most 200 families.")
            @Nullable
            Map<
                            @NotNull @Size(max = 20) String,
                            @NotNull(message = "A name is a text.")
                            @Size(max = 200, message = "A family’s name has at most 200 characters.") String>
                    familyNames) {
        /** What a person enters who says nothing of names. */
        public SiteDraft(
                String clientId,
                String name,
                @Nullable List<String> domains,
                @Nullable List<String> staging,
                @Nullable List<SiteRole> roles,
                @Nullable SiteDelivery delivery) {
            this(clientId, name, domains, staging, roles, delivery, null);
        }
    }

    /**
     * A site.
     *
     * @param familyNames the names that the families of its roles have in its CSS, by their ids
     * @param families the names that they have in the inventory, by their ids
     */
    public record Site(
            String id,
            long version,
            String clientId,
            String clientName,
            String name,
            List<String> domains,
            List<String> staging,
            List<SiteRole> roles,
            SiteDelivery delivery,
            Map<String, String> familyNames,
            Map<String, String> families) {
        /** The hosts on which it is seen. */
        public List<Place> places() {
            return domains.stream()
                    .map(domain -> new Place(new DomainName(domain), staging.contains(domain)))
                    .toList();
        }

        /** The names in its CSS that are not the families' own, by their ids. */
        public Map<String, String> ownNames() {
            Map<String, String> own = new TreeMap<>(familyNames);
            own.entrySet().removeIf(name -> name.getValue()
                    .equals(delivery.nameOf(families.getOrDefault(name.getKey(), ""))));
            return own;
        }

        /** The site as the core compares it. */
        public Snapshot.Site toSnapshot() {
            return new Snapshot.Site(
                    id,
                    name,
                    clientId,
                    places(),
                    roles.stream()
                            .flatMap(role -> role.faces().stream()
                                    .map(face -> new Ask(role.textRole(), role.familyId(), face.toSlot())))
                            .toList(),
                    new Snapshot.Delivery(
                            SiteRole.settings(roles, ownNames()),
                            delivery.described(),
                            Optional.ofNullable(delivery.budget()),
                            delivery.cuts(),
                            delivery.languages(),
                            delivery.wantedFormats(),
                            delivery.placement(),
                            OwnHosts.OF_PAGE,
                            Optional.empty()),
                    Optional.empty());
        }
    }

    /** The sites by name, those that have the words in their name, client or domains. */
    @Transactional(readOnly = true)
    public Page<Site> list(@Nullable String words, @Nullable String cursor, int limit) {
        KeysetScrollPosition position = Cursor.read(cursor, Cursor.keys(BY_NAME, "", ""));
        Window<SiteEntity> window = words == null || words.isBlank()
                ? sites.findAllBy(position, BY_NAME, Cursor.limit(limit))
                : sites.findBySearchTextContaining(
                        words.strip().toLowerCase(Locale.ROOT), position, BY_NAME, Cursor.limit(limit));
        return Page.of(window, toRecords(window.getContent()));
    }

    @Transactional(readOnly = true)
    public Site get(String id) {
        return toRecord(find(id));
    }

    /** The sites with these ids, by name; those that do not exist are left out. */
    @Transactional(readOnly = true)
    public List<Site> withIds(Collection<String> ids) {
        return toRecords(sites.findByIdInOrderByNameAscIdAsc(ids));
    }

    /** The sites of a client, by name. */
    @Transactional(readOnly = true)
    public List<Site> ofClient(String clientId) {
        return toRecords(sites.findByClientIdOrderByName(clientId));
    }

    /** All sites, for a full comparison. */
    @Transactional(readOnly = true)
    public List<Site> all() {
        return toRecords(sites.findAll());
    }

    /** The sites with a text role set in any of the families. */
    @Transactional(readOnly = true)
    public List<Site> asking(Collection<String> familyIds) {
        return withIds(links.sitesAsking(familyIds));
    }

    @Transactional
    public Site create(SiteDraft draft) {
        changes.begin();
        SiteEntity site = new SiteEntity(Ids.next());
        edit(site, draft);
        Site made = toRecord(site);
        history.record(Deed.of("site", site.id(), site.name(), "Added site “" + site.name() + "”")
                .changing(Map.of(), described(made)));
        changes.touched(links.scopeOfSite(site.id(), site.familyIds()));
        return made;
    }

    @Transactional
    public Site update(String id, long expectedVersion, SiteDraft draft) {
        changes.begin();
        SiteEntity site = find(id, expectedVersion);
        Map<String, String> before = described(toRecord(site));
        Set<String> families = new TreeSet<>(site.familyIds());
        edit(site, draft);
        families.addAll(site.familyIds());
        Site edited = toRecord(site);
        history.record(Deed.of("site", id, site.name(), "Changed site “" + site.name() + "”")
                .changing(before, described(edited)));
        changes.touched(links.scopeOfSite(id, families));
        return edited;
    }

    /** Deletes a site; gives the entry of the history by which it is taken back. */
    @Transactional
    public String delete(String id, long expectedVersion) {
        changes.begin();
        SiteEntity site = find(id, expectedVersion);
        Map<String, String> before = described(toRecord(site));
        site.delete(clock.instant());
        sites.saveAndFlush(site);
        changes.touched(links.scopeOfSite(id, site.familyIds()));
        return history.record(Deed.of("site", id, site.name(), "Deleted site “" + site.name() + "”")
                .changing(before, Map.of())
                .undoneBy(new Reversal(DELETED, List.of(id))));
    }

    @Override
    public boolean reverses(String kind) {
        return kind.equals(DELETED);
    }

    @Override
    public void reverse(Reversal reversal) {
        String id = reversal.ids().get(0);
        deletedRows.restore("site", id, "the site");
        SiteEntity site = find(id);
        clients.mustExist(site.clientId(), site.name());
        links.mustExist("familyId", site.familyIds());
        changes.touched(links.scopeOfSite(id, site.familyIds()));
    }

    /** The names of the sites that ask for a face of this slot. */
    @Transactional(readOnly = true)
    public List<String> askingFor(String familyId, Slot slot) {
        return asking(Set.of(familyId)).stream()
                .filter(site -> site.roles().stream()
                        .filter(role -> role.familyId().equals(familyId))
                        .flatMap(role -> role.faces().stream())
                        .anyMatch(face -> slot.standsFor(face.toSlot())))
                .map(Site::name)
                .toList();
    }

    private void edit(SiteEntity site, SiteDraft draft) {
        String clientName = clients.nameOf(draft.clientId());
        List<SiteRole> roles = roles(draft);
        links.mustExist("roles", roles.stream().map(SiteRole::familyId).toList());
        List<String> domains = domains("domains", draft.domains());
        List<String> staging = domains("staging", draft.staging());
        staging.stream().filter(host -> !domains.contains(host)).findFirst().ifPresent(host -> {
            throw Fault.invalid("staging", host + " is not among the site’s domains.");
        });
        SiteDelivery delivery = draft.delivery() == null
                ? site.details().delivery()
                : draft.delivery().checked();
        site.edit(
                draft.clientId(),
                clientName,
                draft.name().strip(),
                new Details(
                        domains,
                        staging,
                        roles,
                        delivery,
                        draft.familyNames() == null
                                ? site.details().familyNames()
                                : familyNames(draft.familyNames(), roles, delivery)));
        sites.saveAndFlush(site);
        links.ofSite(site.id(), site.familyIds());
    }

    /** Names that differ from those that families have anyhow; refused where two families would have one. */
    private Map<String, String> familyNames(Map<String, String> typed, List<SiteRole> roles, SiteDelivery delivery) {
        Map<String, String> held = links.familyNames(
                roles.stream().map(SiteRole::familyId).distinct().toList());
        Map<String, String> own = new TreeMap<>();
        Map<String, String> taken = new HashMap<>();
        held.forEach((id, family) -> {
            String usual = delivery.nameOf(family);
            String said = Objects.requireNonNullElse(typed.get(id), "");
            String name = said.isBlank() ? usual : CssName.checked("familyNames", said);
            String before = taken.put(name.toLowerCase(Locale.ROOT), family);
            if (before != null) {
                throw Fault.invalid(
                        "familyNames", "“" + name + "” would be the name of both " + before + " and " + family + ".");
            }
            if (!name.equals(usual) && !name.equals(family)) {
                own.put(id, name);
            }
        });
        return own;
    }

    private static List<SiteRole> roles(SiteDraft draft) {
        Set<String> seen = new HashSet<>();
        List<SiteRole> checked = new ArrayList<>();
        for (SiteRole role : draft.roles() == null ? List.<SiteRole>of() : draft.roles()) {
            SiteRole read = role.checked();
            if (!seen.add(read.textRole().key())) {
                throw Fault.invalid("roles", "The role “" + read.textRole().label() + "” is set twice.");
            }
            checked.add(read);
        }
        checked.sort(Comparator.comparing(SiteRole::textRole));
        return checked;
    }

    private static List<String> domains(String field, @Nullable List<String> typed) {
        List<String> domains = new ArrayList<>();
        for (String domain : typed == null ? List.<String>of() : typed) {
            try {
                String ascii = DomainName.parse(domain).ascii();
                if (!domains.contains(ascii)) {
                    domains.add(ascii);
                }
            } catch (IllegalArgumentException e) {
                throw Fault.invalid(field, e.getMessage() + ".");
            }
        }
        return domains;
    }

    private static Map<String, String> described(Site site) {
        Map<String, String> words = new LinkedHashMap<>();
        words.put("name", site.name());
        words.put("client", site.clientName());
        words.put("domains", String.join(", ", site.domains()));
        words.put("staging", String.join(", ", site.staging()));
        site.roles()
                .forEach(role -> words.put(
                        role.textRole().label(),
                        site.families().getOrDefault(role.familyId(), role.familyId()) + " "
                                + role.faces().stream().map(SlotView::label).collect(Collectors.joining(", "))
                                + ", "
                                + role.generic().name().toLowerCase(Locale.ROOT).replace('_', '-')));
        return words;
    }

    private Site toRecord(SiteEntity site) {
        return toRecords(List.of(site)).get(0);
    }

    /** With two more queries, for the names of all their clients and families. */
    private List<Site> toRecords(List<SiteEntity> entities) {
        Map<String, ClientEntity> byId = clients.byId(
                entities.stream().map(SiteEntity::clientId).distinct().toList());
        Map<String, String> names = links.familyNames(
                entities.stream().flatMap(site -> site.familyIds().stream()).toList());
        return entities.stream()
                .map(site -> new Site(
                        site.id(),
                        site.version(),
                        site.clientId(),
                        byId.containsKey(site.clientId())
                                ? byId.get(site.clientId()).name()
                                : "",
                        site.name(),
                        site.details().domains(),
                        site.details().staging(),
                        site.details().roles(),
                        site.details().delivery(),
                        byFamily(site, names, (id, name) -> site.details()
                                .familyNames()
                                .getOrDefault(id, site.details().delivery().nameOf(name))),
                        byFamily(site, names, (id, name) -> name)))
                .toList();
    }

    private static Map<String, String> byFamily(
            SiteEntity site, Map<String, String> held, BinaryOperator<String> name) {
        Map<String, String> byId = new LinkedHashMap<>();
        site.familyIds().forEach(id -> Optional.ofNullable(held.get(id))
                .ifPresent(family -> byId.put(id, name.apply(id, family))));
        return byId;
    }

    private SiteEntity find(String id, long expectedVersion) {
        SiteEntity site = find(id);
        if (site.version() != expectedVersion) {
            throw Fault.stale();
        }
        return site;
    }

    private SiteEntity find(String id) {
        return sites.findById(id).orElseThrow(() -> Fault.notFound("site", id));
    }
}
