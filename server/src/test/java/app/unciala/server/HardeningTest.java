package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.io.InputStream;
import java.io.OutputStream;
import java.net.Socket;
import java.net.URI;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** What strangers and odd bodies meet. */
class HardeningTest {
    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    private static final JsonMapper JSON = JsonMapper.builder().build();

    @Test
    void aStrangersUploadIsRefusedBeforeItsBodyIsRead() throws Exception {
        URI url = URI.create(SERVER.url());
        for (String token : List.of("", "X-XSRF-TOKEN: forged\r\nCookie: XSRF-TOKEN=forged\r\n")) {
            try (Socket socket = new Socket(url.getHost(), url.getPort())) {
                OutputStream out = socket.getOutputStream();
                out.write(("POST /api/intakes HTTP/1.1\r\nHost: localhost\r\n" + token
                                + "Content-Type: multipart/form-data; boundary=b\r\nContent-Length: 900000000\r\n\r\n")
                        .getBytes(StandardCharsets.UTF_8));
                out.flush();
                InputStream in = socket.getInputStream();
                byte[] head = in.readNBytes(12);
                assertThat(new String(head, StandardCharsets.UTF_8))
                        .as("answered though no byte of the body was sent")
                        .isIn("HTTP/1.1 401", "HTTP/1.1 403");
            }
        }
    }

    @Test
    void aStrangerGetsNoSession() {
        Caller stranger = SERVER.stranger();
        stranger.get("/api/session");
        stranger.get("/api/families");
        stranger.get("/");
        assertThat(stranger.cookie("SESSION")).isEmpty();
        stranger.signIn("admin", RunningServer.PASSWORD);
        String first = stranger.cookie("SESSION").orElseThrow();
        Answer again =
                stranger.send("POST", "/api/session", Map.of("name", "admin", "password", RunningServer.PASSWORD));
        assertThat(stranger.cookie("SESSION").orElseThrow()).isNotEqualTo(first);
        List<String> cookies = again.response().headers().allValues("Set-Cookie");
        assertThat(cookies).anySatisfy(cookie -> assertThat(cookie)
                .startsWith("SESSION=")
                .contains("HttpOnly")
                .contains("SameSite=Lax"));
    }

    @Test
    void everyAnswerCarriesItsPolicies() throws Exception {
        for (String path : List.of("/", "/api/families", "/api/health", "/nothing")) {
            Answer answer = SERVER.stranger().get(path);
            assertThat(answer.header("Content-Security-Policy")).as(path).contains("frame-ancestors 'none'");
            assertThat(answer.header("Referrer-Policy")).as(path).isEqualTo("same-origin");
            assertThat(answer.header("X-Content-Type-Options")).as(path).isEqualTo("nosniff");
        }
        assertThat(PosixFilePermissions.toString(Files.getPosixFilePermissions(SERVER.data())))
                .isIn("rwx------");
    }

    @Test
    void forwardedHeadersAreBelievedFromNamedProxiesOnly() {
        assertThat(UncialaApplication.behindProxy(Map.of())).isEmpty();
        assertThat(UncialaApplication.behindProxy(Map.of("UNCIALA_PROXY", "10.0.0.7, 10.0.0.8")))
                .containsEntry("server.forward-headers-strategy", "native")
                .containsEntry("server.tomcat.remoteip.internal-proxies", "\\Q10.0.0.7\\E|\\Q10.0.0.8\\E");
    }

    @Test
    void aBodyBeyondItsBoundIsRefused() {
        Caller caller = SERVER.signIn();
        Answer refused = caller.send("POST", "/api/clients", Map.of("name", "x".repeat(9 << 20)));
        assertThat(refused.status()).isEqualTo(413);
    }

