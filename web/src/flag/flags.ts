import { useOne } from "../shared/api/queries";
import type { Flag, FlagCount, PageOf } from "../shared/api/types";

export const groupNames: Record<Flag["group"], string> = {
  UNLICENSED: "Unlicensed",
  MISSING: "Missing",
  DUPLICATE: "Duplicate",
};

/** Kinds of the license group that stand under their own words: only what may not be used is called unlicensed. */
const ownWords: Partial<Record<Flag["kind"], string>> = {
  NOT_STATED: "Not stated",
  LICENSE_ENDING: "Ends soon",
  NO_PROOF: "No proof",
  EMBEDDING_DISAGREES: "File disagrees",
};

/** The word under which a flag stands. */
export function headingOf(flag: { kind?: Flag["kind"] | null; group: Flag["group"] }): string {
  return (flag.kind && ownWords[flag.kind]) || groupNames[flag.group];
}

/** The flags that stand on some sites, families or licenses; none are asked for without an id. */
export function useFlagsOf(what: "site" | "family" | "license", ids: string[]): Flag[] {
  const path =
    ids.length === 0
      ? undefined
      : `/api/flags?limit=500&${ids.map((id) => `${what}=${encodeURIComponent(id)}`).join("&")}`;
  return useOne<PageOf<Flag>>(path).data?.items ?? [];
}

export function useCounts(): FlagCount[] | undefined {
  return useOne<FlagCount[]>("/api/flags/counts").data;
}

/** The sum of open flags, of one group or severity where given. */
export function openOf(
  counts: FlagCount[],
  where: Partial<Pick<FlagCount, "group" | "severity">> = {},
): number {
  return counts
    .filter((count) => !where.group || count.group === where.group)
    .filter((count) => !where.severity || count.severity === where.severity)
    .reduce((sum, count) => sum + count.open, 0);
}

/** What the Flags place looks for; its own address and the API's are made from it. */
export type FlagFilter = {
  by: string;
  state: string;
  group: string;
  severity: string;
  person: string;
  site: string;
  family: string;
  license: string;
  order: string;
};

const defaults: FlagFilter = {
  by: "cause",
  state: "open",
  group: "",
  severity: "",
  person: "",
  site: "",
  family: "",
  license: "",
  order: "",
};

export function filterOf(params: URLSearchParams): FlagFilter {
  const filter = { ...defaults };
  for (const name of Object.keys(defaults) as (keyof FlagFilter)[]) {
    filter[name] = params.get(name) ?? defaults[name];
  }
  return filter;
}

/** The parameters of the Flags place for a filter; what is usual is left out. */
export function paramsOf(filter: FlagFilter): Record<string, string> {
  return Object.fromEntries(
    (Object.keys(defaults) as (keyof FlagFilter)[])
      .filter((name) => filter[name] && filter[name] !== defaults[name])
      .map((name) => [name, filter[name]]),
  );
}

export function gatheredAddress(filter: FlagFilter, limit = 100): string {
  return `/api/flags/gathered?${query(filter, ["by", "state", "group", "severity", "person", "site", "family", "license"])}&limit=${limit}`;
}

/** The flags inside of one gathered entry. */
export function insideAddress(filter: FlagFilter, entry: { by: string; key: string }): string {
  const by = entry.by.toLowerCase();
  const inside = { ...filter, ...(by === "cause" ? {} : { [by]: entry.key }) };
  const cause = by === "cause" ? `&cause=${encodeURIComponent(entry.key)}` : "";
  return `/api/flags?${query(inside, ["state", "group", "severity", "person", "site", "family", "license", "order"])}${cause}&limit=50`;
}

function query(filter: FlagFilter, names: (keyof FlagFilter)[]): string {
  return names
    .filter((name) => filter[name])
    .map((name) => `${name}=${encodeURIComponent(filter[name])}`)
    .join("&");
}

/** Where a flag's next action is done, and what that is called. */
export function wayOf(flag: Flag): [string, string] {
  const license = `/licenses/${flag.licenseId}`;
  switch (flag.action) {
    case "RECORD_LICENSE":
      return ["Record a license", `/licenses/new?family=${flag.familyId}`];
    case "RENEW_LICENSE":
      return ["Renew it", `${license}#dates`];
    case "PERMIT_DOMAIN":
      return ["Add the domain", `${license}?domain=${flag.domain}#domains`];
    case "ATTACH_AGREEMENT":
      return ["Attach the agreement", `${license}#agreement`];
    case "ASK_VENDOR":
      return flag.licenseId
        ? ["Ask the vendor", `${license}#ask`]
        : ["See the file", `/families/${flag.familyId}#files`];
    case "ADD_FILES":
      return ["Add the files", `/intake?for=${flag.familyId}`];
    case "REMOVE_FILE":
      return ["Choose which to keep", `/families/${flag.familyId}#files`];
    default:
      return ["See the license", license];
  }
}
