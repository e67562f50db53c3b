package app.unciala.server.testing;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.CookieManager;
import java.net.HttpCookie;
import java.net.URI;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpRequest.BodyPublisher;
import java.net.http.HttpRequest.BodyPublishers;
import java.net.http.HttpResponse;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Predicate;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;

/** Talks HTTP to the server as a browser does: with cookies, and the CSRF header on unsafe methods. */
public final class Caller {
    private static final JsonMapper JSON = JsonMapper.builder().build();

    private final String url;
    private final CookieManager cookies = new CookieManager();
    private final HttpClient client =
            HttpClient.newBuilder().cookieHandler(cookies).build();
    private boolean withToken = true;

    public Caller(String url) {
        this.url = url;
    }

    /** An answer: its status, its headers and its body. */
    public record Answer(int status, HttpResponse<byte[]> response) {
        public JsonNode json() {
            return JSON.readTree(response.body());
        }

        public byte[] bytes() {
            return response.body();
        }

        public String text() {
            return new String(response.body(), StandardCharsets.UTF_8);
        }

        public String header(String name) {
            return response.headers().firstValue(name).orElse("");
        }
    }

    public Caller withoutToken() {
        withToken = false;
        return this;
    }

    public int signIn(String name, String password) {
        return send("POST", "/api/session", Map.of("name", name, "password", password))
                .status();
    }

    public Answer get(String path) {
        return exchange("GET", path, BodyPublishers.noBody(), Map.of());
    }

    public Answer send(String method, String path, Object body) {
        return send(method, path, body, Map.of());
    }

    public Answer send(String method, String path, Object body, Map<String, String> headers) {
        Map<String, String> all = new LinkedHashMap<>(headers);
        all.put("Content-Type", "application/json");
        return exchange(method, path, BodyPublishers.ofString(JSON.writeValueAsString(body)), all);
    }

    public Answer delete(String path) {
        return exchange("DELETE", path, BodyPublishers.noBody(), Map.of());
    }

    /** Deletes the version of a record that has this tag. */
    public Answer delete(String path, String tag) {
        return exchange("DELETE", path, BodyPublishers.noBody(), Map.of("If-Match", tag));
    }

    public Answer upload(String path, String field, Map<String, byte[]> files) {
        return upload(path, field, files, Map.of());
    }

    /** Sends files as a form does; {@code field} is the name they all have. */
    public Answer upload(String path, String field, Map<String, byte[]> files, Map<String, String> headers) {
        String boundary = "between-the-parts";
        ByteArrayOutputStream body = new ByteArrayOutputStream();
        files.forEach((name, bytes) -> {
            String head = "--" + boundary + "\r\nContent-Disposition: form-data; name=\"" + field + "\"; filename=\""
                    + name + "\"\r\nContent-Type: application/octet-stream\r\n\r\n";
            body.writeBytes(head.getBytes(StandardCharsets.UTF_8));
            body.writeBytes(bytes);
            body.writeBytes("\r\n".getBytes(StandardCharsets.UTF_8));
        });
        body.writeBytes(("--" + boundary + "--\r\n").getBytes(StandardCharsets.UTF_8));
        Map<String, String> all = new LinkedHashMap<>(headers);
        all.put("Content-Type", "multipart/form-data; boundary=" + boundary);
        return exchange("POST", path, BodyPublishers.ofByteArray(body.toByteArray()), all);
    }

    /** Sends a body as it is, whatever it is. */
    public Answer sendRaw(String method, String path, String body, Map<String, String> headers) {
        return exchange(method, path, BodyPublishers.ofString(body), headers);
    }

    /** The value of a cookie, or nothing. */
    public Optional<String> cookie(String name) {
        return cookies.getCookieStore().getCookies().stream()
                .filter(cookie -> cookie.getName().equals(name))
                .map(HttpCookie::getValue)
                .findFirst();
    }

    /** Takes in a font of the demonstration; gives the id of its family. */
    public String hold(String fileName) {
        JsonNode intake = takeIn(Map.of(fileName, Samples.font(fileName)));
        return send("POST", "/api/intakes/" + intake.get("summary").get("id").asString() + "/accept", Map.of())
                .json()
                .get("familyIds")
                .get(0)
                .asString();
    }

