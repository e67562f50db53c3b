package app.unciala.demo;

import app.unciala.core.license.Basis;
import app.unciala.core.license.Clause;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A license of the scenario, in days from today; {@code endsIn} null means that it does not end. {@code holder} is the
 * client who holds it, {@code places} how many domains may be named, {@code pageViews} how many a month are permitted.
 */
@RecordBuilder
public record Deal(
        String name,
        Basis basis,
        @Nullable String spdx,
        String vendor,
        @Nullable String holder,
        List<String> families,
        Clause webUse,
        Clause converting,
        Clause subdomains,
        List<String> domains,
        @Nullable Integer places,
        @Nullable Long pageViews,
        int begunBefore,
        @Nullable Integer endsIn,
        int noticeDays,
        boolean renews,
        long price,
        boolean agreement,
        int daysAgo,
        String by) {

    /** Web use and converting granted, on any domain, without an end, and with the agreement attached. */
    static DealBuilder of(String name, Basis basis, String vendor, String family, int daysAgo, String by) {
        return DealBuilder.builder()
                .name(name)
                .basis(basis)
                .vendor(vendor)
                .families(List.of(family))
                .webUse(Clause.GRANTED)
                .converting(Clause.GRANTED)
                .subdomains(Clause.NOT_STATED)
                .domains(List.of())
                .begunBefore(daysAgo)
                .noticeDays(30)
                .agreement(true)
                .daysAgo(daysAgo)
                .by(by);
    }

    /** Whether it may be used on any domain. */
    public boolean anywhere() {
        return domains.isEmpty() && places == null;
    }
}
