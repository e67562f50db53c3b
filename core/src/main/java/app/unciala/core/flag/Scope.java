package app.unciala.core.flag;

import java.util.Collection;
import java.util.Set;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** The owners whose flags are compared. */
public record Scope(SortedSet<Owner> owners) {
    public static final Scope NOTHING = new Scope(new TreeSet<>());

    public Scope {
        owners = new TreeSet<>(owners);
    }

    public static Scope of(Stream<Owner> owners) {
        return new Scope(owners.collect(Collectors.toCollection(TreeSet::new)));
    }

    public Scope and(Scope other) {
        return of(Stream.concat(owners.stream(), other.owners.stream()));
    }

    public boolean isEmpty() {
        return owners.isEmpty();
    }

    /** The ids of the owners of one type, in order. */
    public Set<String> ids(Owner.Type type) {
        return owners.stream()
                .filter(owner -> owner.type() == type)
                .map(Owner::id)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** Who asks for a family and who covers it: the links by which a change reaches other records. */
    public interface Links {
        /** The sites with a text role set in any of the families. */
        Set<String> sitesAsking(Collection<String> familyIds);

        /** The licenses that cover any of the families, or some of its faces. */
        Set<String> licensesCovering(Collection<String> familyIds);

        /** The sites on whose pages the latest check found a face of any of the families, or one of these drawings. */
        Set<String> sitesShowing(Collection<String> familyIds, Collection<String> drawings);
    }

    /** What a change of a license touches; {@code families} are those it covered before and covers now. */
    public static Scope ofLicense(String id, Collection<String> families, Links links) {
        return of(Stream.of(
                        Stream.of(Owner.license(id)),
                        families.stream().map(Owner::family),
                        links.sitesAsking(families).stream().map(Owner::site),
                        links.sitesShowing(families, Set.of()).stream().map(Owner::site))
                .flatMap(owners -> owners));
    }

    /** What a change of a site touches; {@code families} are those it asked for before and asks for now. */
    public static Scope ofSite(String id, Collection<String> families) {
        return of(Stream.concat(Stream.of(Owner.site(id)), families.stream().map(Owner::family)));
    }

    /** What a change of families or their files touches; {@code files} are those held before and those held now. */
    public static Scope ofFamilies(Collection<String> ids, Collection<Snapshot.HeldFile> files, Links links) {
        return of(Stream.of(
                        ids.stream().map(Owner::family),
                        links.sitesAsking(ids).stream().map(Owner::site),
                        links.licensesCovering(ids).stream().map(Owner::license),
                        links
                                .sitesShowing(
                                        ids,
                                        files.stream()
                                                .map(Snapshot.HeldFile::drawing)
                                                .toList())
                                .stream()
                                .map(Owner::site),
                        files.stream().map(file -> Owner.bytes(file.sha256())),
                        files.stream().map(file -> Owner.drawing(file.drawing())))
                .flatMap(owners -> owners));
    }
}
