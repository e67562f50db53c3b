package app.unciala.core.check;

import app.unciala.core.page.AskedRole;
import app.unciala.core.page.RoleShown;
import app.unciala.core.page.RolesOnPage.OfRole;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;

/** The text roles of a site over all pages that were read: whether each is shown in the face that the site asks for. */
public final class SiteRoles {
    private final Map<AskedRole, List<RoleShown>> shown = new LinkedHashMap<>();

    /** No pages yet. */
    public SiteRoles(List<AskedRole> roles) {
        roles.forEach(role -> shown.put(role, new ArrayList<>()));
    }

    /** Whether the texts of a role are shown as asked. */
    public enum Verdict {
        AS_ASKED,
        /** At least one text is shown in something else. */
        OTHER,
        /** None of the pages has a text of the role. */
        NOT_FOUND
    }

    /**
     * A role on all pages.
     *
     * @param texts how many texts have it
     * @param pages on how many pages they are
     * @param shown what they are shown in, page by page
     */
    public record Result(AskedRole role, int texts, int pages, Verdict verdict, List<RoleShown> shown) {}

    /** Adds the roles of a page, which are those that this was made with. */
    public void add(List<OfRole> page) {
        page.forEach(one ->
                Objects.requireNonNull(shown.get(one.role()), one.role().role()).addAll(one.shown()));
    }

    /** Adds the roles of a page as a laptop shows them, and what is otherwise on a phone only. */
    public void add(CheckedPage page) {
        add(page.roles());
        for (OfRole onPhone : page.rolesOnPhone()) {
            List<RoleShown> all = Objects.requireNonNull(shown.get(onPhone.role()));
            onPhone.shown().stream()
                    .filter(one -> !one.asAsked() && all.stream().noneMatch(other -> isSame(one, other)))
                    .map(RoleShown::asOnPhoneOnly)
                    .forEach(all::add);
        }
    }

    private static boolean isSame(RoleShown one, RoleShown other) {
        return one.page().equals(other.page())
                && one.path().equals(other.path())
                && one.family().equals(other.family())
                && one.weight() == other.weight()
                && one.faked().equals(other.faked());
    }

    /** All roles, in the order in which they are asked. */
    public List<Result> all() {
        return shown.entrySet().stream()
                .map(entry -> result(entry.getKey(), entry.getValue()))
                .toList();
    }

    private static Result result(AskedRole role, List<RoleShown> all) {
        Verdict verdict = all.isEmpty()
                ? Verdict.NOT_FOUND
                : all.stream().allMatch(RoleShown::asAsked) ? Verdict.AS_ASKED : Verdict.OTHER;
        return new Result(
                role,
                all.stream()
                        .filter(one -> !one.onPhoneOnly())
                        .mapToInt(RoleShown::texts)
                        .sum(),
                (int) all.stream().map(RoleShown::page).distinct().count(),
                verdict,
                List.copyOf(all));
    }
}
