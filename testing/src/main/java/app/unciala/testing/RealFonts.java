package app.unciala.testing;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Comparator;
import java.util.List;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Fonts that Debian packages installed on this machine, for tests only. */
public final class RealFonts {
    private static final Path ROOT = Path.of("/usr/share/fonts");

    private RealFonts() {}

    /** The packages' folders that the tests need; a missing one fails the test rather than passing it by. */
    public static Stream<Path> all() {
        return Stream.of("truetype/dejavu", "truetype/open-sans", "opentype/cantarell")
                .flatMap(RealFonts::in);
    }

    /** More packages, of many hands and tools: the fonts that identities are compared on. */
    public static Stream<Path> everywhere() {
        return Stream.concat(
                all(),
                Stream.of(
                                "truetype/lato",
                                "truetype/inter-vf",
                                "truetype/lohit-devanagari",
                                "truetype/gentium",
                                "truetype/liberation",
                                "opentype/fonts-hosny-amiri",
                                "opentype/ebgaramond")
                        .flatMap(RealFonts::in));
    }

    /** The first and the last font of every package: many hands and tools, where one font takes long. */
    public static Stream<Path> twoOfEach() {
        return everywhere()
                .collect(Collectors.groupingBy(Path::getParent, TreeMap::new, Collectors.toList()))
                .values()
                .stream()
                .flatMap(fonts -> Stream.of(fonts.get(0), fonts.get(fonts.size() - 1)))
                .distinct();
    }

    public static Stream<Path> in(String folder) {
        Path path = ROOT.resolve(folder);
        if (!Files.isDirectory(path)) {
            throw new IllegalStateException(path + " is missing; bin/test installs the packages the tests need");
        }
        try (Stream<Path> files = Files.walk(path)) {
            List<Path> fonts = files.filter(file -> file.toString().matches(".*\\.(ttf|otf)"))
                    .sorted()
                    .toList();
            if (fonts.isEmpty()) {
                throw new IllegalStateException("no fonts in " + path);
            }
            return fonts.stream();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    public static byte[] bytes(Path path) {
        try {
            return Files.readAllBytes(path);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    /** The smallest TrueType font there is, with composites and instructions. */
    public static byte[] small() {
        return all().filter(path -> path.toString().endsWith(".ttf"))
                .min(Comparator.comparingLong(path -> path.toFile().length()))
                .map(RealFonts::bytes)
                .orElseThrow();
    }

    public static Path named(String name) {
        return everywhere().filter(path -> path.endsWith(name)).findFirst().orElseThrow();
    }

    /** A font of pictures, with no outlines at all. */
    public static Path emoji() {
        return ROOT.resolve("truetype/noto/NotoColorEmoji.ttf");
    }

    /** A font with CFF outlines. */
    public static byte[] cff() {
        return bytes(in("opentype/cantarell").findFirst().orElseThrow());
    }
}
