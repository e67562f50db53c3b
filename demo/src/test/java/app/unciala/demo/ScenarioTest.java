package app.unciala.demo;

import static java.nio.charset.StandardCharsets.UTF_8;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.core.domain.DomainName;
import app.unciala.core.license.Basis;
import app.unciala.demo.sites.StandIn;
import app.unciala.demo.sites.StandInPages;
import app.unciala.demo.sites.StandInSites;
import app.unciala.font.file.FontReader;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;

class ScenarioTest {
    @Test
    void everythingIsMadeUpAndFitsTogether() {
        Set<String> families = DemoFont.all().stream().map(DemoFont::family).collect(Collectors.toSet());
        assertThat(Scenario.sites()).hasSize(12);
        assertThat(families).hasSize(16);
        assertThat(Scenario.sites().stream().map(Scenario.Site::client).distinct())
                .hasSize(9);
        assertThat(Scenario.deals().stream().map(Deal::basis).distinct()).containsExactlyInAnyOrder(Basis.values());
        Scenario.sites().forEach(site -> {
            assertThat(site.domains()).isNotEmpty().allSatisfy(domain -> {
                assertThat(domain).endsWith(".example");
                assertThat(DomainName.parse(domain).ascii()).isEqualTo(domain);
            });
            assertThat(site.roles()).isNotEmpty().allSatisfy(role -> assertThat(families)
                    .contains(role.family()));
        });
        Scenario.deals().forEach(deal -> assertThat(families).containsAll(deal.families()));
    }

    @Test
    void oldArchivesAreWholeAndTheOneUnderReviewIsNot() {
        Scenario.arrivals().forEach(arrival -> arrival.files()
                .forEach((path, bytes) -> assertThat(FontReader.read(bytes).faces())
                        .as("%s/%s", arrival.name(), path)
                        .hasSize(1)));
        Map<String, byte[]> review = Scenario.underReview();
        assertThatThrownBy(() -> FontReader.read(review.get("Brantle 3/Webfonts/Brantle-Bold.woff2")))
                .hasMessageContaining("bytes long, but the file has");
        assertThatThrownBy(() -> FontReader.read(review.get("Brantle 3/Brantle-Black.ttf")))
                .hasMessageContaining("plain text");
    }

    @Test
    void standInHostsServeWhatTheyWereHandedOnLoopback() throws Exception {
        try (StandInSites sites = StandInSites.start(0)) {
            List<StandIn> hosts =
                    StandInPages.all(site -> "Words & more.", site -> Map.of("type.css", "body {}".getBytes(UTF_8)));
            hosts.forEach(sites::publish);
            assertThat(get(sites, "/copperline.example/").body())
                    .contains("type.css")
                    .contains("Words &amp; more.");
            HttpResponse<String> css = get(sites, "/copperline.example/type.css");
            assertThat(css.body()).isEqualTo("body {}");
            assertThat(css.headers().firstValue("Content-Type").orElse("")).startsWith("text/css");
            assertThat(get(sites, "/other.example/").statusCode()).isEqualTo(404);
            assertThat(get(sites, "/fernway.staging-desk.example/").statusCode())
                    .isEqualTo(401);
            assertThat(hosts.stream().filter(host -> host.wrong().isEmpty()).flatMap(host -> host.finds().stream()))
                    .isEmpty();
            Set<String> domains = Scenario.sites().stream()
                    .flatMap(site -> site.domains().stream())
                    .collect(Collectors.toSet());
            assertThat(hosts.stream().map(StandIn::host).filter(host -> !domains.contains(host)))
                    .as("hosts of no client")
                    .containsExactly("open-letters.example", "send-a-file.example");
        }
    }

    private static HttpResponse<String> get(StandInSites sites, String path) throws Exception {
        URI uri = URI.create("http://localhost:" + sites.port() + path);
        return HttpClient.newHttpClient().send(HttpRequest.newBuilder(uri).build(), BodyHandlers.ofString());
    }
}
