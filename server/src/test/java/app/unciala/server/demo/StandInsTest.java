package app.unciala.server.demo;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.demo.sites.StandIn;
import app.unciala.server.testing.Caller;
import app.unciala.server.testing.RunningServer;
import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** The faults of the demonstration's hosts are found, each, and no others. */
class StandInsTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.withDemo();

    @Test
    void aCheckOfEachSiteFindsExactlyWhatIsDocumented() {
        Caller caller = SERVER.signIn();
        Map<String, Set<String>> found = new TreeMap<>();
        List<String> unread = new ArrayList<>();
        for (JsonNode site : caller.get("/api/sites?limit=50").json().get("items")) {
            JsonNode check = check(caller, site.get("id").asString());
            for (JsonNode page : check.get("pages")) {
                String host = URI.create(page.get("url").asString()).getHost();
                Set<String> kinds = found.computeIfAbsent(host, any -> new TreeSet<>());
                if (!page.get("why").isNull()) {
                    unread.add(host + ": " + page.get("why").asString());
                }
                caller.get("/api/checks/" + check.get("line").get("id").asString() + "/pages/"
                                + page.get("position").asInt())
                        .json()
                        .get("notes")
                        .valueStream()
                        .filter(note -> !note.get("severity").asString().equals("note"))
                        .forEach(note -> kinds.add(note.get("kind").asString()));
            }
        }
        Map<String, Set<String>> documented = new TreeMap<>();
        for (StandIn host : SERVER.bean(ClientHosts.class).all()) {
            if (found.containsKey(host.host()) || !host.wrong().isEmpty()) {
                documented.put(host.host(), new TreeSet<>(host.finds()));
            }
        }
        assertThat(found).isEqualTo(documented);
        assertThat(unread).as("the staging host is signed in to").isEmpty();
        assertThat(caller.kinds("?site=" + siteOf(caller, "Lantern Row Archive")))
                .contains("FOUND_NOT_RECORDED");
        assertThat(caller.kinds("?site=" + siteOf(caller, "Opal Street Readings")))
                .as("one whose text comes from a script")
                .doesNotContain("NOT_USED_ON_PAGES");
        assertThat(caller.kinds("?site=" + siteOf(caller, "Opal Street Books")))
                .as("one that is right")
                .doesNotContain(
                        "FOUND_NOT_ALLOWED",
                        "NOT_USED_ON_PAGES",
                        "FILE_NOT_REACHED",
                        "ROLE_NOT_REACHED",
                        "WRONG_FILE_THERE");
        assertThat(caller.kinds("?site=" + siteOf(caller, "Harbor & Rye")))
                .as("the theme's own property decides")
                .contains("ROLE_NOT_REACHED");
        assertThat(caller.kinds("?site=" + siteOf(caller, "Lantern Row")))
                .as("a preset class and an editor's style decide, and a leftover link hides a broken copy")
                .contains("ROLE_NOT_REACHED", "OWN_COPY_BROKEN", "THIRD_PARTY");
        assertThat(caller.kinds("?site=" + siteOf(caller, "Copperline")))
                .as("two files are at each other's address")
                .contains("WRONG_FILE_THERE");
        assertThat(reasons(caller, "Copperline", "WRONG_FILE_THERE"))
                .anyMatch(
                        said -> said.matches(".*Brantle \\w+ at .*, where .* of the pack belongs\\. So is 1 other\\."));
        assertThat(reasons(caller, "Harbor & Rye", "ROLE_NOT_REACHED"))
                .anyMatch(said -> said.contains("font-family: var(--theme-heading-font)"));
    }

    private static List<String> reasons(Caller caller, String site, String kind) {
        return caller.get("/api/flags?limit=200&site=" + siteOf(caller, site))
                .json()
                .get("items")
                .valueStream()
                .filter(flag -> flag.get("kind").asString().equals(kind))
                .map(flag -> flag.get("reason").asString())
                .toList();
    }

    private static String siteOf(Caller caller, String name) {
        for (JsonNode site : caller.get("/api/sites?limit=50").json().get("items")) {
            if (site.get("name").asString().equals(name)) {
                return site.get("id").asString();
            }
        }
        throw new IllegalStateException(name + " is no site");
    }

    private static JsonNode check(Caller caller, String site) {
        String id = caller.send("POST", "/api/sites/" + site + "/checks", Map.of())
                .json()
                .get("id")
                .asString();
        JsonNode check = caller.waitForCheck(id);
        assertThat(check.get("line").get("state").asString()).isEqualTo("DONE");
        return check;
    }
}
