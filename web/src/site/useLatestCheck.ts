import { useGet } from "../shared/api/queries";
import type { CheckLine } from "../shared/api/types";

/** The latest check of a site that came to its end. */
export function useLatestCheck(siteId: string): CheckLine | undefined {
  const list = useGet("/api/sites/{id}/checks", { path: { id: siteId }, query: { limit: 10 } });
  return list.data?.items.find((check) => check.state === "DONE");
}
