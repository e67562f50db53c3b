package app.unciala.server;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.server.testing.Caller;
import app.unciala.server.testing.Caller.Answer;
import app.unciala.server.testing.RunningServer;
import app.unciala.server.testing.Samples;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.MethodOrderer;
import org.junit.jupiter.api.Order;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.TestMethodOrder;
import org.junit.jupiter.api.extension.RegisterExtension;
import tools.jackson.databind.JsonNode;

/** People of three levels, how they join, and what signing in withstands. */
@TestMethodOrder(MethodOrderer.OrderAnnotation.class)
class PeopleTest {
    private static final String LONGEST = "пароль ".repeat(28) + "ключ";

    @RegisterExtension
    static final RunningServer SERVER = RunningServer.empty();

    @Test
    void aReaderSeesEverythingAndChangesNothing() {
        Caller reader = SERVER.join("reader", "READER");
        for (String path :
                List.of("/api/families", "/api/licenses", "/api/sites", "/api/flags", "/api/history", "/api/people")) {
            assertThat(reader.get(path).status()).as(path).isEqualTo(200);
        }
        assertThat(reader.send("POST", "/api/clients", Map.of("name", "Not mine"))
                        .status())
                .isEqualTo(403);
        assertThat(reader.upload("/api/intakes", "files", Map.of("a.ttf", new byte[] {1}))
                        .status())
                .isEqualTo(403);
        assertThat(reader.send("POST", "/api/flags/comparison", Map.of()).status())
                .isEqualTo(403);
        assertThat(reader.upload("/api/search", "file", Map.of("a.ttf", Samples.font("Wendlow-Regular.ttf")))
                        .status())
                .as("asking changes nothing")
                .isEqualTo(200);
    }

    @Test
    void anEditorChangesTheInventoryButNotThePeople() {
        Caller editor = SERVER.join("editor", "EDITOR");
        assertThat(editor.send("POST", "/api/clients", Map.of("name", "Mine")).status())
                .isEqualTo(201);
        assertThat(editor.send(
                                "POST",
                                "/api/people",
                                Map.of("name", "friend", "displayName", "A friend", "level", "ADMINISTRATOR"))
                        .status())
                .isEqualTo(403);
        assertThat(editor.get("/api/backups").status()).isEqualTo(403);
        assertThat(editor.send("POST", "/api/backups", Map.of()).status()).isEqualTo(403);
    }

    @Test
    void aLinkWorksOnceAndExpires() {
        Caller admin = SERVER.signIn();
        Answer added = admin.send(
                "POST", "/api/people", Map.of("name", "once", "displayName", "Once Only", "level", "READER"));
        assertThat(added.status()).isEqualTo(201);
        String token = added.json().get("token").asString();
        Caller stranger = SERVER.stranger();
        assertThat(stranger.get("/api/invitations/" + token)
                        .json()
                        .get("displayName")
                        .asString())
                .isEqualTo("Once Only");
        assertThat(stranger.send("POST", "/api/invitations/" + token, Map.of("password", "short"))
                        .status())
                .isEqualTo(422);
        assertThat(stranger.send("POST", "/api/invitations/" + token, Map.of("password", LONGEST))
                        .status())
                .as("200 characters of two bytes each")
                .isEqualTo(200);
        assertThat(stranger.send("POST", "/api/invitations/" + token, Map.of("password", "another attempt"))
                        .status())
                .isEqualTo(409);
        assertThat(stranger.signIn("once", LONGEST)).isEqualTo(204);
        String second = admin.send("POST", "/api/people/once/invitation", Map.of())
                .json()
                .get("token")
                .asString();
        SERVER.clock().forward(Duration.ofDays(4));
        assertThat(stranger.send("POST", "/api/invitations/" + second, Map.of("password", "much too late"))
                        .status())
                .isEqualTo(409);
        assertThat(SERVER.stranger().signIn("once", LONGEST))
                .as("the password stays until another is set")
                .isEqualTo(204);
    }

    @Test
    void whoIsRemovedIsSignedOutAndStaysInTheHistory() {
        Caller leaver = SERVER.join("leaver", "EDITOR");
        leaver.send("POST", "/api/clients", Map.of("name", "Left behind"));
        Caller admin = SERVER.signIn();
        assertThat(admin.delete("/api/people/admin").status()).isEqualTo(409);
        assertThat(admin.delete("/api/people/leaver").status()).isEqualTo(204);
        assertThat(leaver.get("/api/families").status()).isEqualTo(401);
        assertThat(SERVER.stranger().signIn("leaver", RunningServer.PASSWORD)).isEqualTo(401);
        JsonNode entries = admin.get("/api/history?by=leaver").json().get("items");
        assertThat(entries.get(0).get("text").asString()).contains("Left behind");
        assertThat(admin.get("/api/people").text()).contains("The leaver");
    }

