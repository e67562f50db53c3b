package app.unciala.server.ledger;

import app.unciala.core.license.Clause;
import app.unciala.core.license.License.Said;
import app.unciala.core.license.License.Source;
import app.unciala.server.inventory.Formats;
import app.unciala.server.ledger.LedgerEntry.NamedFaces;
import app.unciala.server.ledger.Odrl.Action;
import app.unciala.server.license.LicenseDraft;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.springframework.web.util.UriUtils;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** Writes a license as an ODRL policy, with the names of the W3C's context. */
final class OdrlWriter {
    private static final JsonMapper MAPPER = JsonMapper.builder().build();

    private OdrlWriter() {}

    /** The context of every policy: the W3C's, and the prefix of our profile. */
    static ArrayNode context() {
        ArrayNode context = MAPPER.createArrayNode().add(Odrl.CONTEXT);
        context.addObject().put(Odrl.OUR_PREFIX, Odrl.OURS);
        return context;
    }

    static ObjectNode policy(LedgerEntry license) {
        LicenseDraft terms = license.terms();
        ObjectNode policy = MAPPER.createObjectNode();
        policy.put("type", terms.vendor().isEmpty() ? "Set" : "Agreement");
        policy.put("uid", Odrl.LICENSES + UriUtils.encodePathSegment(terms.name(), "UTF-8"));
        policy.put("profile", Odrl.PROFILE);
        policy.put("dct:title", terms.name());
        if (!terms.spdx().isEmpty()) {
            policy.putObject("dct:license").put("@id", Odrl.SPDX + terms.spdx());
        }
        if (!terms.vendor().isEmpty()) {
            policy.putObject("assigner").put("type", "Party").put("schema:name", terms.vendor());
        }
        if (license.holder().isEmpty()) {
            policy.put("assignee", ours(Odrl.AGENCY));
        } else {
            policy.putObject("assignee").put("type", "Party").put("schema:name", license.holder());
        }
        license.covers().forEach(covered -> policy.withArray("target").add(asset(covered)));
        Odrl.PROPERTIES.forEach(column -> {
            String cell = column.cell(license);
            if (!cell.isEmpty() && !hasRule(column, terms)) {
                policy.put(ours(column.camelCase()), cell);
            }
        });
        terms.quotes().forEach((point, quote) -> policy.withArray(ours(Odrl.QUOTE))
                .addObject()
                .put(ours(Odrl.POINT), point.name())
                .put(ours(Odrl.TEXT), quote.text())
                .put(ours(Odrl.PLACE), quote.place()));
        rules(policy, license);
        price(policy, license);
        return policy;
    }

    /** Whether a constraint or a duty says what the column says. */
    private static boolean hasRule(LedgerColumn column, LicenseDraft terms) {
        return switch (column) {
            case DOMAINS -> !terms.anyDomain();
            case FORMATS -> !terms.anyFormat();
            case CURRENCY, PRICE_PER -> isPriced(terms);
            default -> false;
        };
    }

    private static boolean isPriced(LicenseDraft terms) {
        return terms.price() != null && terms.price() > 0;
    }

    private static ObjectNode asset(NamedFaces covered) {
        ObjectNode asset = MAPPER.createObjectNode().put("type", "AssetCollection");
        asset.put("dct:title", covered.family());
        if (!covered.faces().isEmpty()) {
            ObjectNode refinement = asset.withArray("refinement").addObject();
            refinement.put("leftOperand", ours(Odrl.FACE)).put("operator", "isAnyOf");
            covered.faces().forEach(face -> refinement.withArray("rightOperand").add(LedgerFaces.written(face)));
        }
        return asset;
    }

    private static void rules(ObjectNode policy, LedgerEntry license) {
        LicenseDraft terms = license.terms();
        boolean constrained = false;
        for (Action action : Action.values()) {
            Clause clause = action.clauseOf(terms);
            if (clause != Clause.NOT_STATED) {
                rule(policy, action, clause, terms);
                constrained |= action.publishes() && clause == Clause.GRANTED;
            }
        }
        for (Said said : license.acts()) {
            if (said.source() != Source.TERMS && said.clause() != Clause.NOT_STATED) {
                Action action = Action.of(said.act());
                rule(policy, action, said.clause(), terms)
                        .put(ours(Odrl.PRESUMED), said.source().name());
            }
        }
        if (!constrained) {
            ArrayNode kept = policy.withArray(ours(Odrl.CONSTRAINT));
            constraints(terms, true).forEach(kept::add);
        }
    }

