import { QueryClient } from "@tanstack/react-query";
import { ProblemError } from "./client";
import { mayDiffer, type Changed } from "./touched";

/** The answers of the server that are kept for a while. */
export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      retry: (count, error) => !(error instanceof ProblemError) && count < 2,
      networkMode: "always",
    },
    // The server may be on this very machine: what the browser thinks of its network says nothing.
    mutations: { networkMode: "always" },
  },
});

/** Asks again for what may be another after a change. */
export function askAgain(client: QueryClient, changed: Changed): Promise<void> {
  return client.invalidateQueries({ predicate: ({ queryKey }) => mayDiffer(changed, String(queryKey[0])) });
}
