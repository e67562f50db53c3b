package app.unciala.core.flag;

import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The comparison of what is asked, held and allowed: a pure function from a snapshot and a scope to flags. */
public final class Comparison {
    private static final Comparator<Flag> ORDER =
            Comparator.comparing(Flag::kind).thenComparing(Flag::title).thenComparing(Flag::id);

    private Comparison() {}

    /** All flags of a snapshot, by kind and title. */
    public static List<Flag> compare(Snapshot snapshot) {
        return compare(snapshot, snapshot.everything());
    }

    /**
     * The flags of the owners in a scope, by kind and title. The snapshot has to hold the owners, and of each site the
     * families it asks for, of each family its sites and licenses, of each license its families, and of each digest
     * the families with files of it; more changes nothing.
     */
    public static List<Flag> compare(Snapshot snapshot, Scope scope) {
        Map<String, Flag> flags = scope.owners().stream()
                .flatMap(owner -> flagsOf(snapshot, owner))
                .collect(Collectors.toMap(Flag::identity, Function.identity(), Comparison::first));
        return flags.values().stream().sorted(ORDER).toList();
    }

    private static Stream<Flag> flagsOf(Snapshot snapshot, Owner owner) {
        return switch (owner.type()) {
            case SITE -> snapshot.site(owner.id()).stream().flatMap(site -> SiteFlags.of(snapshot, site));
            case FAMILY ->
                snapshot.family(owner.id()).stream()
                        .flatMap(family ->
                                Stream.concat(FamilyFlags.of(snapshot, family), SameRightFlags.of(snapshot, family)));
            case LICENSE ->
                snapshot.license(owner.id()).stream().flatMap(license -> LicenseFlags.of(snapshot, license));
            case BYTES -> RepeatFlags.ofBytes(owner, snapshot.filesOfBytes(owner.id()));
            case DRAWING -> RepeatFlags.ofDrawing(owner, snapshot.filesOfDrawing(owner.id()));
        };
    }

    /** Of two descriptions of the same flag, the one whose reason comes first; they share their evidence. */
    private static Flag first(Flag a, Flag b) {
        Flag kept = a.reason().compareTo(b.reason()) <= 0 ? a : b;
        return new Flag(
                kept.kind(),
                kept.owner(),
                kept.subject(),
                kept.title(),
                kept.reason(),
                Stream.concat(a.evidence().stream(), b.evidence().stream())
                        .distinct()
                        .sorted()
                        .toList(),
                kept.familyIds(),
                Stream.concat(a.fileIds().stream(), b.fileIds().stream())
                        .distinct()
                        .sorted()
                        .toList(),
                kept.action());
    }
}
