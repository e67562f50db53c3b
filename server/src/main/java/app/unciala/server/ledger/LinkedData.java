package app.unciala.server.ledger;

import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import java.util.stream.StreamSupport;
import tools.jackson.databind.JsonNode;

/**
 * A node of expanded JSON-LD (JSON-LD 1.1, section 5.1): names are IRIs, and each property has a list of values.
 */
record LinkedData(JsonNode node) {
    /** What a property names or describes. */
    List<LinkedData> of(String property) {
        return values(property).map(LinkedData::new).toList();
    }

    /** The one thing that a property names or describes, if it has exactly one. */
    Optional<LinkedData> one(String property) {
        List<LinkedData> all = of(property);
        return all.size() == 1 ? Optional.of(all.get(0)) : Optional.empty();
    }

    /** The text of a property; of several values the first. */
    Optional<String> text(String property) {
        return texts(property).findFirst();
    }

    Stream<String> texts(String property) {
        return of(property).stream().map(LinkedData::asText);
    }

    /** What it says: a literal value as text, or the IRI that it is. */
    String asText() {
        return node.has("@value") ? node.path("@value").asString("") : id();
    }

    /** Its IRI, or empty when it has none. */
    String id() {
        return node.path("@id").asString("");
    }

    boolean has(String property) {
        return node.has(property);
    }

    boolean isOf(String type) {
        return values("@type").anyMatch(one -> one.asString("").equals(type));
    }

    private Stream<JsonNode> values(String property) {
        return StreamSupport.stream(node.path(property).spliterator(), false);
    }
}
