package app.unciala.core.flag;

import com.google.common.hash.Hashing;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;

/**
 * The identity of a flag, on which everything hangs that people decide about it. Version 1 is this text:
 *
 * <pre>1|KIND|site=…|family=…|license=…|slot=…|domain=…|point=…|file=…|digest=…|role=…</pre>
 *
 * The fields stand in this order; those that a flag does not have are left out. In values, {@code %}, {@code |} and
 * {@code =} are written as {@code %25}, {@code %7C} and {@code %3D}. Whoever changes the fields or their order
 * raises the version, and migrates what is stored.
 */
final class FlagIdentity {
    static final int VERSION = 1;
    private static final int ID_DIGITS = 20;

    private FlagIdentity() {}

    static String text(Flag flag) {
        Flag.Subject subject = flag.subject();
        List<String> parts =
                new ArrayList<>(List.of(String.valueOf(VERSION), flag.kind().name()));
        add(parts, "site", subject.siteId());
        add(parts, "family", subject.familyId());
        add(parts, "license", subject.licenseId());
        add(parts, "slot", subject.slot());
        add(parts, "domain", subject.domain());
        add(parts, "point", subject.point().map(Enum::name));
        add(parts, "file", subject.fileId());
        add(parts, "digest", subject.digest());
        add(parts, "role", subject.role());
        return String.join("|", parts);
    }

    /** The first 80 bits of the SHA-256 of the identity, in hexadecimal digits. */
    static String id(String identity) {
        return Hashing.sha256()
                .hashString(identity, StandardCharsets.UTF_8)
                .toString()
                .substring(0, ID_DIGITS);
    }

    private static void add(List<String> parts, String name, Optional<String> value) {
        value.ifPresent(text -> parts.add(
                name + "=" + text.replace("%", "%25").replace("|", "%7C").replace("=", "%3D")));
    }
}
