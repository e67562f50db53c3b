import { useQueryClient } from "@tanstack/react-query";
import { api, bodyOf } from "../shared/api/client";
import { asking, useChange, useGet } from "../shared/api/queries";
import { kB } from "../shared/parts/format";

const latest = { limit: 1 };

/** The latest pack of a site. */
export function useLatestPack(siteId: string) {
  return useGet("/api/sites/{id}/packs", { path: { id: siteId }, query: latest });
}

/** Makes a pack of what is held and allowed; with a reason, of what is not allowed too. */
export function useMakePack(siteId: string) {
  const client = useQueryClient();
  return useChange({
    of: "pack",
    change: async (reason: string) => {
      const pack = await bodyOf(
        api.POST("/api/sites/{id}/packs", {
          params: { path: { id: siteId } },
          body: reason ? { reason } : undefined,
        }),
      );
      // From now on the link downloads this pack, and not the one before until the list is read again.
      const { queryKey } = asking("/api/sites/{id}/packs", { path: { id: siteId }, query: latest });
      client.setQueryData(queryKey, (before) => ({ items: [pack], next: before?.next ?? null }));
      return pack;
    },
    said: (pack) => `Made a pack of ${kB(pack.bytes)}.`,
  });
}
