package app.unciala.server.check;

import app.unciala.core.fetch.FetchRules;
import app.unciala.core.flag.Scope;
import app.unciala.core.page.OwnHosts;
import app.unciala.server.check.CheckPlan.Connection;
import app.unciala.server.check.CheckPlan.SignIn;
import app.unciala.server.fault.Fault;
import app.unciala.server.flag.OwnHostsOfSites;
import app.unciala.server.history.HistoryService;
import app.unciala.server.history.HistoryService.Deed;
import app.unciala.server.inventory.Changes;
import app.unciala.server.inventory.Parts;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.Site;
import java.net.InetSocketAddress;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** What is checked of each site, and what may be connected to for it. */
@Service
public class CheckPlans implements OwnHostsOfSites {
    private final CheckPlanRepository plans;
    private final SiteService sites;
    private final PrivateHosts privateHosts;
    private final Secrets secrets;
    private final HistoryService history;
    private final Changes changes;

    CheckPlans(
            CheckPlanRepository plans,
            SiteService sites,
            PrivateHosts privateHosts,
            Secrets secrets,
            HistoryService history,
            Changes changes) {
        this.plans = plans;
        this.sites = sites;
        this.privateHosts = privateHosts;
        this.secrets = secrets;
        this.history = history;
        this.changes = changes;
    }

    /** A plan with its version, which is 0 as long as nobody has changed it. */
    public record VersionedPlan(long version, CheckPlan plan) {}

    /** The plan of a site without its passwords. */
    @Transactional(readOnly = true)
    public VersionedPlan get(String siteId) {
        Site site = sites.get(siteId);
        return plans.findById(siteId)
                .map(CheckPlans::shown)
                .orElseGet(() -> new VersionedPlan(0, CheckPlan.usual(site)));
    }

    @Transactional
    public VersionedPlan update(String siteId, long expectedVersion, CheckPlan draft) {
        changes.begin();
        Site site = sites.get(siteId);
        CheckPlanEntity kept = plans.findById(siteId).orElse(null);
        if ((kept == null ? 0 : kept.version()) != expectedVersion) {
            throw Fault.stale();
        }
        CheckPlan checked = draft.checked(site);
        Map<String, String> before = described(kept == null ? CheckPlan.usual(site) : kept.plan());
        CheckPlanEntity saved = save(siteId, kept, checked);
        history.record(Deed.of("site", siteId, site.name(), "Changed which pages of “" + site.name() + "” are checked")
                .changing(before, described(checked)));
        changes.touched(Scope.ofSite(siteId, List.of()));
        return shown(saved);
    }

    /** Sets a plan for which no person stands, such as one of the demonstration; the history does not tell of it. */
    @Transactional
    public void set(String siteId, CheckPlan plan) {
        changes.begin();
        save(siteId, plans.findById(siteId).orElse(null), plan.checked(sites.get(siteId)));
        changes.touched(Scope.ofSite(siteId, List.of()));
    }

    private CheckPlanEntity save(String siteId, @Nullable CheckPlanEntity kept, CheckPlan checked) {
        CheckPlanEntity entity = kept == null ? new CheckPlanEntity(siteId) : kept;
        CheckPlan before = kept == null ? CheckPlan.NONE : kept.plan();
        entity.edit(checked.withSignIns(checked.signIns().stream()
                .map(signIn -> encrypted(signIn, before, checked))
                .toList()));
        return plans.saveAndFlush(entity);
    }

    /**
     * A sign-in with its password encrypted. One that is kept goes on going to where it was kept for only: whoever has the host
     * connected to elsewhere, or reached over another scheme, must know the password.
     */
    private SignIn encrypted(SignIn signIn, CheckPlan before, CheckPlan now) {
        String host = signIn.host();
        boolean goesElsewhere = !before.target(host).equals(now.target(host))
                || !before.scheme(host).equals(now.scheme(host));
        String kept = signIn.password() == null || signIn.password().isEmpty()
                ? before.signIns().stream()
                        .filter(one -> !goesElsewhere
                                && one.host().equals(host)
                                && one.name().equals(signIn.name()))
                        .map(SignIn::password)
                        .filter(Objects::nonNull)
                        .findFirst()
                        .orElseThrow(() -> Fault.invalid(
                                "signIns",
                                "Type the password of " + signIn.name()
                                        + (goesElsewhere
                                                ? " again: " + host + " is reached in another way now."
                                                : ".")))
                : secrets.encrypted(signIn.password());
        return new SignIn(signIn.host(), signIn.name(), kept);
    }

    private static VersionedPlan shown(CheckPlanEntity entity) {
        CheckPlan plan = entity.plan();
        return new VersionedPlan(
                entity.version(),
                plan.withSignIns(plan.signIns().stream()
                        .map(one -> new SignIn(one.host(), one.name(), null))
                        .toList()));
    }

    @Override
    @Transactional(readOnly = true)
    public Map<String, OwnHosts> of(Set<String> siteIds) {
        Map<String, OwnHosts> own = new LinkedHashMap<>();
        Parts.of(siteIds, ids -> plans.findAllById(ids).stream()
                .filter(plan -> !plan.plan().ownHosts().isEmpty())
                .forEach(plan -> own.put(
                        plan.siteId(), new OwnHosts(Set.copyOf(plan.plan().ownHosts())))));
        return own;
    }

    /** The sites that are checked daily, without those that were deleted. */
    @Transactional(readOnly = true)
    List<String> watched() {
        List<String> planned = plans.findAll().stream()
                .filter(plan -> plan.plan().watched())
                .map(CheckPlanEntity::siteId)
                .toList();
        return sites.withIds(planned).stream().map(Site::id).toList();
    }

    @Transactional(readOnly = true)
    boolean isWatched(String siteId) {
        return plans.findById(siteId).filter(plan -> plan.plan().watched()).isPresent();
    }

    /** What may be fetched for a plan with its passwords. */
    @Transactional(readOnly = true)
    FetchRules rules(String siteId) {
        FetchRules rules = FetchRules.publicOnly();
        for (HostAndPort host : privateHosts.hosts()) {
            rules = rules.allowingPrivate(host.host(), host.port());
        }
        @Nullable CheckPlanEntity entity = plans.findById(siteId).orElse(null);
        if (entity == null) {
            return rules;
        }
        for (Connection connection : entity.plan().connections()) {
            HostAndPort host = HostAndPort.parse("connections", connection.host());
            HostAndPort to = HostAndPort.parse("connections", connection.to());
            rules = rules.connecting(
                    host.host(), host.port(), InetSocketAddress.createUnresolved(to.host(), to.port()));
        }
        for (SignIn signIn : entity.plan().signIns()) {
            HostAndPort host = HostAndPort.parse("signIns", signIn.host());
            String password = signIn.password() == null
                    ? ""
                    : secrets.decrypted(signIn.password()).orElse("");
            rules = rules.signingIn(
                    entity.plan().scheme(signIn.host()), host.host(), host.port(), signIn.name(), password);
        }
        return rules;
    }

    private static Map<String, String> described(CheckPlan plan) {
        Map<String, String> words = new LinkedHashMap<>();
        words.put("pages", String.join(", ", plan.addresses()));
        words.put("found by links", plan.follows() ? "up to " + plan.mostPages() : "no");
        words.put("checked daily", plan.watched() ? "yes" : "no");
        words.put("the site’s own hosts", String.join(", ", plan.ownHosts()));
        plan.connections().forEach(one -> words.put("connection of " + one.host(), one.to()));
        plan.signIns().forEach(one -> words.put("sign-in at " + one.host(), one.name()));
        return words;
    }
}
