package app.unciala.server.demo;

import app.unciala.demo.Scenario;
import app.unciala.demo.sites.StandInSites;
import app.unciala.server.pack.PackService;
import app.unciala.server.site.SiteService;
import app.unciala.server.site.SiteService.Site;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.BindException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import org.jspecify.annotations.Nullable;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** Seeds the inventory, puts the stand-in sites on air with the packs they were handed, and says where to go. */
@Component
@Profile("demo")
class DemoMode implements ApplicationRunner {
    private final DemoSeeder seeder;
    private final SiteService sites;
    private final PackService packs;
    private final int port;
    private final int sitesPort;
    private @Nullable StandInSites standIns;

    DemoMode(
            DemoSeeder seeder,
            SiteService sites,
            PackService packs,
            @Value("${server.port}") int port,
            @Value("${UNCIALA_SITES_PORT:-1}") int sitesPort) {
        this.seeder = seeder;
        this.sites = sites;
        this.packs = packs;
        this.port = port;
        this.sitesPort = sitesPort < 0 ? port + 1 : sitesPort;
    }

    @Override
    public void run(ApplicationArguments args) throws IOException {
        seeder.seed();
        System.out.println("Unciala is ready: http://localhost:" + port);
        System.out.println("Sign in as “" + DemoSeeder.NAME + "” with the password “" + DemoSeeder.PASSWORD + "”.");
        System.out.println("Others of the agency, with the same password: ilse (administrator), tomas and priya"
                + " (editors), wen (reader).");
        StandInSites started;
        try {
            started = StandInSites.start(sitesPort);
        } catch (BindException e) {
            System.out.println(
                    "Port " + sitesPort + " is taken by another program, so the stand-in client sites are not"
                            + " shown. Choose another one: UNCIALA_SITES_PORT=" + (sitesPort + 10));
            return;
        }
        standIns = started;
        for (Scenario.Site told : Scenario.sites()) {
            Optional<Site> site = sites.list(told.name(), null, 10).items().stream()
                    .filter(s -> s.name().equals(told.name()))
                    .findFirst();
            Map<String, byte[]> pack = site.map(s -> latestPack(s.id())).orElse(Map.of());
            started.publish(told.domains().get(0), told.name(), told.text(), pack);
        }
        System.out.println("The stand-in client sites:");
        for (Scenario.Site told : Scenario.sites()) {
            System.out.println("  http://localhost:" + started.port() + "/"
                    + told.domains().get(0) + "/");
        }
    }

    @PreDestroy
    void stop() {
        if (standIns != null) {
            standIns.close();
        }
    }

    private Map<String, byte[]> latestPack(String siteId) {
        return packs.of(siteId, null, 1).items().stream()
                .findFirst()
                .map(pack -> unzip(packs.archive(pack.id()).file()))
                .orElse(Map.of());
    }

    private static Map<String, byte[]> unzip(Path archive) {
        Map<String, byte[]> files = new TreeMap<>();
        try (ZipInputStream zip = new ZipInputStream(Files.newInputStream(archive))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                files.put(entry.getName(), zip.readAllBytes());
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return files;
    }
}
