package app.unciala.core.flag;

import com.google.common.hash.Hashing;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;

/**
 * One thing that is wrong, on one subject. {@code id} depends on the kind and the subject only, so that what a person
 * decided about a flag survives the next comparison.
 */
public record Flag(String id, FlagKind kind, Subject subject, String title, String reason, List<String> evidence) {
    /** How grave: {@code STOP} must not go out, {@code WARN} should be seen to, {@code ASK} needs an answer. */
    public enum Severity {
        STOP,
        WARN,
        ASK
    }

    /** What a flag speaks of; the parts that apply. */
    public record Subject(
            Optional<String> siteId,
            Optional<String> familyId,
            Optional<String> licenseId,
            Optional<String> slot,
            Optional<String> domain,
            List<String> fileIds) {
        static Subject none() {
            return new Subject(
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    Optional.empty(),
                    List.of());
        }

        Subject site(String id) {
            return new Subject(Optional.of(id), familyId, licenseId, slot, domain, fileIds);
        }

        Subject family(String id) {
            return new Subject(siteId, Optional.of(id), licenseId, slot, domain, fileIds);
        }

        Subject license(Optional<String> id) {
            return new Subject(siteId, familyId, id, slot, domain, fileIds);
        }

        Subject slot(String key) {
            return new Subject(siteId, familyId, licenseId, Optional.of(key), domain, fileIds);
        }

        Subject domain(String name) {
            return new Subject(siteId, familyId, licenseId, slot, Optional.of(name), fileIds);
        }

        Subject files(List<String> ids) {
            return new Subject(siteId, familyId, licenseId, slot, domain, List.copyOf(ids));
        }
    }

    static Flag of(FlagKind kind, Subject subject, String title, String reason, List<String> evidence) {
        return new Flag(identity(kind + "|" + subject), kind, subject, title, reason, List.copyOf(evidence));
    }

    private static String identity(String text) {
        return Hashing.sha256()
                .hashString(text, StandardCharsets.UTF_8)
                .toString()
                .substring(0, 16);
    }
}