    private static ObjectNode rule(ObjectNode policy, Action action, Clause clause, LicenseDraft terms) {
        ObjectNode rule = policy.withArray(clause == Clause.GRANTED ? "permission" : "prohibition")
                .addObject();
        rule.put("action", action.name(Odrl.OUR_PREFIX));
        if (clause == Clause.GRANTED) {
            List<ObjectNode> constraints = constraints(terms, action.publishes());
            constraints.forEach(rule.withArray("constraint")::add);
            if (constraints.isEmpty()) {
                rule.remove("constraint");
            }
        }
        return rule;
    }

    /** The days on which anything is permitted; and where, in which formats and how much, for what is published. */
    private static List<ObjectNode> constraints(LicenseDraft terms, boolean published) {
        List<ObjectNode> constraints = new ArrayList<>();
        if (terms.begins() != null) {
            constraints.add(constraint("dateTime", "gteq", value(terms.begins(), "date")));
        }
        if (terms.ends() != null) {
            constraints.add(constraint("dateTime", "lteq", value(terms.ends(), "date")));
        }
        if (!published) {
            return constraints;
        }
        anyOf(constraints, "virtualLocation", terms.anyDomain(), terms.domains());
        anyOf(
                constraints,
                "fileFormat",
                terms.anyFormat(),
                terms.formats().stream()
                        .map(format -> Formats.read("formats", format).mediaType())
                        .toList());
        if (terms.domainLimit() != null) {
            constraints.add(constraint(ours(Odrl.DOMAIN_COUNT), "lteq", value(terms.domainLimit(), "integer")));
        }
        if (terms.pageViewLimit() != null) {
            ObjectNode count = constraint("count", "lteq", value(terms.pageViewLimit(), "integer"));
            count.putObject("unit").put("@id", ours(Odrl.PAGE_VIEWS));
            constraints.add(count);
        }
        return constraints;
    }

    private static void anyOf(List<ObjectNode> constraints, String operand, boolean any, List<String> values) {
        if (any) {
            return;
        }
        if (values.isEmpty()) {
            ObjectNode unknown = MAPPER.createObjectNode().put("@id", ours(Odrl.NOT_STATED));
            constraints.add(constraint(operand, "eq", unknown));
        } else {
            ObjectNode one =
                    MAPPER.createObjectNode().put("leftOperand", operand).put("operator", "isAnyOf");
            values.forEach(one.withArray("rightOperand")::add);
            constraints.add(one);
        }
    }

    private static void price(ObjectNode policy, LedgerEntry license) {
        LicenseDraft terms = license.terms();
        if (!isPriced(terms)) {
            return;
        }
        String amount = LedgerColumn.PRICE.cell(license);
        ObjectNode action =
                policy.withArray("obligation").addObject().withArray("action").addObject();
        action.putObject("rdf:value").put("@id", "odrl:compensate");
        ObjectNode amountPaid = constraint("payAmount", "eq", value(amount, "decimal"));
        amountPaid.putObject("unit").put("@id", Odrl.CURRENCY + terms.currency());
        amountPaid.put(ours(Odrl.PER), terms.pricePer().name().toLowerCase(Locale.ROOT));
        action.withArray("refinement").add(amountPaid);
    }

    private static ObjectNode constraint(String operand, String operator, ObjectNode value) {
        ObjectNode constraint =
                MAPPER.createObjectNode().put("leftOperand", operand).put("operator", operator);
        constraint.set("rightOperand", value);
        return constraint;
    }

    private static ObjectNode value(Object value, String type) {
        return MAPPER.createObjectNode().put("@value", value.toString()).put("@type", "xsd:" + type);
    }

    private static String ours(String name) {
        return Odrl.OUR_PREFIX + ":" + name;
    }
}
