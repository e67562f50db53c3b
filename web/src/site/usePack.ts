import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { askAgain } from "../shared/api/answers";
import { api, bodyOf } from "../shared/api/client";
import { asking, useChange, useGet } from "../shared/api/queries";
import { kB } from "../shared/parts/format";
import { useTell } from "../shared/parts/Messages";

const OFTEN = 300;
const latest = { limit: 1 };

/** The latest pack of a site. */
export function useLatestPack(siteId: string) {
  return useGet("/api/sites/{id}/packs", { path: { id: siteId }, query: latest });
}

/** How far the making of a site's pack is, whoever asked for it. */
export function usePackMaking(siteId: string) {
  return useGet(
    "/api/sites/{id}/packs/making",
    { path: { id: siteId } },
    { refetchInterval: (making) => (making?.running ? OFTEN : false) },
  ).data;
}

/** Begins to make a pack of what is held and allowed; with a reason, of what is not allowed too. */
export function useMakePack(siteId: string) {
  const client = useQueryClient();
  return useChange({
    of: "pack",
    change: async (reason: string) => {
      const path = { id: siteId };
      const begun = await bodyOf(
        api.POST("/api/sites/{id}/packs/making", {
          params: { path },
          body: reason ? { reason } : undefined,
        }),
      );
      client.setQueryData(asking("/api/sites/{id}/packs/making", { path }).queryKey, begun);
      return begun;
    },
  });
}

/** Shows a pack as soon as it is made, and tells of it or why it was not made. */
export function useTellOfPack(siteId: string) {
  const client = useQueryClient();
  const tell = useTell();
  const making = usePackMaking(siteId);
  const was = useRef(false);
  useEffect(() => {
    const ended = was.current && making?.running === false;
    was.current = making?.running ?? false;
    if (!ended) {
      return;
    }
    const show = async (id: string) => {
      const pack = await client.fetchQuery(asking("/api/packs/{id}", { path: { id } }));
      // From now on the link downloads this pack, and not the one before until the list is read again.
      const { queryKey } = asking("/api/sites/{id}/packs", { path: { id: siteId }, query: latest });
      client.setQueryData(queryKey, (before) => ({ items: [pack], next: before?.next ?? null }));
      tell({ text: `Made a pack of ${kB(pack.bytes)}.` });
      await askAgain(client, "pack");
    };
    if (making.failure !== null) {
      tell({ text: making.failure, kind: "problem" });
    } else if (making.packId !== null) {
      show(making.packId).catch((error: Error) => tell({ text: error.message, kind: "problem" }));
    }
  }, [making, client, tell, siteId]);
  return making;
}
