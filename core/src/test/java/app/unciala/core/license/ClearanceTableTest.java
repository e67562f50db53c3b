package app.unciala.core.license;

import static org.assertj.core.api.Assertions.assertThat;

import app.unciala.core.domain.DomainName;
import app.unciala.core.domain.DomainPattern;
import app.unciala.core.license.Clearance.FormatAnswer;
import app.unciala.core.license.FaceUse.Place;
import app.unciala.core.license.PermittedDomains.Counting;
import app.unciala.font.FontFormat;
import app.unciala.font.face.Range;
import app.unciala.font.face.Slope;
import app.unciala.font.face.Slot;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.EnumMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.OptionalInt;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvFileSource;

/** What goes out of one face, and why not, by a table: a delivery a line. */
class ClearanceTableTest {
    private static final LocalDate TODAY = LocalDate.of(2030, 5, 10);
    private static final Map<String, Act> ACTS = Map.of(
            "web", Act.SERVE,
            "convert", Act.CONVERT,
            "subset", Act.CUT,
            "inline", Act.INLINE,
            "third", Act.THIRD_PARTY);

    @ParameterizedTest(name = "line {index}: {arguments}")
    @CsvFileSource(resources = "deliveries.csv", numLinesToSkip = 1)
    void goesOutAsTheTableSays(
            String held,
            String asked,
            String covers,
            String granted,
            String refused,
            String formats,
            String domains,
            String site,
            String files,
            String takes,
            String subset,
            String goesOut,
            String verdict,
            String why) {
        Set<Act> acts = new HashSet<>();
        words(files).forEach(act -> acts.add(ACTS.get(act)));
        Clearance clearance = Clearance.of(
                covers.equals("none") ? List.of() : List.of(license(covers, granted, refused, formats, domains)),
                "f",
                slot(asked),
                held(held),
                new Clearance.Delivery(
                        new DeliveryTerms(
                                words(takes).map(ClearanceTableTest::format).toList(), subset.equals("yes"), acts),
                        words(site)
                                .map(host -> Place.live(DomainName.parse(host)))
                                .toList(),
                        "client",
                        TODAY));
        assertThat(words(clearance)).isEqualTo(goesOut);
        assertThat(clearance.verdict())
                .isEqualTo(Verdict.valueOf(verdict.toUpperCase(Locale.ROOT).replace(' ', '_')));
        assertThat(clearance.answer().why()).isEqualTo(why.equals("-") ? "" : why);
    }

    /** The slot, the formats with the slot and format of the file each comes from if it is another, what is done. */
    private static String words(Clearance clearance) {
        if (clearance.verdict() != Verdict.ALLOWED || clearance.source().isEmpty()) {
            return "nothing";
        }
        Stream<String> formats = clearance.formats().stream()
                .filter(answer -> answer.answer().verdict() == Verdict.ALLOWED)
                .map(ClearanceTableTest::words);
        return Stream.of(
                        Stream.of(clearance.slot().weight().toString()),
                        formats,
                        clearance.isSubset() ? Stream.of("subset") : Stream.<String>empty(),
                        clearance.isLimited() ? Stream.of("limited") : Stream.<String>empty())
                .flatMap(words -> words)
                .collect(Collectors.joining(" "));
    }

    private static String words(FormatAnswer answer) {
        SourceFile from = answer.source().orElseThrow();
        String format = answer.format().key();
        return from.format() == answer.format()
                ? format
                : format + "<" + from.format().key();
    }

    private static List<SourceFile> held(String held) {
        List<SourceFile> files = new ArrayList<>();
        for (String file : held.equals("-") ? new String[0] : held.split(" \\+ ")) {
            String[] parts = file.split(" ");
            files.add(new SourceFile("id" + files.size(), "sha", format(parts[1]), slot(parts[0]), parts.length > 2));
        }
        return files;
    }

    private static License license(String covers, String granted, String refused, String formats, String domains) {
        Map<Act, Clause> acts = new EnumMap<>(Act.class);
        words(granted).forEach(act -> acts.put(ACTS.get(act), Clause.GRANTED));
        words(refused).forEach(act -> acts.put(ACTS.get(act), Clause.REFUSED));
        List<Slot> faces = covers.equals("family")
                ? List.of()
                : words(covers).map(ClearanceTableTest::slot).toList();
        return License.named("l", "The license")
                .covers(List.of(new Coverage("f", faces)))
                .acts(acts)
                .anyFormat(formats.equals("any"))
                .formats(
                        formats.equals("any")
                                ? Set.of()
                                : words(formats).map(ClearanceTableTest::format).collect(Collectors.toSet()))
                .domains(new PermittedDomains(
                        domains.equals("any"),
                        domains.equals("any")
                                ? List.of()
                                : words(domains).map(DomainPattern::parse).toList(),
                        OptionalInt.empty(),
                        Counting.HOST,
                        Clause.NOT_STATED,
                        Clause.NOT_STATED,
                        false))
                .build();
    }

    private static Slot slot(String weight) {
        String[] ends = weight.split("–");
        return new Slot(
                new Range(Double.parseDouble(ends[0]), Double.parseDouble(ends[ends.length - 1])),
                Range.of(100),
                Slope.UPRIGHT);
    }

    private static FontFormat format(String key) {
        return FontFormat.fromKey(key).orElseThrow();
    }

    private static Stream<String> words(String text) {
        return Arrays.stream(text.split(" ")).filter(word -> !word.equals("-"));
    }
}
