package app.unciala.server.ledger;

import app.unciala.core.license.Clause;
import app.unciala.core.license.Decision.Point;
import app.unciala.font.FontFormat;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.ledger.LedgerEntry.NamedFaces;
import app.unciala.server.ledger.LedgerEntry.ReadEntry;
import app.unciala.server.ledger.LedgerEntry.Wrong;
import app.unciala.server.ledger.Odrl.Action;
import app.unciala.server.license.LicenseDraft.Quoted;
import app.unciala.server.license.LicenseDraftBuilder;
import java.time.DateTimeException;
import java.util.ArrayList;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * Reads a license from an ODRL policy. What is not understood is never left out: a constraint or a duty that is dropped
 * would permit more than the policy does, so that it is told as a problem.
 */
final class OdrlReader {
    private static final String DAY = Odrl.NS + "dateTime";
    private static final String PLACE = Odrl.NS + "virtualLocation";
    private static final String FORMAT = Odrl.NS + "fileFormat";

    private final LinkedData policy;
    private final LicenseDraftBuilder terms = LicenseDraftBuilder.builder();
    private final List<Wrong> wrong = new ArrayList<>();

    private OdrlReader(LinkedData policy) {
        this.policy = policy;
    }

    static ReadEntry read(String place, LinkedData policy) {
        return new OdrlReader(policy).read(place);
    }

    private ReadEntry read(String place) {
        String name = policy.text(Odrl.DCT + "title")
                .or(() -> policy.text(Odrl.SCHEMA + "name"))
                .orElse(policy.id());
        terms.name(name);
        policy.text(Odrl.DCT + "license").ifPresent(this::readSpdx);
        terms.vendor(nameOf("assigner"));
        properties();
        quotes();
        rules();
        policy.of(Odrl.NS + "obligation").forEach(this::readPrice);
        return new ReadEntry(place, new LedgerEntry(terms.build(), holder(), covers(), List.of()), wrong);
    }

    /** For whom the policy is, on itself or on each of its rules (ODRL 2.2, section 2.7.1); empty for the agency. */
    private String holder() {
        List<LinkedData> ofPolicy = policy.of(Odrl.NS + "assignee");
        Map<List<String>, List<LinkedData>> said = new LinkedHashMap<>();
        for (LinkedData rule : Stream.concat(stated("permission").stream(), stated("prohibition").stream())
                .toList()) {
            List<LinkedData> own = rule.of(Odrl.NS + "assignee");
            List<LinkedData> holders = own.isEmpty() ? ofPolicy : own;
            said.putIfAbsent(holders.stream().map(LinkedData::id).toList(), holders);
        }
        if (said.size() > 1) {
            wrong.add(new Wrong("assignee", "Its rules differ in whom they are for; record them as licenses."));
        }
        List<LinkedData> holders = said.values().stream().findFirst().orElse(ofPolicy);
        return holders.stream().anyMatch(party -> party.id().equals(Odrl.OURS + Odrl.AGENCY))
                ? ""
                : holders.stream().findFirst().map(OdrlReader::nameOf).orElse("");
    }

    private void readSpdx(String iri) {
        terms.spdx(iri.substring(iri.lastIndexOf('/') + 1));
    }

    /** The name of a party of the policy; a party that has only an IRI is called by it. */
    private String nameOf(String function) {
        return policy.of(Odrl.NS + function).stream()
                .findFirst()
                .map(OdrlReader::nameOf)
                .orElse("");
    }

    private static String nameOf(LinkedData party) {
        return party.text(Odrl.SCHEMA + "name").orElse(party.id());
    }

    private void properties() {
        for (LedgerColumn column : Odrl.PROPERTIES) {
            policy.text(Odrl.OURS + column.camelCase()).ifPresent(value -> take(column, value));
        }
    }

    /** Takes over a term as a ledger's cell has it. */
    private void take(LedgerColumn column, String value) {
        try {
            column.read(terms, value);
        } catch (IllegalArgumentException | DateTimeException | ArithmeticException e) {
            wrong.add(new Wrong(column.camelCase(), "“" + value + "” is not " + column.expected() + "."));
        }
    }

    private void quotes() {
        Map<Point, Quoted> quotes = new EnumMap<>(Point.class);
        for (LinkedData quote : policy.of(Odrl.OURS + Odrl.QUOTE)) {
            String point = quote.text(Odrl.OURS + Odrl.POINT).orElse("");
            try {
                quotes.put(
                        Point.valueOf(point),
                        new Quoted(
                                quote.text(Odrl.OURS + Odrl.TEXT).orElse(""),
                                quote.text(Odrl.OURS + Odrl.PLACE).orElse("")));
            } catch (IllegalArgumentException e) {
                wrong.add(new Wrong("quotes", "A license is not asked about “" + point + "”."));
            }
        }
        terms.quotes(quotes);
    }

