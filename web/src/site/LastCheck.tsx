import { Link } from "react-router";
import { useGet } from "../shared/api/queries";
import { count, day } from "../shared/parts/format";
import { rolesInWords } from "./packs";
import { useLatestCheck } from "./useLatestCheck";

/** How the latest check of the site's pages went, in one line. */
export function LastCheck({ siteId }: { siteId: string }) {
  const last = useLatestCheck(siteId);
  const roles = useGet("/api/checks/{id}/roles", { path: { id: last?.id ?? "" } }, { enabled: !!last });
  const packs = useGet("/api/sites/{id}/packs", { path: { id: siteId }, query: { limit: 1 } });
  const shown = rolesInWords(roles.data?.items ?? [], packs.data?.items[0]?.placedOn ?? null);
  const others = roles.data?.items.some(({ verdict }) => verdict === "OTHER");
  return (
    <p className="quiet small">
      <Link to={`/sites/${siteId}/pages`}>
        {last ? `Pages checked on ${day(last.askedAt)}` : "Check the pages"}
      </Link>
      {last &&
        (last.pagesWithErrors === 0
          ? `: ${count(last.pagesRead, "page")}, all right.`
          : `: ${last.pagesWithErrors} of ${count(last.pagesRead, "page")} with errors.`)}
      {shown !== "" && (
        <>
          {" "}
          <Link to={`/sites/${siteId}/pages#roles`} className={others ? "rubric" : "green"}>
            {shown}
          </Link>
        </>
      )}
    </p>
  );
}