    /** Wrong types, nulls, over-long and odd values for every operation that takes JSON. */
    @Test
    void noMalformedBodyMakesTheServerFail() {
        Caller caller = SERVER.signIn();
        String family = caller.hold("Wendlow-Regular.ttf");
        String site = caller.site("Site", "site.example", family, 400);
        String license = caller.send("POST", "/api/licenses", Samples.license(family, "site.example"))
                .json()
                .get("id")
                .asString();
        JsonNode document = caller.get("/api/openapi.json").json();
        JsonNode schemas = document.get("components").get("schemas");
        List<String> failures = new ArrayList<>();
        int sent = 0;
        for (Map.Entry<String, JsonNode> path : document.get("paths").properties()) {
            for (Map.Entry<String, JsonNode> operation : path.getValue().properties()) {
                JsonNode schema = operation.getValue().at("/requestBody/content/application~1json/schema/$ref");
                boolean signsIn = path.getKey().equals("/api/session")
                        || path.getKey().startsWith("/api/session/password")
                        || path.getKey().startsWith("/api/invitations");
                if (schema.isMissingNode() || signsIn) {
                    continue;
                }
                String record = path.getKey().startsWith("/api/sites")
                        ? site
                        : path.getKey().startsWith("/api/families") ? family : license;
                String address = path.getKey().replaceFirst("\\{id}", record).replaceAll("\\{[a-z]+}", "odd");
                JsonNode properties =
                        schemas.get(schema.asString().replaceAll("^.*/", "")).get("properties");
                String version = caller.get(address).header("ETag");
                for (String body : bodies(properties)) {
                    Answer answer = caller.sendRaw(
                            operation.getKey().toUpperCase(Locale.ROOT),
                            address,
                            body,
                            Map.of(
                                    "Content-Type",
                                    "application/json",
                                    "If-Match",
                                    version.isEmpty() ? "\"0\"" : version));
                    sent++;
                    if (answer.status() < 300 || answer.status() == 412) {
                        version = caller.get(address).header("ETag");
                    }
                    if (answer.status() >= 500) {
                        failures.add(operation.getKey() + " " + address + " " + body + ": " + answer.text());
                    }
                    if (answer.status() == 400 || answer.status() == 422) {
                        assertThat(answer.header("Content-Type")).as(address).startsWith("application/problem+json");
                        assertThat(answer.json().get("detail").asString())
                                .as(body)
                                .isNotBlank();
                    }
                }
            }
        }
        assertThat(failures).isEmpty();
        assertThat(sent).isGreaterThan(300);
        assertThat(caller.get("/api/flags").status()).isEqualTo(200);
        assertThat(caller.send("POST", "/api/flags/comparison", Map.of())
                        .json()
                        .get("mended")
                        .asInt())
                .isZero();
    }

    @Test
    void aProblemNamesTheFieldThatIsWrong() {
        Caller caller = SERVER.signIn();
        Answer wrong = caller.send(
                "POST", "/api/licenses", Map.of("name", "L", "covers", List.of(Map.of("familyId", List.of(1)))));
        assertThat(wrong.status()).isEqualTo(400);
        assertThat(wrong.json().get("errors").get(0).get("field").asString()).isEqualTo("covers[0].familyId");
        Answer currency = caller.send("POST", "/api/licenses", Map.of("name", "L", "currency", "€"));
        assertThat(currency.json().get("errors").get(0).get("field").asString()).isEqualTo("currency");
        Answer empty = caller.send("POST", "/api/licenses", Map.of("name", " "));
        assertThat(empty.json().get("errors").get(0).get("field").asString()).isEqualTo("name");
    }

    private static List<String> bodies(JsonNode properties) {
        List<String> bodies = new ArrayList<>(List.of("", "null", "[]", "7", "\"text\"", "{", "{}", "{\"odd\":1}"));
        List<Object> values = new ArrayList<>(List.of(
                "",
                " ",
                "x".repeat(5000),
                "\u0000",
                "é\uD83D\uDE00",
                -1,
                1e300,
                true,
                List.of(),
                List.of(List.of()),
                Map.of()));
        for (Map.Entry<String, JsonNode> property : properties.properties()) {
            for (Object value : values) {
                bodies.add(JSON.writeValueAsString(with(properties, property.getKey(), value)));
            }
            Map<String, Object> nothing = new LinkedHashMap<>(with(properties, property.getKey(), ""));
            nothing.put(property.getKey(), null);
            bodies.add(JSON.writeValueAsString(nothing));
            List<Object> listOfNull = new ArrayList<>();
            listOfNull.add(null);
            nothing.put(property.getKey(), listOfNull);
            bodies.add(JSON.writeValueAsString(nothing));
        }
        return bodies;
    }

    /** A body that is right but for one field. */
    private static Map<String, Object> with(JsonNode properties, String field, Object value) {
        Map<String, Object> body = new LinkedHashMap<>();
        if (properties.has("name")) {
            body.put("name", "A name");
        }
        body.put(field, value);
        return body;
    }
}
