package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.time.LocalDate;
import java.time.YearMonth;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** What falls due of licenses, over HTTP. */
class DueTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    @Test
    void whatFallsDueIsAListAndACalendarBehindASecretAddress() {
        Caller caller = SERVER.signIn();
        String family = caller.hold("Penmarrow-Regular.ttf");
        Map<String, Object> terms = new LinkedHashMap<>(Samples.license(family, "tarn.example"));
        LocalDate today = LocalDate.now(ZoneId.systemDefault());
        terms.put("name", "Ending; soon");
        terms.put("ends", today.plusDays(60).toString());
        terms.put("noticeDays", 20);
        terms.put("nextPayment", today.plusDays(10).toString());
        caller.send("POST", "/api/licenses", terms);
        List<String> due = new ArrayList<>();
        caller.get("/api/due?months=4").json().forEach(one -> {
            if (one.get("licenseName").asString().equals("Ending; soon")) {
                due.add(one.get("kind").asString() + " " + one.get("day").asString());
            }
        });
        assertThat(due)
                .containsExactly(
                        "PAYMENT " + today.plusDays(10), "NOTICE " + today.plusDays(40), "ENDS " + today.plusDays(60));
        assertThat(caller.get("/api/session/calendar").json().get("open").asBoolean())
                .isFalse();
        String path = caller.send("POST", "/api/session/calendar", Map.of())
                .json()
                .get("path")
                .asString();
        Caller stranger = SERVER.stranger();
        String calendar = stranger.get(path).text();
        assertThat(calendar)
                .startsWith("BEGIN:VCALENDAR\r\nVERSION:2.0\r\n")
                .contains("DTSTART;VALUE=DATE:" + today.plusDays(60).toString().replace("-", ""))
                .contains("SUMMARY:Ending\\; soon");
        assertThat(calendar.lines()).allMatch(line -> line.length() <= 75);
        String next = caller.send("POST", "/api/session/calendar", Map.of())
                .json()
                .get("path")
                .asString();
        assertThat(stranger.get(path).status())
                .as("the earlier address is closed")
                .isEqualTo(404);
        assertThat(stranger.get(next).status()).isEqualTo(200);
        assertThat(caller.delete("/api/session/calendar").status()).isEqualTo(204);
        assertThat(stranger.get(next).status()).isEqualTo(404);
        assertThat(stranger.get("/api/due").status()).isEqualTo(401);
    }

    @Test
    void costsAreDividedAmongTheClientsWhoseSitesStandOnALicense() {
        Caller caller = SERVER.signIn();
        String family = caller.hold("Osier-Regular.ttf");
        caller.site("Alder", "alder.example", family, 400);
        caller.site("Birch", "birch.example", family, 400);
        LocalDate today = LocalDate.now(ZoneId.systemDefault());
        record(caller, "Monthly", family, "CHF", 1001, "MONTH", today.toString());
        record(caller, "Unused", caller.hold("Gannet-Regular.ttf"), "SEK", 500, "ONCE", today.toString());
        record(caller, "Past", family, "NOK", 700, "ONCE", "2020-01-01");
        JsonNode costs = caller.get("/api/costs?months=3").json();
        assertThat(costs.get("months")).hasSize(3);
        assertThat(costs.get("months").get(0).asString())
                .isEqualTo(YearMonth.from(today).toString());
        Map<String, String> rows = new LinkedHashMap<>();
        costs.get("rows")
                .forEach(row -> rows.put(
                        row.get("clientName").asString() + " "
                                + row.get("currency").asString(),
                        row.get("months").toString() + row.get("total")));
        assertThat(rows).containsEntry(" SEK", "[500,0,0]500").doesNotContainKey("Client of Alder NOK");
        assertThat(List.of(rows.get("Client of Alder CHF"), rows.get("Client of Birch CHF")))
                .as("one of them pays what does not divide")
                .containsExactlyInAnyOrder("[501,501,501]1503", "[500,500,500]1500");
        JsonNode total = costs.get("totals").get(0);
        assertThat(total.get("currency").asString()).isEqualTo("CHF");
        assertThat(total.get("total").asLong()).isEqualTo(3003);
        assertThat(total.get("payments").asInt()).isEqualTo(3);
    }

    private static void record(
            Caller caller, String name, String family, String currency, int price, String per, String next) {
        Map<String, Object> terms = new LinkedHashMap<>(Samples.license(family, "alder.example"));
        terms.putAll(Map.of("name", name, "currency", currency, "price", price, "pricePer", per, "nextPayment", next));
        assertThat(caller.send("POST", "/api/licenses", terms).status()).isEqualTo(201);
    }
}
