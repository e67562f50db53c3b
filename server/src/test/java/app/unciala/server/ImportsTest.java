package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.nio.charset.StandardCharsets;
import java.time.YearMonth;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** Files with more records than one batch has. */
class ImportsTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    @Test
    void manyRecordsAreRecordedInBatchesAndTheFlagsFollow() {
        Caller caller = SERVER.signIn();
        String family = caller.hold("Penmarrow-Regular.ttf");
        StringBuilder licenses = new StringBuilder("name,covers,domains,web_use\n");
        for (int i = 0; i < 30; i++) {
            licenses.append("Imported ")
                    .append(i)
                    .append(",Penmarrow,client")
                    .append(i)
                    .append(".example,granted\n");
        }
        assertThat(caller.get("/api/flags?family=" + family).text()).contains("NO_LICENSE");
        JsonNode recorded = read(caller, "/api/licenses/ledger", licenses.toString());
        assertThat(recorded.get("problems")).isEmpty();
        assertThat(recorded.get("recorded").asInt()).isEqualTo(30);
        assertThat(caller.get("/api/flags?family=" + family).text()).doesNotContain("NO_LICENSE");
        JsonNode again = read(caller, "/api/licenses/ledger", licenses.toString());
        assertThat(again.get("recorded").asInt()).isZero();
        assertThat(again.get("problems")).hasSize(30);

        String site = caller.site("Tarn", "tarn.example", family, 400);
        Map<String, Object> terms = new LinkedHashMap<>(Samples.license(family, "tarn.example"));
        terms.put("domains", List.of("tarn.example"));
        terms.put("pageViewLimit", 1000);
        caller.send("POST", "/api/licenses", terms);
        StringBuilder views = new StringBuilder("site,month,page_views\n");
        for (YearMonth month = YearMonth.of(2011, 1);
                month.isBefore(YearMonth.of(2021, 1));
                month = month.plusMonths(1)) {
            views.append("Tarn,").append(month).append(",1001\n");
        }
        assertThat(read(caller, "/api/page-views", views.toString())
                        .get("recorded")
                        .asInt())
                .isEqualTo(120);
        assertThat(caller.kinds("?site=" + site)).contains("PAGE_VIEWS_OVER_LIMIT");
        assertThat(caller.send("POST", "/api/flags/comparison", Map.of())
                        .json()
                        .get("mended")
                        .asInt())
                .isZero();
    }

    private static JsonNode read(Caller caller, String path, String text) {
        return caller.upload(path, "file", Map.of("all.csv", text.getBytes(StandardCharsets.UTF_8)))
                .json();
    }
}
