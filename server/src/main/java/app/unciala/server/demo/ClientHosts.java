package app.unciala.server.demo;

import app.unciala.demo.Scenario;
import app.unciala.demo.sites.StandIn;
import app.unciala.demo.sites.StandInPages;
import app.unciala.demo.sites.StandInSites;
import app.unciala.server.check.CheckPlan;
import app.unciala.server.check.CheckPlan.Connection;
import app.unciala.server.check.CheckPlan.SignIn;
import app.unciala.server.check.CheckPlans;
import app.unciala.server.check.PrivateHosts;
import app.unciala.server.pack.PackService;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.Site;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** The hosts of the demonstration's clients: on air with the packs they were handed, and known to checks. */
@Component
@Profile("demo")
class ClientHosts {
    private static final int USUAL_PAGES = 20;

    private final SiteService sites;
    private final PackService packs;
    private final CheckPlans plans;
    private final PrivateHosts privateHosts;
    private @Nullable StandInSites onAir;

    ClientHosts(SiteService sites, PackService packs, CheckPlans plans, PrivateHosts privateHosts) {
        this.sites = sites;
        this.packs = packs;
        this.plans = plans;
        this.privateHosts = privateHosts;
    }

    void start(int port) throws IOException {
        onAir = StandInSites.start(port);
    }

    @PreDestroy
    void stop() {
        if (onAir != null) {
            onAir.close();
        }
    }

    boolean areOnAir() {
        return onAir != null;
    }

    int port() {
        return onAir == null ? 0 : onAir.port();
    }

    /** The hosts on air by name. */
    List<StandIn> all() {
        return onAir == null
                ? List.of()
                : onAir.hosts().stream()
                        .sorted(Comparator.comparing(StandIn::host))
                        .toList();
    }

    /** Puts all hosts on air; the pack that a site was handed is read when its host is first asked. */
    void publish() {
        if (onAir != null) {
            StandInPages.all(ClientHosts::words, this::latestPack).forEach(onAir::publish);
        }
    }

    private static String words(String site) {
        return Scenario.sites().stream()
                .filter(told -> told.name().equals(site))
                .map(Scenario.Site::text)
                .findFirst()
                .orElse("Nothing else is said here.");
    }

    private Optional<String> siteId(String name) {
        return sites.list(name, null, 10).items().stream()
                .filter(site -> site.name().equals(name))
                .map(site -> site.id())
                .findFirst();
    }

    private Map<String, byte[]> latestPack(String name) {
        Map<String, byte[]> files = new TreeMap<>();
        siteId(name)
                .flatMap(packs::latestFiles)
                .ifPresent(pack -> pack.files().entries().forEach(entry -> files.put(entry.path(), entry.bytes())));
        return files;
    }

    /** Whether the checks of the sites look for the hosts where they are not, such as at the port of another start. */
    boolean haveMoved() {
        if (onAir == null) {
            return false;
        }
        String at = onAir.at();
        return Scenario.sites().stream()
                .flatMap(told -> siteId(told.name()).stream())
                .findFirst()
                .map(id -> plans.get(id).plan().connections().stream()
                        .anyMatch(connection -> !connection.to().equals(at)))
                .orElse(false);
    }

    /** Lets the checks of all sites connect to where the hosts are. */
    void planAll() {
        allow();
        Scenario.sites().forEach(told -> siteId(told.name()).ifPresent(this::plan));
    }

    /** Lets checks connect to where the hosts are. */
    void allow() {
        if (onAir != null) {
            privateHosts.set(onAir.at());
        }
    }

    /** Plans the checks of a site: its hosts, each with the others that its pages fetch from, are connected to here. */
    void plan(String siteId) {
        if (onAir == null) {
            return;
        }
        publish();
        Site site = sites.get(siteId);
        List<StandIn> own = all().stream()
                .filter(host -> site.domains().contains(host.host()))
                .toList();
        List<Connection> connections = all().stream()
                .filter(host -> own.contains(host) || (host.wrong().isEmpty() && !isOfSite(host)))
                .map(host -> new Connection(host.host() + ":80", onAir.at()))
                .toList();
        CheckPlan now = plans.get(siteId).plan();
        if (!now.connections().equals(connections)) {
            plans.set(
                    siteId,
                    new CheckPlan(
                            own.stream()
                                    .map(host -> "http://" + host.host() + "/")
                                    .toList(),
                            true,
                            USUAL_PAGES,
                            now.watched(),
                            connections,
                            own.stream().flatMap(host -> signIn(host).stream()).toList(),
                            now.ownHosts()));
        }
    }

    private static boolean isOfSite(StandIn host) {
        return Scenario.sites().stream().anyMatch(site -> site.domains().contains(host.host()));
    }

    private static Optional<SignIn> signIn(StandIn host) {
        return host.signIn()
                .map(said -> said.split(":", 2))
                .map(said -> new SignIn(host.host() + ":80", said[0], said[1]));
    }
}
