package app.unciala.server.site;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.css.TextRole;
import app.unciala.core.domain.DomainName;
import app.unciala.core.face.Slot;
import app.unciala.server.history.HistoryService;
import app.unciala.server.http.Ids;
import app.unciala.server.http.Problem;
import app.unciala.server.http.SlotView;
import app.unciala.server.http.Versions;
import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Sites with their domains, and the faces that their text roles ask for. */
@Service
public class SiteService {
    private final SiteRepository sites;
    private final ClientService clients;
    private final HistoryService history;

    SiteService(SiteRepository sites, ClientService clients, HistoryService history) {
        this.sites = sites;
        this.clients = clients;
        this.history = history;
    }

    /** A text role set in a family; the first face is the one that plain text of the role uses. */
    public record Role(TextRole role, String familyId, GenericFamily generic, List<SlotView> faces) {
        public Role {
            if (role == null || familyId == null || familyId.isBlank()) {
                throw Problem.invalid("A text role needs its name and a family.");
            }
            generic = generic == null ? GenericFamily.SANS_SERIF : generic;
            faces = faces == null ? List.of() : List.copyOf(faces);
        }
    }

    /** The part of a site that is kept as one: domains in ASCII form, roles in the order of their names. */
    record Details(List<String> domains, List<Role> roles) {}

    /** What a person enters of a site. */
    public record SiteDraft(
            String clientId,
            String name,
            @Nullable List<String> domains,
            @Nullable List<Role> roles) {}

    public record Site(
            String id,
            long version,
            String clientId,
            String clientName,
            String name,
            List<String> domains,
            List<Role> roles) {}

    @Transactional(readOnly = true)
    public List<Site> all() {
        return sites.findAllByOrderByName().stream().map(this::toRecord).toList();
    }

    @Transactional(readOnly = true)
    public Site get(String id) {
        return toRecord(find(id));
    }

    @Transactional
    public Site create(SiteDraft draft) {
        SiteEntity site = new SiteEntity(Ids.next());
        edit(site, draft);
        history.record("site", site.id(), "Added site “" + site.name() + "”");
        return toRecord(site);
    }

    @Transactional
    public Site update(String id, long expectedVersion, SiteDraft draft) {
        SiteEntity site = find(id);
        Versions.check(expectedVersion, site.version());
        edit(site, draft);
        history.record("site", id, "Changed site “" + site.name() + "”");
        return toRecord(site);
    }

    /** The names of the sites that ask for a face of this slot. */
    @Transactional(readOnly = true)
    public List<String> askingFor(String familyId, Slot slot) {
        return all().stream()
                .filter(site -> site.roles().stream()
                        .filter(role -> role.familyId().equals(familyId))
                        .flatMap(role -> role.faces().stream())
                        .anyMatch(face -> slot.serves(face.toSlot())))
                .map(Site::name)
                .toList();
    }

    private void edit(SiteEntity site, SiteDraft draft) {
        if (draft.name() == null || draft.name().isBlank() || draft.name().length() > 300) {
            throw Problem.invalid("A site’s name has between 1 and 300 characters.");
        }
        if (draft.clientId() == null) {
            throw Problem.invalid("A site belongs to a client.");
        }
        clients.get(draft.clientId());
        List<Role> roles = draft.roles() == null ? List.of() : draft.roles();
        Set<TextRole> seen = EnumSet.noneOf(TextRole.class);
        List<Role> checked = new ArrayList<>();
        for (Role role : roles) {
            if (!seen.add(role.role())) {
                throw Problem.invalid("The role “" + role.role().label() + "” is set twice.");
            }
            List<SlotView> faces = role.faces().stream()
                    .map(face -> SlotView.of(face.toSlot()))
                    .distinct()
                    .toList();
            checked.add(new Role(role.role(), role.familyId(), role.generic(), faces));
        }
        checked.sort((a, b) -> a.role().compareTo(b.role()));
        site.edit(draft.clientId(), draft.name().strip(), new Details(domains(draft), checked));
        sites.saveAndFlush(site);
    }

    private static List<String> domains(SiteDraft draft) {
        List<String> typed = draft.domains() == null ? List.of() : draft.domains();
        List<String> domains = new ArrayList<>();
        for (String domain : typed) {
            try {
                String ascii = DomainName.parse(domain).ascii();
                if (!domains.contains(ascii)) {
                    domains.add(ascii);
                }
            } catch (IllegalArgumentException e) {
                throw Problem.invalid(e.getMessage() + ".");
            }
        }
        return domains;
    }

    private Site toRecord(SiteEntity site) {
        SiteService.Details details = site.details();
        return new Site(
                site.id(),
                site.version(),
                site.clientId(),
                clients.get(site.clientId()).name(),
                site.name(),
                details.domains(),
                details.roles());
    }

    private SiteEntity find(String id) {
        return sites.findById(id).orElseThrow(() -> Problem.notFound("site", id));
    }
}
