package app.unciala.demo;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.css.TextRole;
import app.unciala.core.license.Basis;
import app.unciala.core.license.Clause;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

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
            String client, String name, String text, List<String> domains, List<Role> roles, int daysAgo, String by) {
        /** Those of the domains that visitors do not see. */
        public List<String> staging() {
            return domains.stream()
                    .filter(domain -> domain.endsWith(STAGING_DESK))
                    .toList();
        }
    }

    public record Role(TextRole role, String family, GenericFamily generic, List<Slot> faces) {}

    /** The page views of a site in one month, counted back from this one. */
    public record Views(String site, int monthsAgo, long views) {}

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

    /** The sites whose pages were checked lately; those of the others nobody has looked at yet. */
    public static final Set<String> CHECKED =
            Set.of("Opal Street Books", "Fernway", "Lantern Row", "Lantern Row Archive", "Tidewater Cooperative");

    private static final String STAGING_DESK = ".staging-desk.example";
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
                        List.of("fernway.example", "fernway" + STAGING_DESK),
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
                        Deal.of("Wendlow open license", Basis.OPEN, "The Wendlow authors", "Wendlow", 398, TOMAS)
                                .spdx("OFL-1.1")
                                .webUse(Clause.NOT_STATED)
                                .converting(Clause.NOT_STATED),
                        Deal.of("Penmarrow web license", Basis.BOUGHT, "Marrow Type", "Penmarrow", 381, MARA)
                                .domains(List.of("harborandrye.example", "northlight.example", "opalstreet.example"))
                                .places(5)
                                .price(31500)
                                .keptAs("Marrow Type: web terms, 2026"),
                        Deal.of("Vellumine donation", Basis.DONATION, "Brother Anselm’s Types", "Vellumine", 379, TOMAS)
                                .price(2000)
                                .agreement(false),
                        Deal.of("Brantle yearly", Basis.SUBSCRIPTION, "Foundry on the Hill", "Brantle", 360, MARA)
                                .domains(List.of("copperline.example"))
                                .price(9900)
                                .endsIn(-33),
                        Deal.of("Ostrel for two sites", Basis.SUBSCRIPTION, "Ostrel & Daughters", "Ostrel", 340, MARA)
                                .domains(List.of("tidewater.example", "northlight.example", "marlpit.example"))
                                .places(2)
                                .price(24000)
                                .endsIn(25)
                                .noticeDays(45)
                                .renews(true),
                        Deal.of("Lanthorn, for personal use", Basis.PERSONAL, "Hob Letters", "Lanthorn", 140, TOMAS)
                                .webUse(Clause.NOT_STATED)
                                .converting(Clause.NOT_STATED),
                        Deal.of(
                                        "Hollin for Lantern Row",
                                        Basis.CLIENT_SUPPLIED,
                                        "Lantern Row Theatre",
                                        "Hollin",
                                        136,
                                        TOMAS)
                                .holder("Lantern Row Theatre")
                                .domains(List.of("lanternrow.example"))
                                .converting(Clause.REFUSED),
                        Deal.of("Marl by page views", Basis.PAGE_VIEWS, "Pit & Quarry", "Marl", 88, PRIYA)
                                .domains(List.of("marlpit.example"))
                                .pageViews(50_000L)
                                .price(1200)
                                .paidIn(9)
                                .endsIn(276)
                                .noticeDays(60)
                                .keptAs("Pit & Quarry: by page views"),
                        Deal.of("Skerry trial", Basis.TRIAL, "Skerry Rocks Foundry", "Skerry Display", 162, PRIYA)
                                .webUse(Clause.NOT_STATED)
                                .converting(Clause.REFUSED)
                                .endsIn(-71)
                                .noticeDays(14),
                        Deal.of("Fenwick for the office", Basis.DESKTOP, "Fenwick & Sons", "Fenwick Grotesk", 75, MARA)
                                .webUse(Clause.NOT_STATED)
                                .converting(Clause.NOT_STATED)
                                .price(5900),
                        Deal.of("Tillet Mono open license", Basis.OPEN, "The Tillet authors", "Tillet Mono", 186, PRIYA)
                                .spdx("Apache-2.0")
                                .webUse(Clause.NOT_STATED)
                                .converting(Clause.NOT_STATED),
                        Deal.of("Penmarrow Capitals", Basis.CUSTOM, "Marrow Type", "Penmarrow Capitals", 22, PRIYA)
                                .domains(List.of("readings.opalstreet.example"))
                                .converting(Clause.NOT_STATED)
                                .price(9000)
                                .agreement(false))
                .map(DealBuilder::build)
                .toList();
    }

    /** What was read of the pages of sites whose fonts are licensed by page views. */
    public static List<Views> pageViews() {
        return List.of(
                new Views("Marlpit", 3, 38_200), new Views("Marlpit", 2, 44_900), new Views("Marlpit", 1, 61_300));
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
