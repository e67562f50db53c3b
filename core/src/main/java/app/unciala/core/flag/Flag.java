package app.unciala.core.flag;

import app.unciala.core.license.Decision.Point;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * One thing that is wrong, on one subject. Two flags of the same kind and subject are the same flag, at whatever time
 * and in whatever order they were found; title, reason and evidence only describe it.
 *
 * @param familyIds every family whose page shows the flag, in order
 * @param fileIds the files the flag speaks of, in order
 */
public record Flag(
        FlagKind kind,
        Owner owner,
        Subject subject,
        String title,
        String reason,
        List<String> evidence,
        List<String> familyIds,
        List<String> fileIds,
        NextAction action) {
    /** How grave: {@code STOP} must not go out, {@code WARN} should be seen to, {@code ASK} needs an answer. */
    public enum Severity {
        STOP,
        WARN,
        ASK
    }

    /**
     * What a flag speaks of: the fields that make its identity, those that apply. {@code slot} is the key of a slot,
     * {@code domain} a host name in ASCII, {@code digest} one of bytes or of a drawing with its format, {@code role} the id
     * of a text role, or the name of one of the site's own.
     */
    public record Subject(
            Optional<String> siteId,
            Optional<String> familyId,
            Optional<String> licenseId,
            Optional<String> slot,
            Optional<String> domain,
            Optional<Point> point,
            Optional<String> fileId,
            Optional<String> digest,
            Optional<String> role) {
        static final Subject NOTHING = new Subject(
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                Optional.empty());

        static Subject ofSite(String id) {
            return new Subject(
                    Optional.of(id),
                    NOTHING.familyId,
                    NOTHING.licenseId,
                    NOTHING.slot,
                    NOTHING.domain,
                    NOTHING.point,
                    NOTHING.fileId,
                    NOTHING.digest,
                    NOTHING.role);
        }

        Subject family(String id) {
            return new Subject(siteId, Optional.of(id), licenseId, slot, domain, point, fileId, digest, role);
        }

        Subject license(Optional<String> id) {
            return new Subject(siteId, familyId, id, slot, domain, point, fileId, digest, role);
        }

        Subject slot(String key) {
            return new Subject(siteId, familyId, licenseId, Optional.of(key), domain, point, fileId, digest, role);
        }

        Subject domain(String name) {
            return new Subject(siteId, familyId, licenseId, slot, Optional.of(name), point, fileId, digest, role);
        }

        Subject point(Point asked) {
            return new Subject(siteId, familyId, licenseId, slot, domain, Optional.of(asked), fileId, digest, role);
        }

        Subject file(String id) {
            return new Subject(siteId, familyId, licenseId, slot, domain, point, Optional.of(id), digest, role);
        }

        Subject role(String id) {
            return new Subject(siteId, familyId, licenseId, slot, domain, point, fileId, digest, Optional.of(id));
        }

        Subject digest(String text) {
            return new Subject(siteId, familyId, licenseId, slot, domain, point, fileId, Optional.of(text), role);
        }
    }

    static Flag of(FlagKind kind, Owner owner, Subject subject, String title, String reason, Stream<String> evidence) {
        return new Flag(
                kind,
                owner,
                subject,
                title,
                reason,
                evidence.distinct().sorted().toList(),
                subject.familyId().stream().toList(),
                subject.fileId().stream().toList(),
                kind.action());
    }

    Flag about(Collection<String> families, Collection<String> files) {
        return new Flag(
                kind,
                owner,
                subject,
                title,
                reason,
                evidence,
                families.stream().distinct().sorted().toList(),
                files.stream().distinct().sorted().toList(),
                action);
    }

    Flag offering(NextAction other) {
        return new Flag(kind, owner, subject, title, reason, evidence, familyIds, fileIds, other);
    }

    /** The identity as {@link FlagIdentity} writes it. */
    public String identity() {
        return FlagIdentity.text(this);
    }

    /** A short form of the identity, to be used in addresses. */
    public String id() {
        return FlagIdentity.id(identity());
    }
}
