package app.unciala.core.metrics;

import app.unciala.core.css.GenericFamily;
import app.unciala.font.metrics.AverageAdvance;
import java.util.List;

/**
 * A face that comes with an operating system, by its published metrics: ascent, descent and line gap in units of
 * {@code unitsPerEm}, and the average advance of running text in ems, as {@link AverageAdvance} takes it.
 *
 * <p>The first three are those for which metric-compatible open faces exist, from which the averages were taken; Roboto
 * comes with Android, DejaVu with many Linux systems.
 */
public record SystemFace(
        String family,
        boolean bold,
        GenericFamily generic,
        int unitsPerEm,
        int ascent,
        int descent,
        int lineGap,
        double averageAdvance) {
    private static final List<SystemFace> ALL = List.of(
            new SystemFace("Arial", false, GenericFamily.SANS_SERIF, 2048, 1854, 434, 67, 0.4449),
            new SystemFace("Arial", true, GenericFamily.SANS_SERIF, 2048, 1854, 434, 67, 0.4815),
            new SystemFace("Times New Roman", false, GenericFamily.SERIF, 2048, 1825, 443, 87, 0.4033),
            new SystemFace("Times New Roman", true, GenericFamily.SERIF, 2048, 1825, 443, 87, 0.4294),
            new SystemFace("Courier New", false, GenericFamily.MONOSPACE, 2048, 1705, 615, 0, 0.6001),
            new SystemFace("Courier New", true, GenericFamily.MONOSPACE, 2048, 1705, 615, 0, 0.6001),
            new SystemFace("Roboto", false, GenericFamily.SANS_SERIF, 2048, 1900, 500, 0, 0.4469),
            new SystemFace("Roboto", true, GenericFamily.SANS_SERIF, 2048, 1900, 500, 0, 0.4532),
            new SystemFace("DejaVu Sans", false, GenericFamily.SANS_SERIF, 2048, 1901, 483, 0, 0.5107),
            new SystemFace("DejaVu Sans", true, GenericFamily.SANS_SERIF, 2048, 1901, 483, 0, 0.5769));

    public static List<SystemFace> all() {
        return ALL;
    }

    /** The face of a kind that most systems have; a sans serif one where none of its kind is known. */
    public static SystemFace of(GenericFamily generic, boolean bold) {
        return ALL.stream()
                .filter(face -> face.bold() == bold && face.generic() == generic)
                .findFirst()
                .orElseGet(() -> ALL.get(bold ? 1 : 0));
    }

    /** The faces of this family, in both weights; none for a family not in the table. */
    public static List<SystemFace> named(String family) {
        return ALL.stream()
                .filter(face -> face.family().equalsIgnoreCase(family))
                .toList();
    }
}
