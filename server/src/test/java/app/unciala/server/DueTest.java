package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** What falls due of licenses, over HTTP. */
class DueTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    @Test
    void whatFallsDueIsAListAndACalendarBehindASecretAddress() {
        Caller caller = SERVER.signIn();
        String family = caller.hold("Penmarrow-Regular.ttf");
        Map<String, Object> terms = new LinkedHashMap<>(Samples.license(family, "tarn.example"));
        LocalDate today = LocalDate.now();
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
}
