package app.unciala.demo;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.css.TextRole;
import app.unciala.core.face.Slope;
import app.unciala.core.face.Slot;
import app.unciala.core.license.Clause;
import app.unciala.core.license.LicenseKind;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * The demonstration's agency over fourteen months, with its people, clients, sites and licenses, and the trouble they
 * are in on purpose: a bold nobody holds, licenses that ended, a domain that is not permitted, one that nobody thought
 * of asking about, faces without any license, a file filed twice and two versions of one face. Days are counted back
 * from today.
 */
public final class Scenario {
    /** Someone at the agency; {@code level} is READER, EDITOR or ADMINISTRATOR. */
    public record Person(String name, String displayName, String level, int joined) {}

    /** A site, with the faces each text role asks for, and who added it when. */
    public record Site(
            String client, String name, String text, List<String> domains, List<Role> roles, int daysAgo, String by) {}

    public record Role(TextRole role, String family, GenericFamily generic, List<Slot> faces) {}

    /** A license in days from today; {@code endsIn} null means that it does not end. */
    public record Deal(
            String name,
            LicenseKind kind,
            String vendor,
            List<String> families,
            Clause webUse,
            Clause converting,
            boolean anywhere,
            List<String> domains,
            int begunBefore,
            @Nullable Integer endsIn,
            int noticeDays,
            long price,
            boolean agreement,
            int daysAgo,
            String by) {

        /** Granted on every point, on any domain, without an end, and with the agreement attached. */
        static Draft of(String name, LicenseKind kind, String vendor, String family, int daysAgo, String by) {
            return new Draft(name, kind, vendor, family, daysAgo, by);
        }
    }

    /** A deal while it is being told: what differs from the usual one is said by name. */
    private static final class Draft {
        private final String name;
        private final LicenseKind kind;
        private final String vendor;
        private final String family;
        private final int daysAgo;
        private final String by;
        private Clause webUse = Clause.GRANTED;
        private Clause converting = Clause.GRANTED;
        private List<String> domains = List.of();
        private @Nullable Integer endsIn;
        private int noticeDays = 30;
        private long price;
        private boolean agreement = true;

        Draft(String name, LicenseKind kind, String vendor, String family, int daysAgo, String by) {
            this.name = name;
            this.kind = kind;
            this.vendor = vendor;
            this.family = family;
            this.daysAgo = daysAgo;
            this.by = by;
        }

        Draft on(String... permitted) {
            domains = List.of(permitted);
            return this;
        }

        Draft at(long cents) {
            price = cents;
            return this;
        }

        Draft ending(int days, int notice) {
            endsIn = days;
            noticeDays = notice;
            return this;
        }

        Draft saying(Clause onWebUse, Clause onConverting) {
            webUse = onWebUse;
            converting = onConverting;
            return this;
        }

        Draft withoutAgreement() {
            agreement = false;
            return this;
        }

        Deal deal() {
            return new Deal(
                    name,
                    kind,
                    vendor,
                    List.of(family),
                    webUse,
                    converting,
                    domains.isEmpty(),
                    domains,
                    daysAgo,
                    endsIn,
                    noticeDays,
                    price,
                    agreement,
                    daysAgo,
                    by);
        }
    }

    /** An archive as it was taken in; {@code files} by their paths in it. */
    public record Arrival(String name, Map<String, byte[]> files, int daysAgo, String by) {}

    /** What somebody decided about the flags of a kind: accepted for some days, or handed to somebody. */
    public record Decision(
            String kind,
            Optional<String> site,
            Optional<String> handedTo,
            int acceptedDays,
            String reason,
            int daysAgo,
            String by) {}

    private static final String MARA = "demo";
    private static final String ILSE = "ilse";
    private static final String TOMAS = "tomas";
    private static final String PRIYA = "priya";

    private Scenario() {}

