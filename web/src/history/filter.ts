/** The API's address for a history page's own address; days are those of the reader's own clock. */
export function historyAddress(params: URLSearchParams): string {
  const query = new URLSearchParams();
  for (const name of ["by", "type", "subject"]) {
    const value = params.get(name);
    if (value) {
      query.set(name, value);
    }
  }
  const from = startOf(params.get("from"), 0);
  const until = startOf(params.get("until"), 1);
  if (from) {
    query.set("from", from);
  }
  if (until) {
    query.set("until", until);
  }
  query.set("limit", "60");
  return `/api/history?${query.toString()}`;
}

function startOf(day: string | null, later: number): string | null {
  const parts = /^(\d{4})-(\d{2})-(\d{2})$/.exec(day ?? "");
  return parts
    ? new Date(Number(parts[1]), Number(parts[2]) - 1, Number(parts[3]) + later).toISOString()
    : null;
}
