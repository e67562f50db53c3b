package app.unciala.demo;

import app.unciala.font.FontFormat;
import app.unciala.font.face.Slope;
import app.unciala.font.file.FontReader;
import app.unciala.font.file.FontWriter;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.subset.Subsetter;
import java.nio.charset.StandardCharsets;
import java.util.Arrays;
import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;

/** The archives as vendors and clients handed them over. */
final class Archives {
    private static final String TERMS =
            "This font was made up for a demonstration. Web use is granted for the domains named in the order.\n";

    private static final Set<String> WITH_WEB_FILES =
            Set.of("Penmarrow", "Vellumine", "Hollin", "Marl", "Osier", "Lanthorn");

    private static final String COPY = "Codeface";

    /** A file that somebody cut down to what one site needed, and handed on as if it were whole. */
    private static final String CUT_DOWN = "FenwickGrotesk-Bold.ttf";

    private Archives() {}

    static Map<String, Map<String, byte[]>> accepted() {
        Map<String, Map<String, byte[]>> archives = new LinkedHashMap<>();
        for (DemoFont font : DemoFont.all()) {
            boolean stillToCome =
                    font.family().equals("Brantle") && font.slot().weight().min() == 500;
            if (stillToCome || font.family().equals(COPY) || font.family().equals(DemoFont.FOUND_ONLY)) {
                continue;
            }
            Map<String, byte[]> archive = archives.computeIfAbsent(archiveName(font), name -> new LinkedHashMap<>());
            archive.put("desktop/" + font.fileName(), font.fileName().equals(CUT_DOWN) ? letters(font) : font.bytes());
            boolean web = WITH_WEB_FILES.contains(font.family());
            boolean some = font.family().equals("Ostrel")
                    && font.slot().slope() == Slope.UPRIGHT
                    && font.version().equals("1.0");
            if (web || (some && font.slot().weight().min() <= 700)) {
                archive.put("web/" + woff2Name(font), woff2(font));
            }
        }
        Map<String, byte[]> repeated = new LinkedHashMap<>();
        DemoFont regular = font("Penmarrow-Regular.ttf");
        repeated.put("old-site/assets/body-font.ttf", regular.bytes());
        repeated.put("old-site/assets/codeface.woff2", woff2(font("Codeface-Regular.ttf")));
        archives.put("harbor-old-site.zip", repeated);
        return archives;
    }

    static Map<String, byte[]> underReview() {
        Map<String, byte[]> archive = new LinkedHashMap<>();
        archive.put("Brantle 3/Brantle-Regular.ttf", font("Brantle-Regular.ttf").bytes());
        archive.put("Brantle 3/Brantle-Medium.ttf", font("Brantle-Medium.ttf").bytes());
        archive.put("Brantle 3/Webfonts/Brantle-Regular.woff2", woff2(font("Brantle-Regular.ttf")));
        byte[] whole = woff2(font("Brantle-Bold.ttf"));
        archive.put("Brantle 3/Webfonts/Brantle-Bold.woff2", Arrays.copyOf(whole, whole.length / 3));
        archive.put(
                "Brantle 3/Ostrel-Bold-new.ttf", font("Ostrel-Bold-v1.1.ttf").bytes());
        archive.put(
                "Brantle 3/Brantle-Black.ttf",
                "Sorry, the black is not finished yet.\n".getBytes(StandardCharsets.UTF_8));
        archive.put("Brantle 3/License.txt", TERMS.getBytes(StandardCharsets.UTF_8));
        archive.put("__MACOSX/._Brantle-Regular.ttf", new byte[] {0, 5, 22, 7});
        return archive;
    }

    /** The condensed width of a family came later, in an archive of its own. */
    private static String archiveName(DemoFont font) {
        String name = font.family().replace(" ", "-");
        return (font.slot().width().max() < 90 ? name + "-Condensed" : name) + ".zip";
    }

    private static DemoFont font(String fileName) {
        return DemoFont.all().stream()
                .filter(font -> font.fileName().equals(fileName))
                .findFirst()
                .orElseThrow();
    }

    private static byte[] letters(DemoFont font) {
        Sfnt whole = FontReader.read(font.bytes()).faces().get(0);
        BitSet letters = new BitSet();
        letters.set('A', 'Z' + 1);
        letters.set('a', 'z' + 1);
        return FontWriter.write(Subsetter.subset(whole, letters), FontFormat.TTF);
    }

    private static String woff2Name(DemoFont font) {
        return font.fileName().replace(".ttf", ".woff2");
    }

    private static byte[] woff2(DemoFont font) {
        return FontWriter.write(FontReader.read(font.bytes()).faces().get(0), FontFormat.WOFF2);
    }
}
