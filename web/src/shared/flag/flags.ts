import { useQueries } from "@tanstack/react-query";
import { asking, useGet, type Params } from "../api/queries";
import type { Flag, FlagCount, FlagsWithin } from "../api/types";

/** How many flags of the records of one page are asked for at most. */
const MOST = 500;

type Subject = "site" | "family" | "license";

/** The flags that stand on one site, family or license. */
export function useFlagsOf(what: Subject, id: string): Flag[] {
  return useGet("/api/flags", { query: { [what]: [id], limit: MOST } }).data?.items ?? [];
}

/** The flags of a list's records by their ids, and whether those of its first page have been asked for and answered. */
export type FlagIndex = { flagsOf: (id: string) => readonly Flag[]; ready: boolean };

/** The flags of the records of a list; asked for in parts of the size of a page. */
export function useFlagIndex(what: Subject, ids: string[], pageSize: number): FlagIndex {
  const parts = Array.from({ length: Math.ceil(ids.length / pageSize) }, (_, i) =>
    ids.slice(i * pageSize, (i + 1) * pageSize),
  );
  return useQueries({
    queries: parts.map((part) => asking("/api/flags", { query: { [what]: part, limit: MOST } })),
    combine: what === "site" ? bySite : what === "family" ? byFamily : byLicense,
  });
}

type Answers = { data?: Answer; isPending: boolean }[];
type Answer = { items: Flag[] };

// Functions that stay the same, so that the index is made anew only for new answers.
const bySite = (answers: Answers) => indexed(answers, "siteId");
const byFamily = (answers: Answers) => indexed(answers, "familyId");
const byLicense = (answers: Answers) => indexed(answers, "licenseId");

export function indexed(answers: Answers, key: "siteId" | "familyId" | "licenseId"): FlagIndex {
  const parts = answers.flatMap(({ data }) => (data ? [partOf(data, key)] : []));
  return {
    // Each record is asked about in one part only.
    flagsOf: (id) => parts.find((part) => part.has(id))?.get(id) ?? none,
    ready: !answers[0]?.isPending,
  };
}

const none: readonly Flag[] = [];
const partsMade = new WeakMap<Answer, ReadonlyMap<string, readonly Flag[]>>();

/** The flags of one answer; made once for it, so that rows whose flags did not change are not drawn anew. */
function partOf(answer: Answer, key: "siteId" | "familyId" | "licenseId") {
  const made = partsMade.get(answer);
  if (made) {
    return made;
  }
  const part = new Map<string, Flag[]>();
  for (const flag of answer.items) {
    const known = part.get(flag[key]);
    if (known) {
      known.push(flag);
    } else {
      part.set(flag[key], [flag]);
    }
  }
  partsMade.set(answer, part);
  return part;
}

export function useCounts(): FlagCount[] | undefined {
  return useGet("/api/flags/counts").data;
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

type Query = Omit<NonNullable<Params<"/api/flags">["query"]>, "cursor">;

/** What the API is asked for: the gathered entries of a filter. */
export function gatheredQuery(
  filter: FlagFilter,
  limit = 100,
): NonNullable<Params<"/api/flags/gathered">["query"]> {
  const { order: _, ...asked } = queryOf(filter);
  return { ...asked, by: filter.by, limit };
}

/** What the API is asked for: the flags inside of one gathered entry. */
export function insideQuery(filter: FlagFilter, entry: { by: string; key: string }): Query {
  const by = entry.by.toLowerCase();
  const inside = by === "cause" ? filter : { ...filter, [by]: entry.key };
  return { ...queryOf(inside), ...(by === "cause" ? { cause: entry.key } : {}), limit: 50 };
}

/** Of the flags of a cause, those that a filter shows, as decisions on them are sent. */
export function withinOf(filter: FlagFilter): FlagsWithin {
  const list = (value: string) => (value ? [value] : null);
  return {
    state: filter.state || null,
    group: filter.group || null,
    severity: filter.severity || null,
    person: filter.person || null,
    site: list(filter.site),
    family: list(filter.family),
    license: list(filter.license),
  };
}

function queryOf(filter: FlagFilter): Query {
  const list = (value: string) => (value ? [value] : undefined);
  return defined({
    state: filter.state,
    group: filter.group,
    severity: filter.severity,
    person: filter.person,
    site: list(filter.site),
    family: list(filter.family),
    license: list(filter.license),
    order: filter.order,
  });
}

function defined(query: object): object {
  return Object.fromEntries(Object.entries(query).filter(([, value]) => value !== undefined && value !== ""));
}

/** Whether a flag is about what a check of pages found. */
export function isOfPages({ kind, action }: Pick<Flag, "kind" | "action">): boolean {
  return action === "OPEN_CHECK" || action === "TAKE_IN" || kind === "FOUND_NOT_ALLOWED";
}

/** The part of a site's page, or the leaf of it, in which a flag is mended. */
export function placeOnSite({
  kind,
  action,
}: Pick<Flag, "kind" | "action">): "asked" | "type" | "pack" | "pages" {
  if (isOfPages({ kind, action })) {
    return "pages";
  }
  switch (kind) {
    case "FACE_NOT_HELD":
    case "LANGUAGE_NOT_COVERED":
    case "OVER_BUDGET":
      return "type";
    case "PACK_DUE":
    case "DELIVERED_ANYWAY":
    case "DELIVERED_NOT_ASKED":
    case "WHOLE_FACES":
      return "pack";
    default:
      return "asked";
  }
}

/** Where a flag's next action is done, and what that is called. */
export function wayOf(flag: Flag): [string, string] {
  const license = `/licenses/${flag.licenseId}`;
  switch (flag.action) {
    case "RECORD_LICENSE":
      return ["Record a license", `/licenses/new?family=${flag.familyId}`];
    case "RENEW_LICENSE":
      return ["Renew", `${license}/terms#dates`];
    case "PERMIT_DOMAIN":
      return ["Add the domain", `${license}/terms?domain=${flag.domain}#domains`];
    case "ATTACH_AGREEMENT":
      return ["Attach the agreement", `${license}/terms#agreement`];
    case "ASK_VENDOR":
      return flag.licenseId
        ? ["Ask the vendor", `${license}/terms#ask`]
        : ["See the file", `/families/${flag.familyId}/facts`];
    case "ADD_FILES":
      return ["Add the files", `/intake?flag=${flag.id}`];
    case "SETTLE_DUPLICATE":
      return ["Choose which to keep", "/families/duplicates"];
    case "MAKE_PACK":
      return ["Make a new pack", `/sites/${flag.siteId}#pack`];
    case "CHOOSE_FACES":
      return ["Choose the faces", `/sites/${flag.siteId}/type`];
    case "NAME_LANGUAGES":
      return ["Name the languages", `/sites/${flag.siteId}/delivery`];
    case "OPEN_CHECK":
      return ["See the pages", `/sites/${flag.siteId}/pages`];
    case "TAKE_IN":
      return ["Add to an intake", `/sites/${flag.siteId}/pages#fonts`];
    case "EDIT_LICENSE":
      return flag.licenseId
        ? ["Edit the terms", `${license}/terms`]
        : ["See its licenses", `/families/${flag.familyId}/use`];
    default:
      return ["See the license", license];
  }
}
