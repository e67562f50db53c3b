package app.unciala.core.flag;

import app.unciala.core.flag.Flag.Subject;
import app.unciala.core.flag.Snapshot.Delivery;
import app.unciala.core.flag.Snapshot.LatestPack;
import app.unciala.core.flag.Snapshot.Site;
import app.unciala.core.license.Verdict;
import app.unciala.core.pack.PackBasis;
import app.unciala.core.pack.PackBasis.AskedFace;
import app.unciala.core.sentence.Sentences;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/** What is wrong with the latest pack of a site: out of date, too heavy, or with what is not allowed or not asked. */
final class PackFlags {
    /** A face of more characters than this has some that no language of Latin, Greek or Cyrillic letters needs. */
    private static final int MANY_CHARACTERS = 500;

    private PackFlags() {}

    static Stream<Flag> of(Site site, List<Crossing> crossings) {
        Delivery delivery = site.delivery();
        return delivery.pack().stream().flatMap(pack -> {
            PackBasis now = basis(site, crossings);
            return Stream.of(
                            due(site, pack, now),
                            unasked(site, pack, now),
                            anyway(site, pack, now),
                            overBudget(site, pack),
                            delivery.cut() ? Optional.<Flag>empty() : whole(site, crossings))
                    .flatMap(Optional::stream);
        });
    }

    /** What a pack of this moment would be made from. */
    private static PackBasis basis(Site site, List<Crossing> crossings) {
        return new PackBasis(
                site.places().stream().map(place -> place.host().ascii()).toList(),
                crossings.stream().map(PackFlags::face).toList(),
                Optional.of(site.delivery().roles()),
                Optional.of(site.delivery().described()));
    }

    private static AskedFace face(Crossing crossing) {
        return AskedFace.of(
                crossing.ask().role().label(),
                crossing.ask().familyId(),
                crossing.familyName(),
                crossing.ask().slot(),
                crossing.clearance());
    }

    private static Optional<Flag> due(Site site, LatestPack pack, PackBasis now) {
        List<String> changes = pack.basis().otherwiseChangedTo(now);
        return changes.isEmpty()
                ? Optional.empty()
                : Optional.of(flag(
                        FlagKind.PACK_DUE,
                        site,
                        site.name() + " is due a new pack",
                        pack.words() + " is not what would be made today.",
                        changes.stream()));
    }

    private static Optional<Flag> unasked(Site site, LatestPack pack, PackBasis now) {
        List<AskedFace> faces = pack.basis().unaskedBy(now, pack.anyway().isPresent());
        return faces.isEmpty()
                ? Optional.empty()
                : Optional.of(flag(
                        FlagKind.DELIVERED_NOT_ASKED,
                        site,
                        site.name() + " delivers "
                                + Sentences.count(
                                        faces.stream()
                                                .map(AskedFace::name)
                                                .distinct()
                                                .count(),
                                        "face",
                                        "faces")
                                + " that nothing asks for",
                        pack.words() + " has what no text role asks for any more.",
                        faces.stream().map(AskedFace::name)));
    }

    private static Optional<Flag> anyway(Site site, LatestPack pack, PackBasis now) {
        List<AskedFace> faces = now.faces().stream()
                .filter(face -> face.verdict() != Verdict.ALLOWED)
                .filter(face -> pack.basis().faces().stream()
                        .anyMatch(old -> old.isDelivered(true)
                                && old.familyId().equals(face.familyId())
                                && old.slot().equals(face.slot())))
                .toList();
        return pack.anyway()
                .filter(reason -> !faces.isEmpty())
                .map(reason -> flag(
                        FlagKind.DELIVERED_ANYWAY,
                        site,
                        site.name() + " delivers what is not allowed",
                        pack.words() + " was made with it anyway, because: " + reason,
                        faces.stream().map(face -> face.name() + ": " + face.whyNot())));
    }

    private static Optional<Flag> overBudget(Site site, LatestPack pack) {
        return site.delivery()
                .budget()
                .filter(budget -> pack.fontBytes().orElse(0L) > budget)
                .map(budget -> flag(
                        FlagKind.OVER_BUDGET,
                        site,
                        site.name() + " is over its budget for fonts",
                        pack.words() + " has "
                                + Sentences.kilobytes(pack.fontBytes().orElse(0L)) + " of fonts, and "
                                + Sentences.kilobytes(budget) + " are allowed for.",
                        Stream.empty()));
    }

    /** Fonts of many characters that are delivered whole, although no license refuses to cut them. */
    private static Optional<Flag> whole(Site site, List<Crossing> crossings) {
        List<String> faces = crossings.stream()
                .filter(crossing -> crossing.verdict() == Verdict.ALLOWED)
                .flatMap(crossing -> crossing
                        .taken()
                        .filter(file -> file.codePoints() > MANY_CHARACTERS)
                        .filter(file -> crossing.clearance().subsetting().verdict() == Verdict.ALLOWED)
                        .map(file -> crossing.familyName() + " " + file.slot().label() + ": "
                                + Sentences.count(file.codePoints(), "character", "characters"))
                        .stream())
                .distinct()
                .toList();
        return faces.isEmpty()
                ? Optional.empty()
                : Optional.of(flag(
                        FlagKind.WHOLE_FACES,
                        site,
                        site.name() + " delivers whole fonts",
                        "Name the languages of the site: a font subset to their characters is a fraction of its size.",
                        faces.stream()));
    }

    private static Flag flag(FlagKind kind, Site site, String title, String reason, Stream<String> evidence) {
        return Flag.of(kind, Owner.site(site.id()), Subject.ofSite(site.id()), title, reason, evidence);
    }
}
