package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import com.google.common.io.Resources;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;

/** Every operation of the API document: who may call it, as {@code operations.csv} lists it, and odd addresses. */
class OperationsTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private static final List<String> LEVELS = List.of("NOBODY", "READER", "EDITOR", "ADMINISTRATOR");

    private static Map<String, Caller> callers;

    private record Operation(String method, String path, String level) {
        String address() {
            return path.replaceAll("\\{[a-zA-Z0-9]+}", "nothing");
        }

        @Override
        public String toString() {
            return method + " " + path;
        }
    }

    @BeforeAll
    static void join() {
        callers = new LinkedHashMap<>();
        callers.put("NOBODY", SERVER.stranger());
        callers.put("READER", SERVER.join("reads", "READER"));
        callers.put("EDITOR", SERVER.join("edits", "EDITOR"));
        callers.put("ADMINISTRATOR", SERVER.signIn());
        // The first answer brings the token that unsafe requests carry.
        callers.values().forEach(caller -> caller.get("/api/session"));
    }

    private static List<Operation> listed() throws IOException {
        return Resources.readLines(
                        Resources.getResource(OperationsTest.class, "operations.csv"), StandardCharsets.UTF_8)
                .stream()
                .skip(1)
                .map(line -> line.split(","))
                .map(cells -> new Operation(cells[0], cells[1], cells[2]))
                .toList();
    }

    @Test
    void everyOperationIsListedWithWhoMayCallIt() throws IOException {
        Set<String> documented = new TreeSet<>();
        callers.get("ADMINISTRATOR")
                .get("/api/openapi.json")
                .json()
                .get("paths")
                .properties()
                .forEach(path -> path.getValue()
                        .properties()
                        .forEach(operation ->
                                documented.add(operation.getKey().toUpperCase(Locale.ROOT) + " " + path.getKey())));
        assertThat(listed().stream().map(Operation::toString)).containsExactlyInAnyOrderElementsOf(documented);
    }

    @Test
    void whoeverMayNotCallAnOperationIsRefusedAndNobodyElse() throws IOException {
        List<String> wrong = new ArrayList<>();
        List<Operation> all = listed().stream()
                // Whoever calls it is nobody afterwards.
                .filter(operation -> !operation.toString().equals("DELETE /api/session"))
                .toList();
        for (Operation operation : all) {
            for (String level : LEVELS) {
                Answer answer = callers.get(level)
                        .sendRaw(
                                operation.method(),
                                operation.address(),
                                "",
                                Map.of("Content-Type", "application/json"));
                boolean refused = answer.status() == (level.equals("NOBODY") ? 401 : 403);
                boolean may = LEVELS.indexOf(level) >= LEVELS.indexOf(operation.level());
                if (refused == may || answer.status() >= 500) {
                    wrong.add(operation + " as " + level + ": " + answer.status());
                }
            }
        }
        assertThat(wrong).isEmpty();
    }

    @Test
    void addressesThatAreNoUtf8AreNoFailure() throws IOException {
        List<String> failed = new ArrayList<>();
        String odd = "?q=%F0%9F&cursor=%F0%9F&site=%F0%9F&text=%F0%9F&limit=5";
        for (Operation operation : listed()) {
            if (operation.method().equals("GET")) {
                Answer answer = callers.get("ADMINISTRATOR").get(operation.address() + odd);
                if (answer.status() >= 500) {
                    failed.add(operation + ": " + answer.text());
                }
            }
        }
        assertThat(failed).isEmpty();
    }

    @Test
    void whatIsNoPartOfTheApiDoesNotAnswer() {
        for (String path : List.of("/actuator", "/actuator/health", "/error")) {
            assertThat(callers.get("NOBODY").get(path).status()).as(path).isEqualTo(401);
            assertThat(callers.get("ADMINISTRATOR").get(path).status()).as(path).isEqualTo(403);
        }
    }
}
