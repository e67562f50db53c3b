package app.unciala.core.license;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.license.TermsReader.AgreementPage;
import app.unciala.core.license.TermsReader.Proposal;
import app.unciala.core.license.TermsReader.Term;
import app.unciala.testing.ProcessorTime;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class TermsReaderTest {
    private static final String AGREEMENT = """
            MARROW TYPE
            Web font license

            Order number: MT-2030-0417
            Order date: March 4, 2030
            Licensed domains: tarn.example, shop.tarn.example

            1. Grant. You may use the fonts on the web pages of up to two domains. The fonts may be
            served in the formats WOFF2 and WOFF, for at most 50,000 monthly page views.

            2. Restrictions. You may not convert the fonts to other formats. Subsetting is permitted.
            The fonts must not be hosted on third-party servers. The license is not transferable without
            written consent.

            3. Term. The license is valid through 3 March 2031. It renews automatically, unless it is
            canceled with 30 days' written notice. The annual subscription fee is EUR 1,240.50.
            """;

    /** Each took from half a minute on, or ended with a StackOverflowError. */
    @ParameterizedTest
    @ValueSource(strings = {"until ", "111 ", "domain ", "a.", "views per month "})
    void aTextOfOneThingRepeatedEndsInAMoment(String repeated) {
        String text = "The domain " + repeated.repeat(200_000 / repeated.length()) + "1";
        assertThat(ProcessorTime.of(() -> TermsReader.read(List.of(new AgreementPage(1, text)))))
                .isLessThan(Duration.ofSeconds(30));
    }

    @Test
    void proposesWhatAnAgreementSaysWithItsWords() {
        Map<Term, Proposal> read = byTerm(TermsReader.read(List.of(new AgreementPage(1, AGREEMENT))));
        assertThat(values(read))
                .containsEntry(Term.PROOF, "MT-2030-0417")
                .containsEntry(Term.BEGINS, "2030-03-04")
                .containsEntry(Term.ENDS, "2031-03-03")
                .containsEntry(Term.DOMAINS, "tarn.example, shop.tarn.example")
                .containsEntry(Term.DOMAIN_LIMIT, "2")
                .containsEntry(Term.PAGE_VIEW_LIMIT, "50000")
                .containsEntry(Term.FORMATS, "woff2, woff")
                .containsEntry(Term.WEB_USE, "GRANTED")
                .containsEntry(Term.CONVERTING, "REFUSED")
                .containsEntry(Term.CUTTING, "GRANTED")
                .containsEntry(Term.THIRD_PARTY, "REFUSED")
                .containsEntry(Term.TRANSFER, "REFUSED")
                .containsEntry(Term.RENEWS, "true")
                .containsEntry(Term.NOTICE_DAYS, "30")
                .containsEntry(Term.BASIS, "SUBSCRIPTION")
                .containsEntry(Term.PRICE, "124050")
                .containsEntry(Term.CURRENCY, "EUR")
                .doesNotContainKeys(Term.RENAMING, Term.INLINING, Term.SPDX);
        assertThat(read.get(Term.CONVERTING).quote())
                .isEqualTo(new Quote("You may not convert the fonts to other formats.", "page 1"));
        assertThat(read.values()).allSatisfy(proposal -> assertThat(AGREEMENT.replaceAll("\\s+", " "))
                .contains(proposal.quote().text()));
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "This is a trial version; ask us for the whole family. | BASIS | TRIAL",
                "Free for personal use only. | BASIS | PERSONAL",
                "This desktop license covers five computers. | BASIS | DESKTOP",
                "Use on websites is not permitted. | WEB_USE | REFUSED",
                "The license includes self-hosting with @font-face. | WEB_USE | GRANTED",
                "You can embed the fonts as base64 data URIs. | INLINING | GRANTED",
                "Renaming the fonts is prohibited. | RENAMING | REFUSED",
                "Subdomains are included. | SUBDOMAINS | GRANTED",
                "Use on staging servers is allowed. | DEVELOPMENT | GRANTED",
                "Valid until 31.12.2030. | ENDS | 2030-12-31",
                "The term begins on 1 Sept 2030. | BEGINS | 2030-09-01",
                "It expires on 2030-02-28. | ENDS | 2030-02-28",
                "For 1.5 million page views a month. | PAGE_VIEW_LIMIT | 1500000",
                "For 2 million monthly page views. | PAGE_VIEW_LIMIT | 2000000",
                "For 250.000 pageviews. | PAGE_VIEW_LIMIT | 250000",
                "The number of page views is limited to 50,000 per month. | PAGE_VIEW_LIMIT | 50000",
                "Page views may not exceed 1.5 million a month. | PAGE_VIEW_LIMIT | 1500000",
                "Your page views of all sites together are capped at 10000. | PAGE_VIEW_LIMIT | 10000",
                "For one website. | DOMAIN_LIMIT | 1",
                "A single domain is licensed. | DOMAIN_LIMIT | 1",
                "Invoice No. 2030/118 | PROOF | 2030/118",
                "Total: $99 | PRICE | 9900",
                "The price is 1.240,50 EUR. | PRICE | 124050",
                "Licensed websites: *.tarn.example and bücher.example | DOMAINS | *.tarn.example, xn--bcher-kva.example",
                "This font is licensed under the SIL Open Font License, Version 1.1. | SPDX | OFL-1.1",
                "This font is licensed under the SIL Open Font License, Version 1.1. | BASIS | OPEN",
            })
    void readsOneSentence(String sentence, Term term, String value) {
        assertThat(values(byTerm(TermsReader.read(List.of(new AgreementPage(0, sentence))))))
                .containsEntry(term, value);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "Write to fonts@marrow.example about your website. | DOMAINS",
                "It ends on 3/4/2030. | ENDS",
                "It ends on February 30, 2030. | ENDS",
                "Our website tells more. | WEB_USE",
                "We made 40 fonts. | DOMAIN_LIMIT",
                "The fonts come without WOFF formats; these are not included. | FORMATS",
                "It does not renew automatically and shall not be renewed. | RENEWS",
                "*.co.uk is a domain. | DOMAINS",
            })
    void proposesNothingWhereASentenceDoesNotSayIt(String sentence, Term term) {
        assertThat(byTerm(TermsReader.read(List.of(new AgreementPage(0, sentence)))))
                .doesNotContainKey(term);
    }

    @Test
    void saysOnWhichPageASentenceStandsAndTakesTheFirst() {
        List<Proposal> read = TermsReader.read(List.of(
                new AgreementPage(1, "Nothing is said here."),
                new AgreementPage(2, "Subsetting is permitted."),
                new AgreementPage(3, "Subsetting is not permitted.")));
        assertThat(read)
                .containsExactly(
                        new Proposal(Term.CUTTING, "GRANTED", new Quote("Subsetting is permitted.", "page 2")));
    }

    /** Whatever a file holds, reading it ends, and each term is proposed once. */
    @Test
    void readsAnyText() {
        Random random = new Random(3);
        String signs = "may not web domain 2 . , : \n\n\n €$ may2030-01-01 page views *.-@ \u0000\u202eü WOFF ";
        for (int i = 0; i < 300; i++) {
            StringBuilder text = new StringBuilder();
            for (int n = 0; n < 400; n++) {
                int at = random.nextInt(signs.length());
                text.append(signs, at, Math.min(signs.length(), at + 1 + random.nextInt(6)));
            }
            List<Proposal> read = TermsReader.read(List.of(new AgreementPage(0, text.toString())));
            assertThat(read.stream().map(Proposal::term)).doesNotHaveDuplicates();
        }
        assertThat(TermsReader.read(List.of(new AgreementPage(0, "1.".repeat(100_000)))))
                .isEmpty();
    }

    private static Map<Term, Proposal> byTerm(List<Proposal> proposals) {
        return proposals.stream().collect(Collectors.toMap(Proposal::term, proposal -> proposal));
    }

    private static Map<Term, String> values(Map<Term, Proposal> proposals) {
        return proposals.entrySet().stream().collect(Collectors.toMap(Map.Entry::getKey, entry -> entry.getValue()
                .value()));
    }
}
