package app.unciala.core.testing;

import app.unciala.core.css.GenericFamily;
import app.unciala.core.css.TextRole;
import app.unciala.core.pack.OutputShape;
import app.unciala.core.pack.Pack;
import app.unciala.core.pack.PackRequest;
import app.unciala.core.pack.PackRequest.Checklist;
import app.unciala.core.pack.PackRequest.Cut;
import app.unciala.core.pack.PackRequest.Face;
import app.unciala.core.pack.PackRequest.Notice;
import app.unciala.core.pack.PackRequest.Role;
import app.unciala.core.pack.PackRequest.Setting;
import app.unciala.core.pack.Placement;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.nio.charset.StandardCharsets;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedMap;
import java.util.TreeMap;

/** What packs are made from in tests: one or two faces of a family, and the roles that ask for them. */
public final class SamplePacks {
    public static final Slot REGULAR = Slot.of(400, 100, Slope.UPRIGHT);
    public static final Slot BOLD = Slot.of(700, 100, Slope.UPRIGHT);

    private SamplePacks() {}

    public static PackRequest request(Placement placement, OutputShape shape, List<Role> roles, List<Face> faces) {
        return new PackRequest(
                "Client",
                List.of("client.example"),
                LocalDate.of(2030, 5, 10),
                "1",
                "",
                Map.of(),
                placement,
                shape,
                Checklist.of("Let in <woff2>\n\n", "Take it back"),
                "",
                roles,
                faces);
    }

    public static List<Role> roles(String family) {
        return List.of(role(TextRole.HEADINGS, family, BOLD), role(TextRole.RUNNING_TEXT, family, REGULAR));
    }

    public static Role role(TextRole role, String family, Slot slot) {
        return new Role(role, family, slot, GenericFamily.SERIF, List.of(), Setting.none());
    }

    public static List<Face> faces(String family) {
        return List.of(face(family, REGULAR), face(family, BOLD));
    }

    public static Face face(String family, Slot slot) {
        return face(family, slot, new Notice("OFL.txt", "Copyright"));
    }

    public static Face face(String family, Slot slot, Notice notice) {
        return face(family, slot, notice, new byte[] {1});
    }

    /** A face whose WOFF2 has these bytes. */
    public static Face face(String family, Slot slot, Notice notice, byte[] woff2) {
        return new Face(
                family,
                slot,
                "5ec0",
                files(woff2),
                Optional.empty(),
                "The license",
                List.of(notice),
                Optional.empty(),
                Optional.of(new Cut(90, 400)),
                Optional.empty());
    }

    public static SortedMap<FontFormat, byte[]> files(byte[] woff2) {
        return new TreeMap<>(Map.of(FontFormat.WOFF2, woff2));
    }

    public static String text(Pack pack, String path) {
        return pack.entries().stream()
                .filter(entry -> entry.path().equals(path))
                .map(entry -> new String(entry.bytes(), StandardCharsets.UTF_8))
                .findFirst()
                .orElseThrow();
    }
}
