package app.unciala.server.pack;

import app.unciala.core.license.LicenseText;
import app.unciala.core.license.LicenseText.Recognized;
import app.unciala.core.license.OpenLicense;
import app.unciala.core.license.Verdict;
import app.unciala.font.sfnt.Sfnt;
import app.unciala.font.table.NameTable;
import app.unciala.server.pack.PackFaces.Source;
import java.util.List;
import java.util.Locale;
import java.util.Optional;

/**
 * The names that a license keeps for the font as its makers published it (SIL Open Font License 1.1, condition 3): what
 * is changed, such as a subset, goes out under another family name.
 */
final class ReservedNames {
    private final List<String> reserved;
    private final String family;

    private ReservedNames(List<String> reserved, String family) {
        this.reserved = reserved;
        this.family = family;
    }

    /** Those that a font says of itself, or none where its license reserves no names. */
    static ReservedNames of(Sfnt face, String family) {
        NameTable names = NameTable.read(face);
        String license = names.best(NameTable.LICENSE).orElse("");
        boolean reserves = LicenseText.recognize(
                        license, names.best(NameTable.LICENSE_URL).orElse(""))
                .map(Recognized::license)
                .filter(known -> known == OpenLicense.OFL_1_1 || known == OpenLicense.OFL_1_0)
                .isPresent();
        return new ReservedNames(
                reserves
                        ? LicenseText.reservedNames(
                                names.best(NameTable.COPYRIGHT).orElse("") + "\n" + license)
                        : List.of(),
                family);
    }

    /** The name in the site's CSS for a changed file, if its own is reserved, this one is not, and it may be renamed. */
    Optional<String> renamedTo(String nameInCss, Source source) {
        return isReserved(family)
                        && !isReserved(nameInCss)
                        && source.goesOut().renaming().verdict() == Verdict.ALLOWED
                ? Optional.of(nameInCss)
                : Optional.empty();
    }

    /** What to do where a changed file would go out under a reserved name. */
    Optional<String> asksFor(String nameInCss, Source source) {
        if (!isReserved(family) || renamedTo(nameInCss, source).isPresent()) {
            return Optional.empty();
        }
        return Optional.of(source.name() + ": changed, but still called “" + family
                + "”, which its license reserves for the unchanged font. Give the family a name of its own on this site,"
                + " and the changed files are renamed to it");
    }

    private boolean isReserved(String name) {
        String plain = name.toLowerCase(Locale.ROOT);
        return reserved.stream().anyMatch(word -> plain.contains(word.toLowerCase(Locale.ROOT)));
    }
}
