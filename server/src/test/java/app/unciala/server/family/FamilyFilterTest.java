package app.unciala.server.family;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.font.face.Classification;
import app.unciala.server.family.FamilyFilter.Conditions;
import app.unciala.server.family.FamilyFilter.Group;
import app.unciala.server.family.FamilyFilter.Licensed;
import app.unciala.server.family.FamilyFilter.Order;
import app.unciala.server.family.FamilyFilter.Used;
import java.util.ArrayList;
import java.util.List;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

class FamilyFilterTest {
    private static final Pattern NAMED = Pattern.compile("(?<!:):([a-z]+)");

    @Test
    void whatIsNotAskedForNarrowsNothing() {
        assertThat(filter(null, null, null, null).conditions().sql()).containsExactly("f.deleted_at is null");
        assertThat(filter(" - ", "", " ", "").conditions().sql())
                .as("signs and blanks only")
                .containsExactly("f.deleted_at is null");
    }

    @Test
    void whatPeopleTypeIsAValueAndNeverPartOfTheQuery() {
        String hostile = "x' or 1=1 --";
        Conditions conditions = filter(hostile, hostile, hostile, hostile).conditions();
        assertThat(String.join(" ", conditions.sql())).doesNotContain("1=1").doesNotContain("--");
        assertThat(conditions.values().values()).hasSize(4).allMatch(value -> value.toString()
                .contains("1=1"));
    }

    @Test
    void everyValueThatTheQueryNamesIsThere() {
        FamilyFilter all = new FamilyFilter(
                "a",
                Classification.SERIF,
                "Marl",
                Licensed.NO,
                "WOFF2",
                "pl",
                false,
                Used.YES,
                "c1",
                Group.CLIENT,
                Order.NEWEST);
        Conditions conditions = all.conditions();
        List<String> named = new ArrayList<>();
        Matcher matcher = NAMED.matcher(String.join(" and ", conditions.sql()));
        while (matcher.find()) {
            named.add(matcher.group(1));
        }
        assertThat(named)
                .containsExactlyInAnyOrderElementsOf(conditions.values().keySet());
        assertThat(conditions.values()).containsEntry("lacking", "woff2").containsEntry("classification", "SERIF");
        assertThat(conditions.sql()).anyMatch(sql -> sql.startsWith("not exists (select 1 from license_family"));
        assertThat(conditions.sql()).anyMatch(sql -> sql.contains("s.client_id = :client"));
    }

    private static FamilyFilter filter(
            @Nullable String name, @Nullable String foundry, @Nullable String lacking, @Nullable String client) {
        return new FamilyFilter(name, null, foundry, null, lacking, null, null, null, client, null, Order.NAME);
    }
}