    private void rules() {
        Set<LinkedData> constraints = new LinkedHashSet<>(policy.of(Odrl.OURS + Odrl.CONSTRAINT));
        Set<Set<LinkedData>> published = new HashSet<>();
        for (LinkedData rule : stated("permission")) {
            Action action = actionOf(rule);
            refuse(rule, "duty", "A duty that comes with a permission");
            if (action != null) {
                action.say(terms, Clause.GRANTED);
                Set<LinkedData> own = new HashSet<>(rule.of(Odrl.NS + "constraint"));
                constraints.addAll(own);
                if (action.publishes()) {
                    published.add(own);
                } else {
                    onlyDays(action, own);
                }
            }
        }
        for (LinkedData rule : stated("prohibition")) {
            Action action = actionOf(rule);
            refuse(rule, "constraint", "A prohibition that holds only at times");
            if (action != null) {
                action.say(terms, Clause.REFUSED);
            }
        }
        if (published.size() > 1) {
            differing("The permissions to publish differ in their constraints");
        }
        constraints(constraints, !published.isEmpty() || policy.has(Odrl.OURS + Odrl.CONSTRAINT));
    }

    private void onlyDays(Action action, Set<LinkedData> constraints) {
        if (!constraints.stream().allMatch(one -> operandOf(one).equals(DAY))) {
            wrong.add(new Wrong(
                    "constraint", "“" + action.name(Odrl.OUR_PREFIX) + "” is not limited by place or number."));
        }
    }

    private void differing(String what) {
        wrong.add(new Wrong("constraint", what + "; record them as licenses of their own."));
    }

    /** The rules that the terms state, without those that are only presumed. */
    private List<LinkedData> stated(String kind) {
        return policy.of(Odrl.NS + kind).stream()
                .filter(rule -> !rule.has(Odrl.OURS + Odrl.PRESUMED))
                .toList();
    }

    private void refuse(LinkedData rule, String property, String what) {
        if (rule.has(Odrl.NS + property)) {
            wrong.add(new Wrong(property, what + " cannot be recorded."));
        }
    }

    private @Nullable Action actionOf(LinkedData rule) {
        List<String> actions = rule.texts(Odrl.NS + "action").toList();
        String iri = actions.size() == 1 ? actions.get(0) : "";
        Action action = Action.of(iri).orElse(null);
        if (action == null) {
            wrong.add(new Wrong(
                    "action",
                    iri.isEmpty()
                            ? "A rule has one action, without refinements."
                            : "“" + shortened(iri) + "” isn’t an act of a font license that is known here."));
        }
        return action;
    }

    /**
     * Takes over all constraints. Of two on the same thing neither is dropped: it is told that they differ.
     *
     * @param published whether anything is said of publishing, so that no limit by place or format permits any
     */
    private void constraints(Set<LinkedData> constraints, boolean published) {
        Set<String> limited = new HashSet<>();
        for (LinkedData constraint : constraints) {
            String operand = operandOf(constraint);
            String day = operand.equals(DAY) ? operatorOf(constraint) : "";
            if (!limited.add(operand + day)) {
                differing("There are several limits by “" + shortened(operand) + "”");
            }
            switch (operand) {
                case DAY -> readDay(constraint);
                case PLACE -> terms.domains(anyOf(constraint));
                case FORMAT ->
                    terms.formats(anyOf(constraint).stream().map(this::formatOf).toList());
                case Odrl.OURS + Odrl.DOMAIN_COUNT -> readMost(constraint, "", LedgerColumn.DOMAIN_LIMIT);
                case Odrl.NS + "count" ->
                    readMost(constraint, Odrl.OURS + Odrl.PAGE_VIEWS, LedgerColumn.PAGE_VIEW_LIMIT);
                default ->
                    wrong.add(new Wrong("constraint", "A limit by “" + shortened(operand) + "” cannot be recorded."));
            }
        }
        terms.anyDomain(published && !limited.contains(PLACE));
        terms.anyFormat(published && !limited.contains(FORMAT));
    }

    private static String operandOf(LinkedData constraint) {
        return constraint.text(Odrl.NS + "leftOperand").orElse("");
    }

    private String operatorOf(LinkedData constraint) {
        return constraint.text(Odrl.NS + "operator").orElse("").replace(Odrl.NS, "");
    }

