package app.unciala.demo;

import app.unciala.core.license.Basis;
import app.unciala.core.license.Clause;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * A license of the scenario, in days from today; {@code endsIn} null means that it does not end. {@code holder} is the
 * client who holds it, {@code places} how many domains may be named, {@code pageViews} how many a month are permitted,
 * {@code paidIn} when it is paid for next; {@code keptAs} is the name of the set of terms that its terms are kept as.
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
        @Nullable Integer paidIn,
        boolean agreement,
        @Nullable String keptAs,
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

    /** The agreement, in the words in which such texts say what is permitted. */
    public String agreementText() {
        List<String> lines = new ArrayList<>(List.of(name, vendor, ""));
        if (webUse != Clause.NOT_STATED) {
            lines.add("You may" + (webUse == Clause.GRANTED ? "" : " not")
                    + " use the fonts on web pages and serve them from your own server.");
        }
        if (places != null) {
            lines.add("They may be used on up to " + places + " domains.");
        }
        if (pageViews != null) {
            lines.add("Up to " + pageViews + " page views a month are permitted.");
        }
        if (converting != Clause.NOT_STATED) {
            lines.add("Converting the fonts to other formats is"
                    + (converting == Clause.GRANTED ? " permitted." : " not permitted."));
        }
        lines.add("");
        lines.add("Made up for a demonstration.");
        return String.join("\n", lines) + "\n";
    }
}
