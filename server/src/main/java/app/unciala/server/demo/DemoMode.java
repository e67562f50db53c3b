package app.unciala.server.demo;

import java.io.IOException;
import java.net.BindException;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.boot.ApplicationArguments;
import org.springframework.boot.ApplicationRunner;
import org.springframework.context.annotation.Profile;
import org.springframework.stereotype.Component;

/** Puts the stand-in hosts on air, seeds the inventory, and says where to go. */
@Component
@Profile("demo")
class DemoMode implements ApplicationRunner {
    private final DemoSeeder seeder;
    private final ClientHosts hosts;
    private final int port;
    private final int sitesPort;

    DemoMode(
            DemoSeeder seeder,
            ClientHosts hosts,
            @Value("${server.port}") int port,
            @Value("${UNCIALA_SITES_PORT:-1}") int sitesPort) {
        this.seeder = seeder;
        this.hosts = hosts;
        this.port = port;
        this.sitesPort = sitesPort < 0 ? port + 1 : sitesPort;
    }

    @Override
    public void run(ApplicationArguments args) throws IOException {
        try {
            hosts.start(sitesPort);
        } catch (BindException e) {
            System.out.println(
                    "Port " + sitesPort + " is taken by another program, so the stand-in client sites are not"
                            + " shown. Choose another one: UNCIALA_SITES_PORT=" + (sitesPort + 10));
        }
        seeder.seed();
        hosts.publish();
        if (hosts.haveMoved()) {
            seeder.acting(hosts::planAll);
        }
        System.out.println("Unciala is ready: http://localhost:" + port);
        System.out.println("Sign in as “" + DemoSeeder.NAME + "” with the password “" + DemoSeeder.PASSWORD + "”.");
        System.out.println("Others of the agency, with the same password: ilse (administrator), tomas and priya"
                + " (editors), wen (reader).");
        if (hosts.areOnAir()) {
            System.out.println("The stand-in client sites, with what is wrong with each on purpose:");
            hosts.all()
                    .forEach(host -> System.out.println("  http://localhost:" + hosts.port() + "/" + host.host() + "/"
                            + (host.wrong().isEmpty() ? "" : "  " + host.wrong())));
        }
    }
}
