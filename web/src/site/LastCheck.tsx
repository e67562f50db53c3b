import { Link } from "react-router";
import { count, day } from "../shared/parts/format";
import { useLatestCheck } from "./useLatestCheck";

/** How the latest check of the site's pages went, in one line. */
export function LastCheck({ siteId }: { siteId: string }) {
  const last = useLatestCheck(siteId);
  return (
    <p className="quiet small">
      <Link to={`/sites/${siteId}/pages`}>
        {last ? `Pages checked on ${day(last.askedAt)}` : "Check the pages"}
      </Link>
      {last &&
        (last.pagesWithErrors === 0
          ? `: ${count(last.pagesRead, "page")}, all right.`
          : `: ${last.pagesWithErrors} of ${count(last.pagesRead, "page")} with something wrong.`)}
    </p>
  );
}
