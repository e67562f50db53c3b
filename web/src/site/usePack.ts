import { api, bodyOf } from "../shared/api/client";
import { useChange, useGet } from "../shared/api/queries";
import { kB } from "../shared/parts/format";

/** The latest pack of a site. */
export function useLatestPack(siteId: string) {
  return useGet("/api/sites/{id}/packs", { path: { id: siteId }, query: { limit: 1 } });
}

/** Makes a pack of what is held and allowed; with a reason, of what is not allowed too. */
export function useMakePack(siteId: string) {
  return useChange({
    of: "pack",
    change: (reason: string) =>
      bodyOf(
        api.POST("/api/sites/{id}/packs", {
          params: { path: { id: siteId } },
          body: reason ? { reason } : undefined,
        }),
      ),
    said: (pack) => `Made a pack of ${kB(pack.bytes)}.`,
  });
}