    /** Five people; the account of the demonstration itself is made apart from them. */
    public static List<Person> people() {
        return List.of(
                new Person(ILSE, "Ilse Brandvik", "ADMINISTRATOR", 420),
                new Person(TOMAS, "Tomás Redler", "EDITOR", 400),
                new Person(PRIYA, "Priya Okonjo", "EDITOR", 210),
                new Person("wen", "Wen Halloran", "READER", 90));
    }

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
                                        bold())),
                        380,
                        TOMAS),
                new Site(
                        "Tidewater Cooperative",
                        "Tidewater Cooperative",
                        "Forty boats, one harbor, and a say for everybody who works in it.",
                        List.of("tidewater.example"),
                        List.of(
                                role(TextRole.HEADINGS, "Ostrel", GenericFamily.SANS_SERIF, upright(700), upright(900)),
                                role(TextRole.RUNNING_TEXT, "Ostrel", GenericFamily.SANS_SERIF, regular(), italic())),
                        352,
                        TOMAS),
                new Site(
                        "Northlight Museum",
                        "Northlight Museum",
                        "Seven rooms of drawings, and the lamp room above them.",
                        List.of("northlight.example", "tickets-northlight.example"),
                        List.of(
                                role(TextRole.HEADINGS, "Ostrel", GenericFamily.SANS_SERIF, upright(300)),
                                role(TextRole.RUNNING_TEXT, "Penmarrow", GenericFamily.SERIF, regular(), italic())),
                        301,
                        MARA),
                new Site(
                        "Fernway Physiotherapy",
                        "Fernway",
                        "Move again, a little further every week.",
                        List.of("fernway.example"),
                        List.of(
                                role(TextRole.HEADINGS, "Wendlow", GenericFamily.SERIF, bold()),
                                role(TextRole.RUNNING_TEXT, "Wendlow", GenericFamily.SERIF, regular())),
                        264,
                        TOMAS),
                new Site(
                        "Copperline Cycles",
                        "Copperline",
                        "Frames brazed by hand, and wheels that stay true.",
                        List.of("copperline.example"),
                        List.of(
                                role(TextRole.HEADINGS, "Brantle", GenericFamily.SANS_SERIF, bold()),
                                role(TextRole.RUNNING_TEXT, "Brantle", GenericFamily.SANS_SERIF, regular())),
                        240,
                        MARA),
                new Site(
                        "Opal Street Books",
                        "Opal Street Books",
                        "Three floors, no order that anyone admits to, and a cat.",
                        List.of("opalstreet.example"),
                        List.of(
                                role(TextRole.HEADINGS, "Vellumine", GenericFamily.SERIF, regular()),
                                role(TextRole.RUNNING_TEXT, "Penmarrow", GenericFamily.SERIF, regular(), italic()),
                                role(TextRole.CODE, "Tillet Mono", GenericFamily.MONOSPACE, regular())),
                        188,
                        PRIYA),
                new Site(
                        "Northlight Museum",
                        "Northlight Shop",
                        "Prints, pencils, and the catalogue of the lamp room.",
                        List.of("shop.northlight.example"),
                        List.of(
                                role(TextRole.HEADINGS, "Skerry Display", GenericFamily.SANS_SERIF, upright(900)),
                                role(TextRole.RUNNING_TEXT, "Penmarrow", GenericFamily.SERIF, regular())),
                        160,
                        PRIYA),
                new Site(
                        "Lantern Row Theatre",
                        "Lantern Row",
                        "A hundred and four seats, and the street outside when it is warm.",
                        List.of("lanternrow.example"),
                        List.of(
                                role(TextRole.PAGE_TITLE, "Lanthorn", GenericFamily.SERIF, regular()),
                                role(TextRole.RUNNING_TEXT, "Hollin", GenericFamily.SERIF, regular(), bold())),
                        133,
                        TOMAS),
                new Site(
                        "Lantern Row Theatre",
                        "Lantern Row Archive",
                        "Every bill since the first season, and who forgot which line.",
                        List.of("archive.lanternrow.example"),
                        List.of(role(TextRole.RUNNING_TEXT, "Hollin", GenericFamily.SERIF, regular(), italic())),
                        120,
                        TOMAS),
                new Site(
                        "Marlpit Brickworks",
                        "Marlpit",
                        "Bricks by the pallet, and one by one for those who mend.",
                        List.of("marlpit.example"),
                        List.of(
                                role(
                                        TextRole.HEADINGS,
                                        "Ostrel",
                                        GenericFamily.SANS_SERIF,
                                        Slot.of(700, 75, Slope.UPRIGHT)),
                                role(TextRole.RUNNING_TEXT, "Marl", GenericFamily.SANS_SERIF, regular())),
                        86,
                        PRIYA),
                new Site(
                        "Gannet Ferries",
                        "Gannet Ferries",
                        "Out at seven, back by dusk, and room for the dog.",
                        List.of("gannetferries.example", "book.gannetferries.example"),
                        List.of(
                                role(TextRole.HEADINGS, "Gannet", GenericFamily.SANS_SERIF, bold()),
                                role(TextRole.RUNNING_TEXT, "Gannet", GenericFamily.SANS_SERIF, regular())),
                        54,
                        MARA),
                new Site(
                        "Opal Street Books",
                        "Opal Street Readings",
                        "Somebody reads, somebody pours, and everybody is home by ten.",
                        List.of("readings.opalstreet.example"),
                        List.of(
                                role(TextRole.HEADINGS, "Penmarrow Capitals", GenericFamily.SERIF, regular()),
                                role(TextRole.RUNNING_TEXT, "Osier", GenericFamily.SERIF, regular())),
                        23,
                        PRIYA));
    }

    public static List<Deal> deals() {
        return Stream.of(
                        Deal.of("Wendlow open license", LicenseKind.FREE, "The Wendlow authors", "Wendlow", 398, TOMAS),
                        Deal.of("Penmarrow web license", LicenseKind.PER_DOMAIN, "Marrow Type", "Penmarrow", 381, MARA)
                                .on("harborandrye.example", "northlight.example", "opalstreet.example")
                                .at(31500),
                        Deal.of(
                                        "Vellumine donation",
                                        LicenseKind.DONATION,
                                        "Brother Anselm’s Types",
                                        "Vellumine",
                                        379,
                                        TOMAS)
                                .at(2000)
                                .withoutAgreement(),
                        Deal.of("Brantle yearly", LicenseKind.SUBSCRIPTION, "Foundry on the Hill", "Brantle", 360, MARA)
                                .on("copperline.example")
                                .at(9900)
                                .ending(-33, 30),
                        Deal.of(
                                        "Ostrel for two sites",
                                        LicenseKind.SUBSCRIPTION,
                                        "Ostrel & Daughters",
                                        "Ostrel",
                                        340,
                                        MARA)
                                .on("tidewater.example", "northlight.example", "marlpit.example")
                                .at(24000)
                                .ending(25, 45),
                        Deal.of(
                                        "Lanthorn, for personal use",
                                        LicenseKind.PERSONAL,
                                        "Hob Letters",
                                        "Lanthorn",
                                        140,
                                        TOMAS)
                                .saying(Clause.REFUSED, Clause.NOT_STATED),
                        Deal.of(
                                        "Hollin for Lantern Row",
                                        LicenseKind.CLIENT_SUPPLIED,
                                        "Lantern Row Theatre",
                                        "Hollin",
                                        136,
                                        TOMAS)
                                .on("lanternrow.example")
                                .saying(Clause.GRANTED, Clause.REFUSED),
                        Deal.of("Marl by page views", LicenseKind.PAGE_VIEWS, "Pit & Quarry", "Marl", 88, PRIYA)
                                .on("marlpit.example")
                                .at(14400)
                                .ending(276, 60),
                        Deal.of("Skerry trial", LicenseKind.TRIAL, "Skerry Rocks Foundry", "Skerry Display", 162, PRIYA)
                                .saying(Clause.REFUSED, Clause.REFUSED)
                                .ending(-71, 14),
                        Deal.of(
                                        "Fenwick for the office",
                                        LicenseKind.DESKTOP,
                                        "Fenwick & Sons",
                                        "Fenwick Grotesk",
                                        75,
                                        MARA)
                                .saying(Clause.NOT_STATED, Clause.NOT_STATED)
                                .at(5900),
                        Deal.of(
                                "Tillet Mono open license",
                                LicenseKind.FREE,
                                "The Tillet authors",
                                "Tillet Mono",
                                186,
                                PRIYA),
                        Deal.of(
                                        "Penmarrow Capitals",
                                        LicenseKind.PER_DOMAIN,
                                        "Marrow Type",
                                        "Penmarrow Capitals",
                                        22,
                                        PRIYA)
                                .on("readings.opalstreet.example")
                                .saying(Clause.GRANTED, Clause.NOT_STATED)
                                .at(9000)
                                .withoutAgreement())
                .map(Draft::deal)
                .toList();
    }

    /** Flags that people looked at; those left out stand open. */
    public static List<Decision> decisions() {
        return List.of(
                new Decision(
                        "SLOT_CLASH",
                        Optional.empty(),
                        Optional.empty(),
                        75,
                        "Tidewater stays on 1.0 until its new pages are out.",
                        40,
                        MARA),
                new Decision(
                        "LICENSE_ENDED",
                        Optional.of("Copperline"),
                        Optional.of(MARA),
                        0,
                        "Asked the foundry for an offer on two years.",
                        12,
                        ILSE),
                new Decision(
                        "NO_LICENSE",
                        Optional.of("Gannet Ferries"),
                        Optional.of(PRIYA),
                        0,
                        "The client says that they bought it; the order is on its way.",
                        6,
                        MARA),
                new Decision(
                        "NO_PROOF",
                        Optional.empty(),
                        Optional.empty(),
                        30,
                        "The receipt is in the bookkeeping, to be scanned with the year’s end.",
                        9,
                        ILSE));
    }

    /** The archives that were accepted, oldest first. */
    public static List<Arrival> arrivals() {
        Map<String, Map<String, byte[]>> archives = Archives.accepted();
        return List.of(
                arrival(archives, "Ostrel.zip", 410, TOMAS),
                arrival(archives, "Penmarrow.zip", 402, TOMAS),
                arrival(archives, "Wendlow.zip", 399, TOMAS),
                arrival(archives, "Vellumine.zip", 382, TOMAS),
                arrival(archives, "Brantle.zip", 361, MARA),
                arrival(archives, "harbor-old-site.zip", 300, ILSE),
                arrival(archives, "Tillet-Mono.zip", 190, PRIYA),
                arrival(archives, "Skerry-Display.zip", 163, PRIYA),
                arrival(archives, "Lanthorn.zip", 141, TOMAS),
                arrival(archives, "Hollin.zip", 137, TOMAS),
                arrival(archives, "Marl.zip", 89, PRIYA),
                arrival(archives, "Ostrel-Condensed.zip", 87, PRIYA),
                arrival(archives, "Fenwick-Grotesk.zip", 76, MARA),
                arrival(archives, "Gannet.zip", 55, MARA),
                arrival(archives, "Penmarrow-Capitals.zip", 25, PRIYA),
                arrival(archives, "Osier.zip", 24, PRIYA));
    }

    /** The archive that still waits for a person. */
    public static Map<String, byte[]> underReview() {
        return Archives.underReview();
    }

    private static Arrival arrival(Map<String, Map<String, byte[]>> archives, String name, int daysAgo, String by) {
        Map<String, byte[]> files = archives.get(name);
        if (files == null) {
            throw new IllegalStateException("there is no archive " + name);
        }
        return new Arrival(name, files, daysAgo, by);
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
