import type { Site, SiteDraft } from "./types";

/** What a person enters of a site, as it is recorded: to be sent back with a part of it changed. */
export function draftOf({ clientId, name, domains, staging, roles, delivery, familyNames }: Site): SiteDraft {
  return { clientId, name, domains, staging, roles, delivery, familyNames };
}
