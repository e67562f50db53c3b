package app.unciala.demo;

import app.unciala.demo.pen.Hand;
import app.unciala.font.face.Range;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/** A font of the demonstration: who wrote it how. Drawn when the project is built, and read from the jar after. */
public record DemoFont(String family, Slot slot, String version, Hand hand, double tweak, int fsType) {
    private static final int INSTALLABLE = 0;
    private static final int RESTRICTED = 2;
    private static final String FOR_TRYING = "Skerry Display";
    /** A family that is found on a page and was never taken in. */
    public static final String FOUND_ONLY = "Saltern";

    /** Every font that is drawn. */
    public static List<DemoFont> all() {
        List<DemoFont> fonts = new ArrayList<>();
        for (Slope slope : List.of(Slope.UPRIGHT, Slope.ITALIC)) {
            for (int weight : new int[] {300, 400, 500, 700, 900}) {
                fonts.add(new DemoFont("Ostrel", Slot.of(weight, 100, slope), "1.0", Hand.SANS, 0, INSTALLABLE));
            }
            for (int weight : new int[] {400, 700}) {
                fonts.add(
                        new DemoFont("Penmarrow", Slot.of(weight, 100, slope), "2.1", Hand.BROAD_NIB, 0, INSTALLABLE));
            }
        }
        Slot bold = Slot.of(700, 100, Slope.UPRIGHT);
        Slot regular = Slot.of(400, 100, Slope.UPRIGHT);
        fonts.add(new DemoFont("Ostrel", bold, "1.1", Hand.SANS, 0.03, INSTALLABLE));
        fonts.add(new DemoFont("Tillet Mono", regular, "1.0", Hand.MONO, 0, INSTALLABLE));
        // Somebody gave a copy of Tillet Mono a name of their own.
        fonts.add(new DemoFont("Codeface", regular, "1.0", Hand.MONO, 0, INSTALLABLE));
        fonts.add(new DemoFont("Vellumine", regular, "1.3", Hand.UNCIAL, 0, INSTALLABLE));
        for (int weight : new int[] {400, 500, 700}) {
            fonts.add(new DemoFont(
                    "Brantle",
                    Slot.of(weight, 100, Slope.UPRIGHT),
                    "3.0",
                    Hand.SANS,
                    -0.16,
                    weight == 700 ? RESTRICTED : INSTALLABLE));
        }
        fonts.add(new DemoFont("Wendlow", regular, "1.0", Hand.BROAD_NIB, 0.12, INSTALLABLE));
        for (int weight : new int[] {400, 700}) {
            Slot upright = Slot.of(weight, 100, Slope.UPRIGHT);
            fonts.add(new DemoFont("Ostrel", Slot.of(weight, 75, Slope.UPRIGHT), "1.0", Hand.SANS, 0, INSTALLABLE));
            fonts.add(new DemoFont("Gannet", upright, "2.0", Hand.SANS, 0.11, INSTALLABLE));
            fonts.add(new DemoFont("Hollin", upright, "1.4", Hand.BROAD_NIB, -0.07, INSTALLABLE));
            fonts.add(new DemoFont("Fenwick Grotesk", upright, "1.2", Hand.SANS, -0.09, INSTALLABLE));
        }
        fonts.add(new DemoFont(
                "Marl", new Slot(Range.of(400), new Range(75, 100), Slope.UPRIGHT), "1.0", Hand.SANS, 0.05, 0));
        fonts.add(new DemoFont("Penmarrow Capitals", regular, "2.1", Hand.SMALL_CAPITALS, 0, INSTALLABLE));
        fonts.add(new DemoFont(FOR_TRYING, Slot.of(900, 100, Slope.UPRIGHT), "1.0", Hand.SANS, 0.28, INSTALLABLE));
        fonts.add(new DemoFont("Lanthorn", regular, "1.3", Hand.UNCIAL, -0.12, INSTALLABLE));
        fonts.add(new DemoFont("Osier", regular, "3.2", Hand.BROAD_NIB, 0.2, INSTALLABLE));
        fonts.add(new DemoFont(FOUND_ONLY, regular, "1.0", Hand.BROAD_NIB, -0.24, INSTALLABLE));
        return List.copyOf(fonts);
    }

    /** The name under which it is handed over, such as {@code Ostrel-BoldItalic.ttf}; later versions say so. */
    public String fileName() {
        String later = version.equals("1.1") ? "-v" + version : "";
        return family.replace(" ", "")
                + (slot.width().isSingle() ? "-" + slot.label().replace(" ", "") : "-Variable") + later + ".ttf";
    }

    String resource() {
        return "fonts/" + fileName().toLowerCase(Locale.ROOT);
    }

    byte[] draw() {
        String license = (family.equals(FOR_TRYING) ? "Trial version, not for publication. " : "")
                + "Drawn for the demonstration of Unciala; licensed like the program itself.";
        return hand.write(family, slot, version, tweak, foundry(), license, fsType);
    }

    /** Who made it, by the license that somebody bought or was given. */
    private String foundry() {
        return Scenario.deals().stream()
                .filter(deal -> deal.holder() == null && deal.families().contains(family))
                .map(Deal::vendor)
                .findFirst()
                .orElse("");
    }

    /** The font's bytes as drawn at build time. */
    public byte[] bytes() {
        return DemoFonts.read(this);
    }
}