    private void readDay(LinkedData constraint) {
        String day = constraint.text(Odrl.NS + "rightOperand").orElse("");
        String date = day.length() > 10 ? day.substring(0, 10) : day;
        switch (operatorOf(constraint)) {
            case "gteq" -> take(LedgerColumn.BEGINS, date);
            case "lteq" -> take(LedgerColumn.ENDS, date);
            default -> wrongOperator(constraint);
        }
    }

    /** The values one of which it must be; none when the policy says that they are not stated. */
    private List<String> anyOf(LinkedData constraint) {
        List<String> values = constraint.texts(Odrl.NS + "rightOperand").toList();
        if (values.equals(List.of(Odrl.OURS + Odrl.NOT_STATED))) {
            return List.of();
        }
        String operator = operatorOf(constraint);
        if (values.isEmpty() || (!operator.equals("isAnyOf") && !(operator.equals("eq") && values.size() == 1))) {
            wrongOperator(constraint);
        }
        return values;
    }

    private void readMost(LinkedData constraint, String unit, LedgerColumn column) {
        String said = constraint.text(Odrl.NS + "unit").orElse("");
        if (!operatorOf(constraint).equals("lteq")) {
            wrongOperator(constraint);
        } else if (!said.equals(unit)) {
            wrong.add(new Wrong("constraint", "A number of “" + shortened(said) + "” cannot be recorded."));
        } else {
            take(column, constraint.text(Odrl.NS + "rightOperand").orElse(""));
        }
    }

    private void wrongOperator(LinkedData constraint) {
        wrong.add(new Wrong(
                "constraint",
                "“" + shortened(operandOf(constraint)) + "” with “" + operatorOf(constraint)
                        + "” cannot be recorded."));
    }

    private String formatOf(String mediaType) {
        return Stream.of(FontFormat.values())
                .filter(format -> format.mediaType().equals(mediaType))
                .findFirst()
                .map(FontFormat::key)
                .orElseGet(() -> {
                    wrong.add(new Wrong("formats", "“" + mediaType + "” isn’t a media type of a font."));
                    return mediaType;
                });
    }

    private void readPrice(LinkedData duty) {
        LinkedData action = duty.one(Odrl.NS + "action").orElse(duty);
        LinkedData amount = action.one(Odrl.NS + "refinement").orElse(action);
        String what = action.text(Odrl.RDF + "value").orElse("");
        if (!what.equals(Odrl.NS + "compensate") || !operandOf(amount).equals(Odrl.NS + "payAmount")) {
            wrong.add(new Wrong("obligation", "An obligation other than to pay an amount cannot be recorded."));
            return;
        }
        String unit = amount.text(Odrl.NS + "unit").orElse("");
        take(LedgerColumn.PRICE, amount.text(Odrl.NS + "rightOperand").orElse(""));
        terms.currency(unit.substring(unit.lastIndexOf(':') + 1));
        amount.text(Odrl.OURS + Odrl.PER).ifPresent(per -> take(LedgerColumn.PRICE_PER, per));
    }

    private List<NamedFaces> covers() {
        Set<List<String>> targets = new HashSet<>();
        List<LinkedData> assets = new ArrayList<>(policy.of(Odrl.NS + "target"));
        for (LinkedData rule : Stream.concat(stated("permission").stream(), stated("prohibition").stream())
                .toList()) {
            List<LinkedData> own = rule.of(Odrl.NS + "target");
            if (!own.isEmpty() && assets.isEmpty()) {
                assets.addAll(own);
            }
            if (!own.isEmpty()) {
                targets.add(own.stream().map(asset -> asset.node().toString()).toList());
            }
        }
        if (targets.size() > 1) {
            wrong.add(new Wrong("target", "Its rules differ in what they are about; record them as licenses."));
        }
        return assets.stream().map(this::covered).toList();
    }

    private NamedFaces covered(LinkedData asset) {
        List<SlotView> faces = new ArrayList<>();
        for (LinkedData refinement : asset.of(Odrl.NS + "refinement")) {
            if (!operandOf(refinement).equals(Odrl.OURS + Odrl.FACE)) {
                wrong.add(new Wrong(
                        "target", "A part by “" + shortened(operandOf(refinement)) + "” cannot be recorded."));
            }
            for (String face : anyOf(refinement)) {
                try {
                    faces.add(LedgerFaces.face(face));
                } catch (IllegalArgumentException e) {
                    wrong.add(new Wrong("covers", e.getMessage() + "."));
                }
            }
        }
        return new NamedFaces(
                asset.text(Odrl.DCT + "title")
                        .or(() -> asset.text(Odrl.SCHEMA + "name"))
                        .orElse(asset.id()),
                faces);
    }

    /** An IRI by its last part, which is the name that a person knows. */
    private static String shortened(String iri) {
        return iri.replace(Odrl.NS, "").replace(Odrl.OURS, "");
    }
}
