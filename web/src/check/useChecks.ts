import { api, bodyOf } from "../shared/api/client";
import { useChange, useGet } from "../shared/api/queries";
import { useAskAgainAfter } from "../shared/api/useAskAgainAfter";
import { isUnderWay, latestDone } from "./pages";

const OFTEN = 700;

/** The checks of a site: one that is under way, and the latest that came to its end. */
export function useChecks(siteId: string) {
  const list = useGet(
    "/api/sites/{id}/checks",
    { path: { id: siteId }, query: { limit: 10 } },
    { refetchInterval: (answer) => (isUnderWay(answer?.items[0]) ? OFTEN : false) },
  );
  const first = list.data?.items[0];
  const running = isUnderWay(first) ? first : undefined;
  useAskAgainAfter(running !== undefined, "check");
  return { list, running, last: first, done: latestDone(list.data?.items ?? []) };
}

/** Asks for a check. */
export function useStartCheck(siteId: string) {
  return useChange({
    of: "check",
    change: () => bodyOf(api.POST("/api/sites/{id}/checks", { params: { path: { id: siteId } } })),
  });
}

/** Stops a check that is under way. */
export function useStopCheck() {
  return useChange({
    of: "check",
    change: (id: string) => bodyOf(api.DELETE("/api/checks/{id}", { params: { path: { id } } })),
  });
}
