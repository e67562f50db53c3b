package app.unciala.server.testing;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller.Answer;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.zip.ZipEntry;
import java.util.zip.ZipInputStream;
import tools.jackson.databind.JsonNode;

/** A site of one client that asks for one face under one license, and the packs that are made for it. */
public final class DeliveredSite {
    private final Caller caller;
    private final String family;
    private final String site;
    private final String license;

    private DeliveredSite(Caller caller, String family, String site, String license) {
        this.caller = caller;
        this.family = family;
        this.site = site;
        this.license = license;
    }

    /** A site that asks for the regular face of a family, under a license that allows all that is done with it. */
    public static DeliveredSite of(Caller caller, String name, String domain, String family) {
        String site = caller.site(name, domain, family, 400);
        Map<String, Object> terms = new LinkedHashMap<>(Samples.license(family, domain));
        terms.put("cutting", "GRANTED");
        terms.put("name", "License of " + name);
        String license =
                caller.send("POST", "/api/licenses", terms).json().get("id").asString();
        return new DeliveredSite(caller, family, site, license);
    }

    public String id() {
        return site;
    }

    public String license() {
        return license;
    }

    public JsonNode weight() {
        Answer answer = caller.send(
                "POST",
                "/api/sites/" + site + "/weight",
                Map.of("faces", List.of(Map.of("familyId", family, "slot", Samples.face(400, "upright")))));
        assertThat(answer.status()).isEqualTo(200);
        return answer.json();
    }

    public void deliver(Map<String, Object> delivery) {
        assertThat(put(delivery, Map.of()).status()).isEqualTo(200);
    }

    public Answer put(Map<String, Object> delivery, Map<String, Object> setting) {
        Map<String, Object> role = new LinkedHashMap<>(Map.of(
                "role",
                "RUNNING_TEXT",
                "familyId",
                family,
                "generic",
                "SERIF",
                "faces",
                List.of(Samples.face(400, "upright"))));
        role.putAll(setting);
        return caller.edit("/api/sites/" + site, "", Map.of("roles", List.of(role), "delivery", delivery));
    }

    public List<String> kinds() {
        return caller.get("/api/flags?site=" + site)
                .json()
                .get("items")
                .valueStream()
                .map(flag -> flag.get("kind").asString())
                .toList();
    }

    /** The evidence of the site's flag of a kind. */
    public List<String> evidence(String kind) {
        return caller.get("/api/flags?site=" + site)
                .json()
                .get("items")
                .valueStream()
                .filter(flag -> flag.get("kind").asString().equals(kind))
                .flatMap(flag -> flag.get("evidence").valueStream())
                .map(JsonNode::asString)
                .toList();
    }

    /** Has the license cover what is said and nothing else. */
    public void covering(Map<String, Object> coverage) {
        assertThat(caller.edit("/api/licenses/" + license, "terms", Map.of("covers", List.of(coverage)))
                        .status())
                .isEqualTo(200);
    }

    public void terms(Map<String, Object> changed) {
        assertThat(caller.edit("/api/licenses/" + license, "terms", changed).status())
                .isEqualTo(200);
    }

    public Map<String, byte[]> pack() throws IOException {
        Answer made = caller.send("POST", "/api/sites/" + site + "/packs", Map.of());
        assertThat(made.status()).as(made.text()).isEqualTo(201);
        return files(made);
    }

    public Map<String, byte[]> files(Answer made) throws IOException {
        Map<String, byte[]> files = new TreeMap<>();
        byte[] archive = caller.get("/api/packs/" + made.json().get("id").asString() + ".zip")
                .bytes();
        try (ZipInputStream zip = new ZipInputStream(new ByteArrayInputStream(archive))) {
            for (ZipEntry entry = zip.getNextEntry(); entry != null; entry = zip.getNextEntry()) {
                files.put(entry.getName(), zip.readAllBytes());
            }
        }
        return files;
    }

    public static byte[] only(Map<String, byte[]> files, String end) {
        return files.entrySet().stream()
                .filter(file -> file.getKey().endsWith(end))
                .findFirst()
                .orElseThrow()
                .getValue();
    }

    public static String text(Map<String, byte[]> files, String path) {
        return new String(files.get(path), StandardCharsets.UTF_8);
    }
}
