import type { Params } from "../shared/api/queries";

type Query = Omit<NonNullable<Params<"/api/history">["query"]>, "cursor">;

/** What the API is asked for by a history page's own address; days are those of the reader's own clock. */
export function historyQuery(params: URLSearchParams): Query {
  const query: Query = { limit: 60 };
  for (const name of ["by", "type", "subject"] as const) {
    const value = params.get(name);
    if (value) {
      query[name] = value;
    }
  }
  const from = startOf(params.get("from"), 0);
  const until = startOf(params.get("until"), 1);
  return { ...query, ...(from ? { from } : {}), ...(until ? { until } : {}) };
}

function startOf(day: string | null, later: number): string | null {
  const parts = /^(\d{4})-(\d{2})-(\d{2})$/.exec(day ?? "");
  return parts
    ? new Date(Number(parts[1]), Number(parts[2]) - 1, Number(parts[3]) + later).toISOString()
    : null;
}
