import { keepPreviousData, useQueries, useQuery } from "@tanstack/react-query";
import { api, bodyOf } from "../../shared/api/client";
import { asking } from "../../shared/api/queries";
import type { Family, Role, Site, SiteWeight, Slot } from "../../shared/api/types";

/** The server weighs no more at once. */
const MOST_WEIGHED = 400;

type Face = { familyId: string; slot: Slot };

/**
 * What faces weigh as a pack would deliver them. Until the server has made them, `weight` is that of the faces before
 * them, whose fonts stay shown, and `known` is false.
 */
export function useWeight(site: Site, faces: Face[]): { weight: SiteWeight | undefined; known: boolean } {
  const { data, isPlaceholderData } = useQuery({
    queryKey: [
      "/api/sites/{id}/weight",
      site.id,
      site.version,
      faces.map((face) => face.familyId + face.slot.key),
    ],
    queryFn: () =>
      bodyOf(api.POST("/api/sites/{id}/weight", { params: { path: { id: site.id } }, body: { faces } })),
    enabled: faces.length > 0,
    placeholderData: keepPreviousData,
  });
  return { weight: data, known: data !== undefined && !isPlaceholderData };
}

/** What every face of a family weighs as delivered, made ahead of being chosen; nothing until that is known. */
export function useFamilyWeight(site: Site, family: Family | undefined): SiteWeight | undefined {
  const slots = new Map(family?.files.map(({ slot }) => [slot.key, slot]));
  const faces = [...slots.values()].map((slot) => ({ familyId: family?.id ?? "", slot }));
  const { weight, known } = useWeight(site, faces.slice(0, MOST_WEIGHED));
  return known ? weight : undefined;
}

/** The faces that roles ask for. */
export function facesOf(roles: Role[]): Face[] {
  return roles.flatMap(({ familyId, faces }) => faces.map((slot) => ({ familyId, slot })));
}

/** The families that the roles are set in, each asked for by its id. */
export function useFamilies(roles: Role[]): { families: Family[]; loaded: boolean } {
  const ids = [...new Set(roles.map((role) => role.familyId))].filter(Boolean);
  return useQueries({
    queries: ids.map((id) => asking("/api/families/{id}", { path: { id } })),
    combine: (results) => ({
      families: results.flatMap((result) => result.data ?? []),
      loaded: results.every((result) => result.data !== undefined),
    }),
  });
}
