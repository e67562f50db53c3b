import { api, bodyOf, editing, isStale } from "../shared/api/client";
import { draftOf } from "../shared/api/drafts";
import { asking, useChange, useGet } from "../shared/api/queries";
import type { Site, SiteDraft } from "../shared/api/types";
import { useKeep } from "../shared/api/useKeep";
import { words } from "./words";

/** A recorded site. */
export function useSite(id: string) {
  return useGet("/api/sites/{id}", { path: { id } });
}

/** Saves a part of a site; the rest stays as it is recorded. */
export function useKeepSite(site: Site) {
  const { id } = site;
  const save = useChange({
    of: "site",
    change: (draft: SiteDraft) =>
      bodyOf(
        api.PUT("/api/sites/{id}", { params: { path: { id }, header: editing(site.version) }, body: draft }),
      ),
    said: () => words.saved,
    failed: isStale,
  });
  const keep = useKeep(asking("/api/sites/{id}", { path: { id } }).queryKey, save);
  return (change: Partial<SiteDraft>) => keep({ ...draftOf(site), ...change });
}
