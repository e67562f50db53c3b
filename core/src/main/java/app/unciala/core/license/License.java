package app.unciala.core.license;

import app.unciala.core.license.Decision.Point;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Slot;
import io.soabase.recordbuilder.core.RecordBuilder;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/**
 * A license as recorded: what it covers and its terms.
 *
 * @param open the open license that it is, whose text says what its terms leave out
 * @param holder the client who holds it; the agency when empty
 * @param acts what is said of each act; what is left out is not stated
 * @param formats the formats permitted, unless any is; none means that they are not stated
 * @param pageViews the page views permitted; without a limit when empty
 * @param quotes the words of the document that say what is said on a point
 */
@RecordBuilder
@RecordBuilder.Options(useImmutableCollections = true)
public record License(
        String id,
        String name,
        Basis basis,
        Optional<OpenLicense> open,
        Optional<Holder> holder,
        List<Coverage> covers,
        Map<Act, Clause> acts,
        PermittedDomains domains,
        boolean anyFormat,
        Set<FontFormat> formats,
        Period period,
        Optional<PageViews> pageViews,
        Map<Point, Quote> quotes,
        boolean hasProof) {
    public License {
        covers = List.copyOf(covers);
        acts = Map.copyOf(acts);
        formats = Set.copyOf(formats);
        quotes = Map.copyOf(quotes);
    }

    /** A license of custom terms that says nothing yet, and covers nothing. */
    public static LicenseBuilder named(String id, String name) {
        return LicenseBuilder.builder()
                .id(id)
                .name(name)
                .basis(Basis.CUSTOM)
                .open(Optional.empty())
                .holder(Optional.empty())
                .covers(List.of())
                .acts(Map.of())
                .domains(PermittedDomains.notStated())
                .formats(Set.of())
                .period(Period.ALWAYS)
                .pageViews(Optional.empty())
                .quotes(Map.of());
    }

    /** By what something is said of an act. */
    public enum Source {
        TERMS,
        /** The text of the open license. */
        TEXT,
        /** What its basis presumes. */
        BASIS
    }

    /** What holds of an act, and by what. */
    public record Said(Act act, Clause clause, Source source) {}

    /** What holds of an act: what the terms say, else what the text of the open license says, else what is presumed. */
    public Said said(Act act) {
        Clause stated = acts.getOrDefault(act, Clause.NOT_STATED);
        if (stated != Clause.NOT_STATED) {
            return new Said(act, stated, Source.TERMS);
        }
        return open.map(text -> new Said(act, text.granted(), Source.TEXT))
                .orElseGet(() -> new Said(act, basis.presumes(act), Source.BASIS));
    }

    /** What holds of an act, by whatever. */
    public Clause clause(Act act) {
        return said(act).clause();
    }

    /** Where it may be used; an open license that grants web use, and names no domains, grants it everywhere. */
    public PermittedDomains where() {
        return grantsByText() && !domains.isStated() ? PermittedDomains.anywhere() : domains;
    }

    /** Whether files of any format may be served; an open license does not ask about it. */
    public boolean isForAnyFormat() {
        return anyFormat || (grantsByText() && formats.isEmpty());
    }

    private boolean grantsByText() {
        return open.filter(license -> license.granted() == Clause.GRANTED).isPresent();
    }

    /** Whether its last day is past, and it does not renew by itself. */
    public boolean endedBy(LocalDate day) {
        return period.isOverOn(day) && !period.renews();
    }

    public boolean notBegunOn(LocalDate day) {
        return period.hasNotBegunOn(day);
    }

    /** Whether it covers a face: by its whole family, or by name. */
    public boolean isFor(String familyId, Slot slot) {
        return covers.stream().anyMatch(coverage -> coverage.covers(familyId, slot));
    }

    /** What it covers of a family. */
    public Stream<Coverage> coverages(String familyId) {
        return covers.stream().filter(coverage -> coverage.familyId().equals(familyId));
    }

    /** Whether it covers no more of a family than the faces it names. */
    public boolean coversPartly(String familyId) {
        return coverages(familyId).noneMatch(coverage -> coverage.faces().isEmpty());
    }
}
