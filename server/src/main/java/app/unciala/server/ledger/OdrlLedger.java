package app.unciala.server.ledger;

import app.unciala.server.ledger.LedgerEntry.ReadEntry;
import app.unciala.server.listing.ImportReport.FileProblem;
import com.apicatalog.jsonld.JsonLd;
import com.apicatalog.jsonld.JsonLdError;
import com.apicatalog.jsonld.JsonLdErrorCode;
import com.apicatalog.jsonld.document.Document;
import com.apicatalog.jsonld.document.JsonDocument;
import com.apicatalog.jsonld.loader.DocumentLoaderOptions;
import java.io.IOException;
import java.io.InputStream;
import java.io.StringReader;
import java.net.URI;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Licenses as ODRL 2.2 policies in JSON-LD. Nothing is fetched: of contexts only the W3C's is known. */
@Component
class OdrlLedger implements LedgerForm {
    private static final JsonMapper MAPPER = JsonMapper.builder().build();
    private static final Set<String> CONTEXTS = Set.of(Odrl.CONTEXT, Odrl.CONTEXT.replace("http:", "https:"));
    private static final List<String> POLICIES = List.of("Policy", "Set", "Offer", "Agreement");

    private final JsonDocument context;

    OdrlLedger() throws IOException, JsonLdError {
        try (InputStream in = OdrlLedger.class.getResourceAsStream("odrl-context.json")) {
            context = JsonDocument.of(Objects.requireNonNull(in));
        }
    }

    @Override
    public String written(List<LedgerEntry> licenses) {
        ObjectNode file = MAPPER.createObjectNode();
        file.set("@context", OdrlWriter.context());
        ArrayNode graph = file.putArray("@graph");
        licenses.forEach(license -> graph.add(OdrlWriter.policy(license)));
        return text(file);
    }

    /** One license, as a document of its own. */
    String written(LedgerEntry license) {
        ObjectNode file = MAPPER.createObjectNode();
        file.set("@context", OdrlWriter.context());
        return text(file.setAll(OdrlWriter.policy(license)));
    }

    private static String text(JsonNode file) {
        return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(file);
    }

    @Override
    public List<ReadEntry> read(String text, List<FileProblem> problems) {
        List<ReadEntry> entries = new ArrayList<>();
        try {
            // Refuses what is no JSON, or nested without end, with a reason.
            MAPPER.readTree(text);
            JsonNode expanded = MAPPER.readTree(JsonLd.expand(JsonDocument.of(new StringReader(text)))
                    .loader(this::load)
                    .get()
                    .toString());
            for (JsonNode node : expanded) {
                LinkedData policy = new LinkedData(node);
                if (POLICIES.stream().anyMatch(type -> policy.isOf(Odrl.NS + type))) {
                    entries.add(OdrlReader.read("license " + (entries.size() + 1), policy));
                }
            }
            if (entries.isEmpty()) {
                problems.add(new FileProblem("", "", "The file has no ODRL policy of a known type."));
            }
        } catch (JacksonException e) {
            problems.add(JsonLedger.noJson(e));
        } catch (StackOverflowError e) {
            // The library follows terms that are defined by each other, however many they are.
            problems.add(new FileProblem("", "", "Its terms are defined by each other through too many steps."));
        } catch (JsonLdError e) {
            problems.add(new FileProblem("", "", "This is no JSON-LD that can be read here: " + reason(e) + "."));
        }
        return entries;
    }

    private static String reason(JsonLdError error) {
        if (error.getCode() == JsonLdErrorCode.LOADING_REMOTE_CONTEXT_FAILED) {
            return "of contexts only “" + Odrl.CONTEXT + "” is known, and nothing is fetched";
        }
        String message = Objects.requireNonNullElse(error.getMessage(), "it is damaged");
        return message.endsWith(".") ? message.substring(0, message.length() - 1) : message;
    }

    private Document load(URI url, DocumentLoaderOptions options) throws JsonLdError {
        if (!CONTEXTS.contains(url.toString())) {
            throw new JsonLdError(JsonLdErrorCode.LOADING_REMOTE_CONTEXT_FAILED, url.toString());
        }
        return context;
    }
}
