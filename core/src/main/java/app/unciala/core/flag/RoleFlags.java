package app.unciala.core.flag;

import app.unciala.core.flag.Flag.Subject;
import app.unciala.core.flag.LatestCheck.Decider;
import app.unciala.core.flag.LatestCheck.OtherRole;
import app.unciala.core.flag.LatestCheck.ShownInstead;
import app.unciala.core.flag.Snapshot.Site;
import app.unciala.core.page.Addresses;
import app.unciala.core.sentence.Sentences;
import app.unciala.font.face.Slope;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import java.util.stream.Stream;

/** Text roles that the latest check found in other faces than the site asks for: one flag a role. */
final class RoleFlags {
    private static final int MOST_EVIDENCE = 50;
    private static final int LONGEST_VALUE = 120;

    private RoleFlags() {}

    static Stream<Flag> of(Site site, LatestCheck check) {
        return check.roles().stream().map(role -> of(site, check, role));
    }

    private static Flag of(Site site, LatestCheck check, OtherRole role) {
        return Flag.of(
                FlagKind.ROLE_NOT_REACHED,
                Owner.site(site.id()),
                Subject.ofSite(site.id()).role(role.role()),
                role.label() + " on " + site.name() + ": " + problem(role),
                reason(check, role),
                role.others().stream()
                        .map(one -> one.page() + ": " + texts(one.texts()) + " in " + shown(one))
                        .limit(MOST_EVIDENCE));
    }

    private static String problem(OtherRole role) {
        boolean isInItsFace = role.others().stream()
                .allMatch(one -> one.family().equalsIgnoreCase(role.family())
                        && one.faked().isEmpty()
                        && !one.measures().isEmpty());
        return isInItsFace
                ? "texts don’t have the size or spacing that was chosen"
                : "texts aren’t shown in " + face(role.family(), role.weight())
                        + (role.slope() == Slope.UPRIGHT
                                ? ""
                                : " " + role.slope().key());
    }

    /** What most texts are shown in instead, and why. */
    private static String reason(LatestCheck check, OtherRole role) {
        Map<String, Integer> faces = new TreeMap<>();
        role.others().forEach(one -> faces.merge(shown(one), one.texts(), Integer::sum));
        List<String> most = faces.entrySet().stream()
                .sorted(Map.Entry.<String, Integer>comparingByValue(Comparator.reverseOrder()))
                .map(Map.Entry::getKey)
                .limit(3)
                .toList();
        int texts = role.others().stream().mapToInt(ShownInstead::texts).sum();
        ShownInstead first = role.others().stream()
                .max(Comparator.comparingInt(ShownInstead::texts))
                .orElseThrow();
        return "The check of " + Sentences.day(check.on()) + " found " + texts(texts) + " in " + Sentences.listed(most)
                + ". " + because(first);
    }

    private static String because(ShownInstead shown) {
        return shown.why().isEmpty()
                ? shown.decider().map(RoleFlags::decides).orElse("No rule asks for another face.")
                : shown.why();
    }

    private static String decides(Decider decider) {
        String where = decider.sheet()
                .map(sheet -> "“" + decider.selector() + "” (" + name(sheet) + ", line " + decider.line() + ")")
                .orElse("The browser’s own style sheet");
        return where + " decides: " + decider.property() + ": " + Sentences.shortened(decider.value(), LONGEST_VALUE)
                + ".";
    }

    private static String name(String sheet) {
        String file = Addresses.fileName(sheet);
        return file.isEmpty() ? sheet : file;
    }

    private static String shown(ShownInstead one) {
        return Stream.concat(
                        Stream.of(face(one.family(), one.weight())),
                        Stream.concat(one.faked().stream().map(what -> "faked " + what), one.measures().stream()))
                .collect(Collectors.joining(", "));
    }

    private static String face(String family, double weight) {
        return family + " " + Sentences.number(Math.round(weight));
    }

    private static String texts(int texts) {
        return Sentences.count(texts, "text", "texts");
    }
}
