package app.unciala.demo;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.css.TextRole;
import app.unciala.core.face.Slope;
import app.unciala.core.face.Slot;
import app.unciala.core.license.LicenseKind;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * The demonstration's agency with its clients, sites and licenses, and the trouble they are in on purpose: a bold
 * nobody holds, a license that ended, a domain that is not permitted, one that nobody thought of asking about, a face
 * without any license, a file filed twice and two versions of one face.
 */
public final class Scenario {
    /** A site, with the faces each text role asks for. */
    public record Site(String client, String name, String text, List<String> domains, List<Role> roles) {}

    public record Role(TextRole role, String family, GenericFamily generic, List<Slot> faces) {}

    /** A license in days from today; {@code endsIn} null means that it does not end. */
    public record Deal(
            String name,
            LicenseKind kind,
            String vendor,
            String family,
            boolean converting,
            boolean anywhere,
            List<String> domains,
            int begunBefore,
            @Nullable Integer endsIn,
            int noticeDays,
            long price,
            boolean agreement) {}

    private Scenario() {}

    public static List<Site> sites() {
        return List.of(
                new Site(
                        "Harbor & Rye Bakery",
                        "Harbor & Rye",
                        "Bread that takes its time, from a wood oven two streets from the water.",
                        List.of("harborandrye.example", "shop.harborandrye.example"),
                        List.of(
                                role(TextRole.HEADINGS, "Vellumine", GenericFamily.SERIF, regular()),
                                role(
                                        TextRole.RUNNING_TEXT,
                                        "Penmarrow",
                                        GenericFamily.SERIF,
                                        regular(),
                                        italic(),
                                        bold()))),
                new Site(
                        "Tidewater Cooperative",
                        "Tidewater Cooperative",
                        "Forty boats, one harbor, and a say for everybody who works in it.",
                        List.of("tidewater.example"),
                        List.of(
                                role(TextRole.HEADINGS, "Ostrel", GenericFamily.SANS_SERIF, upright(700), upright(900)),
                                role(TextRole.RUNNING_TEXT, "Ostrel", GenericFamily.SANS_SERIF, regular(), italic()))),
                new Site(
                        "Northlight Museum",
                        "Northlight Museum",
                        "Seven rooms of drawings, and the lamp room above them.",
                        List.of("northlight.example", "tickets-northlight.example"),
                        List.of(
                                role(TextRole.HEADINGS, "Ostrel", GenericFamily.SANS_SERIF, upright(300)),
                                role(TextRole.RUNNING_TEXT, "Penmarrow", GenericFamily.SERIF, regular(), italic()))),
                new Site(
                        "Fernway Physiotherapy",
                        "Fernway",
                        "Move again, a little further every week.",
                        List.of("fernway.example"),
                        List.of(
                                role(TextRole.HEADINGS, "Wendlow", GenericFamily.SERIF, bold()),
                                role(TextRole.RUNNING_TEXT, "Wendlow", GenericFamily.SERIF, regular()))),
                new Site(
                        "Copperline Cycles",
                        "Copperline",
                        "Frames brazed by hand, and wheels that stay true.",
                        List.of("copperline.example"),
                        List.of(
                                role(TextRole.HEADINGS, "Brantle", GenericFamily.SANS_SERIF, bold()),
                                role(TextRole.RUNNING_TEXT, "Brantle", GenericFamily.SANS_SERIF, regular()))),
                new Site(
                        "Opal Street Books",
                        "Opal Street Books",
                        "Three floors, no order that anyone admits to, and a cat.",
                        List.of("opalstreet.example"),
                        List.of(
                                role(TextRole.HEADINGS, "Vellumine", GenericFamily.SERIF, regular()),
                                role(TextRole.RUNNING_TEXT, "Penmarrow", GenericFamily.SERIF, regular(), italic()),
                                role(TextRole.CODE, "Tillet Mono", GenericFamily.MONOSPACE, regular()))));
    }

    public static List<Deal> deals() {
        return List.of(
                new Deal(
                        "Ostrel for two sites",
                        LicenseKind.SUBSCRIPTION,
                        "Ostrel & Daughters",
                        "Ostrel",
                        true,
                        false,
                        List.of("tidewater.example", "northlight.example"),
                        340,
                        25,
                        45,
                        24000,
                        true),
                new Deal(
                        "Penmarrow web license",
                        LicenseKind.PER_DOMAIN,
                        "Marrow Type",
                        "Penmarrow",
                        true,
                        false,
                        List.of("harborandrye.example", "northlight.example", "opalstreet.example"),
                        700,
                        null,
                        30,
                        31500,
                        true),
                new Deal(
                        "Vellumine donation",
                        LicenseKind.DONATION,
                        "Brother Anselm’s Types",
                        "Vellumine",
                        true,
                        true,
                        List.of(),
                        400,
                        null,
                        30,
                        2000,
                        false),
                new Deal(
                        "Brantle yearly",
                        LicenseKind.SUBSCRIPTION,
                        "Foundry on the Hill",
                        "Brantle",
                        true,
                        false,
                        List.of("copperline.example"),
                        400,
                        -33,
                        30,
                        9900,
                        true),
                new Deal(
                        "Wendlow open license",
                        LicenseKind.FREE,
                        "The Wendlow authors",
                        "Wendlow",
                        true,
                        true,
                        List.of(),
                        900,
                        null,
                        30,
                        0,
                        true));
    }

    /** The archives that were accepted long ago, by name; file paths to bytes. */
    public static Map<String, Map<String, byte[]>> accepted() {
        return Archives.accepted();
    }

    /** The archive that still waits for a person. */
    public static Map<String, byte[]> underReview() {
        return Archives.underReview();
    }

    private static Role role(TextRole role, String family, GenericFamily generic, Slot... faces) {
        return new Role(role, family, generic, List.of(faces));
    }

    private static Slot upright(int weight) {
        return Slot.of(weight, 100, Slope.UPRIGHT);
    }

    private static Slot regular() {
        return upright(400);
    }

    private static Slot bold() {
        return upright(700);
    }

    private static Slot italic() {
        return Slot.of(400, 100, Slope.ITALIC);
    }
}
