package app.unciala.server.testing;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller.Answer;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** Sites whose pages are on hosts of the test, and are checked there. */
public record CheckedSites(Caller caller, Hosts hosts) {
    /** Plans the check of the start page of a domain; {@code fields} are those of the plan that are otherwise. */
    public Answer plan(String site, String domain, Map<String, Object> fields) {
        Map<String, Object> all = new LinkedHashMap<>(Map.of(
                "addresses",
                List.of("http://" + domain + "/"),
                "connections",
                List.of(
                        Map.of("host", domain + ":80", "to", hosts.at()),
                        Map.of("host", "letters.example:80", "to", hosts.at()))));
        all.putAll(fields);
        return caller.edit("/api/sites/" + site + "/check-plan", "plan", all);
    }

    /** Begins a check, whose id is given. */
    public String start(String site) {
        Answer answer = caller.send("POST", "/api/sites/" + site + "/checks", Map.of());
        assertThat(answer.status()).isEqualTo(202);
        return answer.json().get("id").asString();
    }

    /** A check once it is over. */
    public JsonNode check(String site) {
        return caller.waitForCheck(start(site));
    }
}