    @Test
    void aChangedPasswordOrLevelEndsOtherSessions() {
        Caller first = SERVER.join("two-places", "EDITOR");
        Caller second = SERVER.stranger();
        second.signIn("two-places", RunningServer.PASSWORD);
        assertThat(first.get("/api/session").json().get("sessions").asInt()).isEqualTo(2);
        Map<String, String> wrong = Map.of("current", "not this one", "password", "something new");
        assertThat(first.send("PUT", "/api/session/password", wrong).status()).isEqualTo(422);
        Map<String, String> right = Map.of("current", RunningServer.PASSWORD, "password", "something new");
        assertThat(first.send("PUT", "/api/session/password", right).status()).isEqualTo(204);
        assertThat(first.get("/api/families").status()).isEqualTo(200);
        assertThat(second.get("/api/families").status()).isEqualTo(401);
        second.signIn("two-places", "something new");
        assertThat(first.delete("/api/session/others").status()).isEqualTo(204);
        assertThat(second.get("/api/families").status()).isEqualTo(401);
        Caller admin = SERVER.signIn();
        assertThat(edit(admin, "two-places", "EDITOR", version(admin, "two-places"))
                        .status())
                .isEqualTo(200);
        assertThat(first.get("/api/families").status())
                .as("a session of the level before")
                .isEqualTo(401);
    }

    @Test
    void thereIsAlwaysAnAdministrator() {
        Caller admin = SERVER.signIn();
        Answer refused = edit(admin, "admin", "EDITOR", version(admin, "admin"));
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.text()).contains("administrator");
    }

    @Test
    void twoAdministratorsEditOnePersonOneAfterTheOther() {
        SERVER.join("edited", "READER");
        Caller admin = SERVER.signIn();
        long seen = version(admin, "edited");
        assertThat(admin.send("PUT", "/api/people/edited", Map.of("displayName", "Edited", "level", "EDITOR"))
                        .status())
                .as("without a version")
                .isEqualTo(428);
        Answer first = edit(admin, "edited", "EDITOR", seen);
        assertThat(first.status()).isEqualTo(200);
        assertThat(first.header("ETag")).isEqualTo("\"" + version(admin, "edited") + "\"");
        Answer second = edit(admin, "edited", "ADMINISTRATOR", seen);
        assertThat(second.status()).isEqualTo(412);
        assertThat(person(admin, "edited").get("level").asString()).isEqualTo("EDITOR");
    }

    @Test
    void aPersonWhoIsGoneCanNeitherJoinNorBeEditedAndIsTakenBackByAdding() {
        Caller admin = SERVER.signIn();
        SERVER.join("came-back", "EDITOR");
        String token = admin.send("POST", "/api/people/came-back/invitation", Map.of())
                .json()
                .get("token")
                .asString();
        assertThat(admin.delete("/api/people/came-back").status()).isEqualTo(204);
        assertThat(person(admin, "came-back").get("removed").asBoolean()).isTrue();
        assertThat(SERVER.stranger().get("/api/invitations/" + token).status())
                .as("the link ended with the person")
                .isEqualTo(409);
        assertThat(edit(admin, "came-back", "EDITOR", version(admin, "came-back"))
                        .status())
                .isEqualTo(404);
        assertThat(admin.delete("/api/people/came-back").status()).isEqualTo(404);
        assertThat(admin.send("POST", "/api/people/came-back/invitation", Map.of())
                        .status())
                .isEqualTo(404);
        Answer again = admin.send(
                "POST", "/api/people", Map.of("name", "came-back", "displayName", "Back Again", "level", "READER"));
        assertThat(again.status()).isEqualTo(201);
        JsonNode back = person(admin, "came-back");
        assertThat(back.get("removed").asBoolean()).isFalse();
        assertThat(back.get("joined").asBoolean())
                .as("a password has to be chosen anew")
                .isFalse();
        assertThat(SERVER.stranger().signIn("came-back", RunningServer.PASSWORD))
                .isEqualTo(401);
    }

    private static Answer edit(Caller caller, String name, String level, long version) {
        return caller.send(
                "PUT",
                "/api/people/" + name,
                Map.of("displayName", "Edited", "level", level),
                Map.of("If-Match", "\"" + version + "\""));
    }

    private static long version(Caller caller, String name) {
        return person(caller, name).get("version").asLong();
    }

    private static JsonNode person(Caller caller, String name) {
        for (JsonNode person : caller.get("/api/people").json()) {
            if (person.get("name").asString().equals(name)) {
                return person;
            }
        }
        throw new AssertionError("no person " + name);
    }

    /** Comes last: it uses up the tries of this address as well. */
    @Test
    @Order(Integer.MAX_VALUE)
    void guessingIsSlowedDownPerAccountAndSucceedingIsNot() {
        SERVER.join("guessed", "READER");
        Caller guesser = SERVER.stranger();
        int refused = 0;
        for (int i = 0; i < 30; i++) {
            int status = guesser.signIn("guessed", "guess number " + i);
            assertThat(status).isIn(401, 429);
            refused += status == 429 ? 1 : 0;
        }
        assertThat(refused).isGreaterThanOrEqualTo(20);
        assertThat(guesser.signIn("guessed", RunningServer.PASSWORD))
                .as("the right password comes too late as well")
                .isEqualTo(429);
    }
}
