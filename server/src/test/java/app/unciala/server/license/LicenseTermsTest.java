package app.unciala.server.license;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import app.unciala.core.license.Basis;
import app.unciala.core.license.Clause;
import app.unciala.core.license.Decision.Point;
import app.unciala.server.fault.Fault;
import app.unciala.server.inventory.SlotView;
import app.unciala.server.license.LicenseDraft.Quoted;
import app.unciala.server.license.LicenseService.Recorded;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

class LicenseTermsTest {
    private static final SlotView BOLD = new SlotView(700, 700, 100, 100, "upright", "", "");

    @Test
    void areRecordedInOneWayHoweverTheyWereTyped() {
        LicenseDraft checked = LicenseTerms.checked(
                terms(" Ostrel ", List.of("Client.example", "client.EXAMPLE", "*.Shop.example"), null, null, "usd"));
        assertThat(checked.name()).isEqualTo("Ostrel");
        assertThat(checked.domains()).containsExactly("client.example", "*.shop.example");
        assertThat(checked.currency()).isEqualTo("USD");
        assertThat(checked.covers().get(0).faces())
                .as("a face is named once")
                .singleElement()
                .satisfies(face -> assertThat(face.label()).isEqualTo("Bold"));
    }

    @ParameterizedTest
    @CsvSource({
        "2030-05-02, 2030-05-01, ends",
        "1899-12-31, , begins",
        ", 3001-01-01, ends",
    })
    void runBetweenDaysThatCanBe(@Nullable LocalDate begins, @Nullable LocalDate ends, String field) {
        assertThatThrownBy(() -> LicenseTerms.checked(terms("x", List.of(), begins, ends, "EUR")))
                .isInstanceOf(Fault.class)
                .satisfies(fault -> assertThat(((Fault) fault).field()).contains(field));
    }

    @ParameterizedTest
    @ValueSource(strings = {"€", "EURO", "QQQ", "12"})
    void nameACurrencyThatThereIs(String currency) {
        assertThatThrownBy(() -> LicenseTerms.checked(terms("x", List.of(), null, null, currency)))
                .hasMessageContaining("“" + currency + "” isn’t a currency");
    }

    @Test
    void areSaidInWordsByTheirFields() {
        LicenseDraft terms =
                LicenseTerms.checked(terms("Ostrel", List.of("client.example"), LocalDate.of(2030, 1, 1), null, "EUR"));
        Map<String, String> words = LicenseTerms.described(new Recorded(
                "l", 0, terms, List.of(), Map.of("f", "Ostrel Text"), "", List.of(), List.of(), List.of()));
        assertThat(words)
                .containsEntry("covers", "Ostrel Text (Bold)")
                .containsEntry("webUse", "granted")
                .containsEntry("converting", "not stated")
                .containsEntry("cutting", "granted")
                .containsEntry("renaming", "refused")
                .containsEntry("inlining", "not stated")
                .containsEntry("thirdParty", "refused")
                .containsEntry("domains", "client.example")
                .containsEntry("formats", "any")
                .containsEntry("begins", "2030-01-01")
                .containsEntry("ends", "")
                .containsEntry("domainLimit", "3")
                .containsEntry("renews", "no")
                .containsEntry("quotes", "“The name stays.”, page 2")
                .containsEntry("price", "120.05 EUR");
        assertThat(words.values()).doesNotContainNull();
    }

    private static LicenseDraft terms(
            String name, List<String> domains, @Nullable LocalDate begins, @Nullable LocalDate ends, String currency) {
        return LicenseDraftBuilder.builder()
                .name(name)
                .basis(Basis.BOUGHT)
                .vendor("Marrow Type")
                .covers(List.of(new Covered("f", List.of(BOLD, BOLD))))
                .webUse(Clause.GRANTED)
                .cutting(Clause.GRANTED)
                .renaming(Clause.REFUSED)
                .thirdParty(Clause.REFUSED)
                .development(Clause.REFUSED)
                .domains(domains)
                .domainLimit(3)
                .anyFormat(true)
                .begins(begins)
                .ends(ends)
                .price(12_005L)
                .currency(currency)
                .quotes(Map.of(Point.RENAMING, new Quoted("The name stays.", "page 2")))
                .build();
    }
}
