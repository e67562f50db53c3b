package app.unciala.core.page;

import app.unciala.core.css.cascade.FamilyName;
import app.unciala.core.css.cascade.Winner;
import app.unciala.core.css.cascade.Winner.Place;
import app.unciala.core.page.Overrides.Position;
import app.unciala.core.page.RoleTexts.RoleText;
import app.unciala.core.page.RoleTexts.Shown;
import com.google.common.collect.Sets;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** How the texts of each role are shown on one page, what decides otherwise, and the CSS that beats it. */
public final class RolesOnPage {
    /** Each tries the page once more. */
    private static final int MOST_TRIES = 36;

    private final PageReading reading;
    private final List<AskedRole> roles;
    private final Trial again;
    private final List<RoleText> texts;
    /** Two texts may be equal in all that is known of them. */
    private final IdentityHashMap<Run, RoleText> byRun = new IdentityHashMap<>();

    private int tries;

    RolesOnPage(PageReading reading, List<AskedRole> roles, Trial again) {
        this.reading = reading;
        this.roles = roles;
        this.again = again;
        texts = new RoleTexts(roles, reading.asRead().painting()::styleWith).of(reading.shown());
        texts.forEach(text -> byRun.put(text.shown().run(), text));
    }

    /** Works out the texts of the page once more with some CSS. */
    interface Trial {
        List<Shown> with(String css, Position at);
    }

    /** The texts of a role by what they are shown in; none where the page has no text of it. */
    public record OfRole(AskedRole role, List<RoleShown> shown) {
        /** How many texts of the page have the role. */
        public int texts() {
            return shown.stream().mapToInt(RoleShown::texts).sum();
        }
    }

    List<OfRole> all() {
        return roles.stream().map(role -> new OfRole(role, shown(role))).toList();
    }

    private List<RoleShown> shown(AskedRole role) {
        List<RoleText> own =
                texts.stream().filter(text -> text.role().equals(role)).toList();
        return RoleTexts.alike(own).values().stream().map(this::shown).toList();
    }

    private RoleShown shown(List<RoleText> group) {
        RoleText first = group.get(0);
        List<Run> runs = group.stream().map(text -> text.shown().run()).toList();
        if (first.isAsAsked()) {
            return RoleShown.asAsked(reading.at(), runs);
        }
        Optional<String> override = override(group, Position.LAST);
        return RoleShown.otherwise(
                reading.at(),
                runs,
                first.otherMeasures(),
                first.winner(),
                override.isPresent() ? "" : why(first),
                override,
                override.flatMap(any -> override(group, Position.FIRST)));
    }

    /** The first candidate with which all these texts are as asked, and none of another role is worse. */
    private Optional<String> override(List<RoleText> group, Position at) {
        if (!isDeclared(group.get(0).role())) {
            return Optional.empty();
        }
        for (String css : Overrides.of(group.get(0), at)) {
            if (tries++ < MOST_TRIES && isProven(css, at, group)) {
                return Optional.of(css);
            }
        }
        return Optional.empty();
    }

    private boolean isDeclared(AskedRole role) {
        return reading.faces().declares(new FamilyName(role.family(), false));
    }

    private boolean isProven(String css, Position at, List<RoleText> group) {
        List<Shown> now = again.with(css, at);
        if (now.size() != reading.shown().size()) {
            return false;
        }
        Set<Run> wanted = Sets.newIdentityHashSet();
        group.forEach(text -> wanted.add(text.shown().run()));
        for (int i = 0; i < now.size(); i++) {
            Run run = reading.shown().get(i).run();
            RoleText before = byRun.get(run);
            if (before == null) {
                continue;
            }
            RoleText after = before.as(now.get(i));
            if ((wanted.contains(run) && !after.isAsFarAsCssGoes()) || (before.isAsAsked() && !after.isAsAsked())) {
                return false;
            }
        }
        return true;
    }

    /** What keeps a face from being shown that no CSS can bring. */
    private String why(RoleText text) {
        AskedRole role = text.role();
        Optional<Winner> winner = text.winner();
        if (!isDeclared(role)) {
            return "No rule on the page declares " + role.family() + ".";
        }
        if (winner.filter(one -> one.important() && one.place() == Place.STYLE_ATTRIBUTE)
                .isPresent()) {
            return "The element's own style attribute says !important, which no style sheet can override. Change it there.";
        }
        if (winner.filter(one -> one.important() && one.place() == Place.BROWSER)
                .isPresent()) {
            return "The browser's own style sheet says !important, which no page can override.";
        }
        if (!text.isInItsFace() && text.asksForFamily() && text.asksForWeight() && text.asksForSlope()) {
            return text.shown().run().main().family().equalsIgnoreCase(role.family())
                    ? "The CSS asks for it, but the page has no file for this weight and slope."
                    : "The CSS asks for it, but its file couldn't be used.";
        }
        boolean isInUnnamedLayer = winner.filter(
                        one -> one.important() && one.isInLayer() && one.layer().isEmpty())
                .isPresent();
        return isInUnnamedLayer
                ? "The rule that decides is !important in a layer without a name, which no other style sheet can override."
                        + " Change it there."
                : text.isInItsFace() && winner.isPresent()
                        ? "No rule for " + role.selector() + " was found that wins. Change the one that decides."
                        : "CSS alone doesn't show it: the page has no file of " + role.family()
                                + " for this weight and slope.";
    }
}
