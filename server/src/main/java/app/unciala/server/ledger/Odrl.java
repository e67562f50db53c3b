package app.unciala.server.ledger;

import app.unciala.core.license.Act;
import app.unciala.core.license.Clause;
import app.unciala.server.license.LicenseDraft;
import app.unciala.server.license.LicenseDraftBuilder;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.Optional;
import java.util.Set;
import java.util.function.BiConsumer;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * The words in which a license is an ODRL policy: those of the ODRL Vocabulary 2.2 where it has one, else those of a
 * profile of our own, which {@code docs/licenses.md} describes.
 */
final class Odrl {
    /** The W3C's context, which is known here and never fetched. */
    static final String CONTEXT = "http://www.w3.org/ns/odrl.jsonld";

    static final String NS = "http://www.w3.org/ns/odrl/2/";
    static final String DCT = "http://purl.org/dc/terms/";
    static final String RDF = "http://www.w3.org/1999/02/22-rdf-syntax-ns#";
    static final String SCHEMA = "http://schema.org/";
    static final String PROFILE = "https://unciala.example/odrl";
    static final String OURS = PROFILE + "#";
    static final String OUR_PREFIX = "unciala";
    static final String LICENSES = "https://unciala.example/licenses/";
    static final String SPDX = "http://spdx.org/licenses/";
    static final String CURRENCY = "urn:iso:std:iso:4217:";

    /** Says that the terms leave something open, so that nobody reads a permission without a limit. */
    static final String NOT_STATED = "notStated";

    /** Constraints of a license that permits no publishing, so that no permission has them. */
    static final String CONSTRAINT = "constraint";

    /** Marks a rule that the terms do not state: by the text of an open license, or presumed of the basis. */
    static final String PRESUMED = "presumedBy";

    static final String QUOTE = "quote";
    static final String POINT = "point";
    static final String TEXT = "text";
    static final String PLACE = "place";
    static final String FACE = "face";
    static final String AGENCY = "agency";
    static final String DOMAIN_COUNT = "domainCount";
    static final String PAGE_VIEWS = "pageViewsAMonth";
    static final String PER = "per";

    /**
     * The terms for which ODRL has no word, each a property of the policy; the last four only where no rule has them,
     * such as domains that are named although any is permitted.
     */
    static final Set<LedgerColumn> PROPERTIES = EnumSet.of(
            LedgerColumn.BASIS,
            LedgerColumn.DEVELOPMENT_COUNTS,
            LedgerColumn.COUNTING,
            LedgerColumn.RENEWS,
            LedgerColumn.NOTICE_DAYS,
            LedgerColumn.NEXT_PAYMENT,
            LedgerColumn.PROOF,
            LedgerColumn.CONFIRMED_BY,
            LedgerColumn.CONFIRMED_ON,
            LedgerColumn.NOTES,
            LedgerColumn.DOMAINS,
            LedgerColumn.FORMATS,
            LedgerColumn.CURRENCY,
            LedgerColumn.PRICE_PER);

    private Odrl() {}

    /** A clause of the terms, and the action that it permits or prohibits. */
    enum Action {
        SERVE(OURS + "serve", Act.SERVE, LicenseDraft::webUse, LicenseDraftBuilder::webUse),
        THIRD_PARTY(
                OURS + "serveThroughThirdParty",
                Act.THIRD_PARTY,
                LicenseDraft::thirdParty,
                LicenseDraftBuilder::thirdParty),
        INLINE(OURS + "inline", Act.INLINE, LicenseDraft::inlining, LicenseDraftBuilder::inlining),
        CONVERT(NS + "transform", Act.CONVERT, LicenseDraft::converting, LicenseDraftBuilder::converting),
        CUT(NS + "extract", Act.CUT, LicenseDraft::cutting, LicenseDraftBuilder::cutting),
        RENAME(OURS + "rename", Act.RENAME, LicenseDraft::renaming, LicenseDraftBuilder::renaming),
        TRANSFER(NS + "transfer", null, LicenseDraft::transfer, LicenseDraftBuilder::transfer),
        SUBDOMAINS(OURS + "serveOnSubdomains", null, LicenseDraft::subdomains, LicenseDraftBuilder::subdomains),
        DEVELOPMENT(OURS + "serveInDevelopment", null, LicenseDraft::development, LicenseDraftBuilder::development);

        private final String iri;
        private final Optional<Act> act;
        private final Function<LicenseDraft, Clause> get;
        private final BiConsumer<LicenseDraftBuilder, Clause> set;

        Action(
                String iri,
                @Nullable Act act,
                Function<LicenseDraft, Clause> get,
                BiConsumer<LicenseDraftBuilder, Clause> set) {
            this.iri = iri;
            this.act = Optional.ofNullable(act);
            this.get = get;
            this.set = set;
        }

        /** Its name in a policy: the one of the W3C's context, or one with our prefix. */
        String name(String prefix) {
            return iri.startsWith(OURS) ? prefix + ":" + iri.substring(OURS.length()) : iri.substring(NS.length());
        }

        /** Whether visitors get a file by it, so that it is bound to domains, formats and page views. */
        boolean publishes() {
            return act.filter(Act::publishes).isPresent();
        }

        Clause clauseOf(LicenseDraft terms) {
            return get.apply(terms);
        }

        void say(LicenseDraftBuilder terms, Clause clause) {
            set.accept(terms, clause);
        }

        static Action of(Act act) {
            return Arrays.stream(values())
                    .filter(action -> action.act.equals(Optional.of(act)))
                    .findFirst()
                    .orElseThrow();
        }

        static Optional<Action> of(String iri) {
            return Arrays.stream(values())
                    .filter(action -> action.iri.equals(iri))
                    .findFirst();
        }
    }
}
