import type { QueryClient } from "@tanstack/react-query";
import { filterOf, queryOf } from "./family/filter";
import { askingWho } from "./shared/account/session";
import { askingPages } from "./shared/api/queries";

/** Asks for what the first page will show while its scripts are still being loaded. */
export async function askAhead(
  client: QueryClient,
  { pathname, search }: { pathname: string; search: string },
) {
  // Without a session, or without a server, the page itself says so.
  const who = await client.fetchQuery(askingWho(client)).catch(() => null);
  if (who && pathname === "/families") {
    const params = new URLSearchParams(search);
    await client.prefetchInfiniteQuery(
      askingPages("/api/families", queryOf(filterOf(params), params.get("name") ?? "")),
    );
  }
}