    /** Takes in a font of the demonstration under another family name; gives the id of the family. */
    public String holdAs(String fileName, String family) {
        return hold(fileName, Samples.font(fileName), Map.of("family", family));
    }

    /** Takes in a file, corrected and whatever its verdict; gives the id of its family. */
    public String hold(String fileName, byte[] bytes, Map<String, Object> correction) {
        JsonNode intake = takeIn(Map.of(fileName, bytes));
        String path = "/api/intakes/" + intake.get("summary").get("id").asString();
        Map<String, Object> included = new LinkedHashMap<>(correction);
        included.put("included", true);
        send("PATCH", path + "/items/" + intake.get("rows").get(0).get("id").asString(), included);
        return send("POST", path + "/accept", Map.of())
                .json()
                .get("familyIds")
                .get(0)
                .asString();
    }

    /** Adds a client and a site of it with one text role; gives the site's id. */
    public String site(String name, String domain, String familyId, int... weights) {
        String client = send("POST", "/api/clients", Map.of("name", "Client of " + name))
                .json()
                .get("id")
                .asString();
        Map<String, Object> draft = Map.of(
                "clientId",
                client,
                "name",
                name,
                "domains",
                List.of(domain),
                "roles",
                List.of(Samples.role(
                        "RUNNING_TEXT",
                        familyId,
                        Arrays.stream(weights)
                                .mapToObj(weight -> Samples.face(weight, "upright"))
                                .toList())));
        return send("POST", "/api/sites", draft).json().get("id").asString();
    }

    /** Edits a record: reads it, changes its fields and sends it back under its version. */
    public Answer edit(String path, String part, Map<String, Object> fields) {
        Answer read = get(path);
        Map<String, Object> draft = new LinkedHashMap<>();
        JsonNode record = part.isEmpty() ? read.json() : read.json().get(part);
        record.properties().forEach(field -> draft.put(field.getKey(), field.getValue()));
        draft.putAll(fields);
        return send("PUT", path, draft, Map.of("If-Match", read.header("ETag")));
    }

    /** The kinds of the flags of a query, in the order of the list. */
    public List<String> kinds(String query) {
        List<String> kinds = new ArrayList<>();
        get("/api/flags" + query)
                .json()
                .get("items")
                .forEach(flag -> kinds.add(flag.get("kind").asString()));
        return kinds;
    }

    /** Drops files and waits until they are read; gives the intake. */
    public JsonNode takeIn(Map<String, byte[]> files) {
        String id = upload("/api/intakes", "files", files).json().get("id").asString();
        return waitForIntake(id);
    }

    public JsonNode waitForIntake(String id) {
        return waitFor(
                "/api/intakes/" + id, intake -> !intake.get("state").asString().equals("READING"));
    }

    /** A check once it is over, however it ended. */
    public JsonNode waitForCheck(String id) {
        return waitFor("/api/checks/" + id, check -> !List.of("WAITING", "READING")
                .contains(check.get("line").get("state").asString()));
    }

    /** What an address answers once a job is over. */
    public JsonNode waitFor(String path, Predicate<JsonNode> isOver) {
        for (int i = 0; i < 600; i++) {
            JsonNode answer = get(path).json();
            if (isOver.test(answer)) {
                return answer;
            }
            pause();
        }
        throw new IllegalStateException(path + ": the job did not end in time");
    }

    public static void pause() {
        try {
            Thread.sleep(100);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private Answer exchange(String method, String path, BodyPublisher body, Map<String, String> headers) {
        HttpRequest.Builder request =
                HttpRequest.newBuilder(URI.create(url + path)).method(method, body);
        headers.forEach(request::header);
        if (withToken && !method.equals("GET")) {
            cookies.getCookieStore().getCookies().stream()
                    .filter(cookie -> cookie.getName().equals("XSRF-TOKEN"))
                    .map(HttpCookie::getValue)
                    .findFirst()
                    .ifPresent(token -> request.header("X-XSRF-TOKEN", token));
        }
        try {
            HttpResponse<byte[]> response = client.send(request.build(), BodyHandlers.ofByteArray());
            return new Answer(response.statusCode(), response);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }
}
