package app.unciala.server.ledger;

import app.unciala.server.inventory.SlotView;
import app.unciala.server.ledger.LedgerEntry.NamedFaces;
import app.unciala.server.ledger.LedgerEntry.ReadEntry;
import app.unciala.server.ledger.LedgerEntry.Wrong;
import app.unciala.server.license.LicenseDraft;
import app.unciala.server.license.LicenseDraftBuilder;
import app.unciala.server.listing.ImportReport.FileProblem;
import java.util.ArrayList;
import java.util.List;
import org.springframework.stereotype.Component;
import tools.jackson.core.JacksonException;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ObjectNode;

/**
 * Licenses as JSON: {@code {"licenses": [...]}}, each with its terms as the API has them, {@code holder} by name, and
 * in {@code covers} the families by name, each with the faces named of it, such as {@code "400/100/upright"}.
 */
@Component
class JsonLedger implements LedgerForm {
    private static final String LICENSES = "licenses";
    private static final String HOLDER = "holder";
    private static final String COVERS = "covers";
    private static final String FAMILY = "family";
    private static final String FACES = "faces";

    private final JsonMapper mapper;

    JsonLedger(JsonMapper mapper) {
        this.mapper = mapper.rebuild()
                .enable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
                .build();
    }

    @Override
    public String written(List<LedgerEntry> licenses) {
        ObjectNode file = mapper.createObjectNode();
        licenses.forEach(license -> file.withArray(LICENSES).add(node(license)));
        file.withArray(LICENSES);
        return mapper.writerWithDefaultPrettyPrinter().writeValueAsString(file);
    }

    private ObjectNode node(LedgerEntry license) {
        ObjectNode node = mapper.valueToTree(license.terms());
        node.remove("holderId");
        node.put(HOLDER, license.holder());
        node.remove(COVERS);
        license.covers().forEach(covered -> {
            ObjectNode one = node.withArray(COVERS).addObject().put(FAMILY, covered.family());
            covered.faces().forEach(face -> one.withArray(FACES).add(LedgerFaces.written(face)));
        });
        return node;
    }

    @Override
    public List<ReadEntry> read(String text, List<FileProblem> problems) {
        List<ReadEntry> entries = new ArrayList<>();
        try {
            JsonNode file = mapper.readTree(text);
            JsonNode licenses = file.isArray() ? file : file.path(LICENSES);
            if (!licenses.isArray()) {
                problems.add(new FileProblem("", LICENSES, "The file has no list “licenses”."));
            }
            licenses.forEach(license -> entries.add(entry("license " + (entries.size() + 1), license)));
        } catch (JacksonException e) {
            problems.add(noJson(e));
        }
        return entries;
    }

    /** Why a text is no JSON, and in which line. */
    static FileProblem noJson(JacksonException reason) {
        long line = reason.getLocation() == null ? 1 : reason.getLocation().getLineNr();
        return new FileProblem("line " + line, "", "This is no JSON: " + reason.getOriginalMessage() + ".");
    }

    private ReadEntry entry(String place, JsonNode license) {
        List<Wrong> wrong = new ArrayList<>();
        if (!(license instanceof ObjectNode node)) {
            wrong.add(new Wrong("", "A license is an object."));
            return new ReadEntry(place, new LedgerEntry(unnamed(), "", List.of(), List.of()), wrong);
        }
        ObjectNode terms = node.deepCopy();
        JsonNode holder = terms.remove(HOLDER);
        JsonNode covers = terms.remove(COVERS);
        return new ReadEntry(
                place,
                new LedgerEntry(
                        terms(terms, wrong),
                        holder == null ? "" : holder.asString(""),
                        covers == null ? List.of() : covers(covers, wrong),
                        List.of()),
                wrong);
    }

    private LicenseDraft terms(ObjectNode terms, List<Wrong> wrong) {
        try {
            return mapper.treeToValue(terms, LicenseDraft.class);
        } catch (JacksonException e) {
            String field = e.getPath().isEmpty() ? "" : e.getPath().get(0).getPropertyName();
            JsonNode value = terms.path(field);
            boolean known = LicenseDraft.hasField(field);
            wrong.add(new Wrong(
                    field,
                    known
                            ? "“" + (value.isValueNode() ? value.asString() : value) + "” isn’t a value of “" + field
                                    + "”."
                            : "There is no term “" + field + "”."));
            return LicenseDraftBuilder.builder()
                    .name(terms.path("name").asString(""))
                    .build();
        }
    }

    private static LicenseDraft unnamed() {
        return LicenseDraftBuilder.builder().name("").build();
    }

    private static List<NamedFaces> covers(JsonNode covers, List<Wrong> wrong) {
        List<NamedFaces> named = new ArrayList<>();
        for (JsonNode covered : covers) {
            if (!covered.path(FAMILY).isString()) {
                wrong.add(new Wrong(COVERS, "What is covered is an object with the name of a “family”."));
                continue;
            }
            List<SlotView> faces = new ArrayList<>();
            for (JsonNode face : covered.path(FACES)) {
                try {
                    faces.add(LedgerFaces.face(face.asString("")));
                } catch (IllegalArgumentException e) {
                    wrong.add(new Wrong(COVERS, e.getMessage() + "."));
                }
            }
            named.add(new NamedFaces(covered.path(FAMILY).asString(), faces));
        }
        return named;
    }
}
