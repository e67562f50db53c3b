package app.unciala.core.flag;

import app.unciala.core.css.FontMatching;
import app.unciala.core.css.FontMatching.Match;
import app.unciala.core.domain.DomainName;
import app.unciala.core.flag.Snapshot.Ask;
import app.unciala.core.flag.Snapshot.Family;
import app.unciala.core.flag.Snapshot.HeldFile;
import app.unciala.core.flag.Snapshot.Site;
import app.unciala.core.license.Clearance;
import app.unciala.core.license.Decision;
import app.unciala.core.license.SourceFile;
import app.unciala.core.license.Verdict;
import app.unciala.font.FontFormat;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * One asked face against what is held and allowed: a row of the table asked / held / allowed.
 *
 * @param held the files that fill the asked slot, of any format
 * @param substitute what a browser would show instead when nothing is held for the slot, if the family has any face
 * @param clearance what of it may go out
 */
public record Crossing(
        Site site, Ask ask, String familyName, List<HeldFile> held, Optional<Match> substitute, Clearance clearance) {

    /** All crossings of a site, in the order in which it asks. */
    public static List<Crossing> of(Snapshot snapshot, Site site) {
        List<Crossing> crossings = new ArrayList<>();
        for (Ask ask : site.asks()) {
            snapshot.family(ask.familyId()).ifPresent(family -> crossings.add(cross(snapshot, site, ask, family)));
        }
        return crossings;
    }

    private static Crossing cross(Snapshot snapshot, Site site, Ask ask, Family family) {
        List<HeldFile> held = family.files().stream()
                .filter(file -> file.slot().standsFor(ask.slot()))
                .sorted(Comparator.comparing(
                        file -> file.slot().slope() != ask.slot().slope()))
                .toList();
        Optional<Match> substitute = held.isEmpty()
                ? FontMatching.match(
                        ask.slot(), family.files().stream().map(HeldFile::slot).toList())
                : Optional.empty();
        Clearance clearance = Clearance.of(
                snapshot.licensesCovering(ask.familyId()),
                ask.familyId(),
                ask.slot(),
                held.stream().map(Crossing::source).toList(),
                new Clearance.Delivery(
                        site.delivery().terms(site.places()), site.places(), site.clientId(), snapshot.today()));
        return new Crossing(site, ask, family.name(), held, substitute, clearance);
    }

    private static SourceFile source(HeldFile file) {
        return new SourceFile(file.id(), file.sha256(), file.format(), file.slot(), file.madeHere());
    }

    public boolean isHeld() {
        return !held.isEmpty();
    }

    /** The file that a pack takes. */
    public Optional<HeldFile> taken() {
        return clearance.source().flatMap(source -> held.stream()
                .filter(file -> file.id().equals(source.id()))
                .findFirst());
    }

    /** The license decision for every domain of the site. */
    public Map<DomainName, Decision> decisions() {
        return clearance.decisions();
    }

    /** What is decided on all domains of the site together; without any domain it is not stated. */
    public Verdict verdict() {
        return clearance.verdict();
    }

    /** Whether a license covers the face, wherever it may be used. */
    boolean isCovered(Snapshot snapshot) {
        return snapshot.licensesCovering(ask.familyId()).stream()
                .anyMatch(license -> license.isFor(ask.familyId(), ask.slot()));
    }

    public boolean isHeldForWeb() {
        return held.stream().anyMatch(file -> file.format() == FontFormat.WOFF2);
    }

    /** What a browser does about a face that is not held, in words. */
    public String withoutIt() {
        return substitute
                .map(match -> {
                    String taken = "browsers take " + match.face().label();
                    if (match.fakesBold() && match.fakesSlope()) {
                        return taken + " and fake both the bold and the slant";
                    }
                    return match.fakesBold()
                            ? taken + " and fake the bold"
                            : match.fakesSlope() ? taken + " and fake the slant" : taken + " instead";
                })
                .orElse("browsers show the fallback");
    }
}
