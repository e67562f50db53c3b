import { QueryClient, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useTell } from "../parts/Messages";
import { call, ProblemError } from "./client";
import type { PageOf } from "./types";

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      retry: (count, error) => !(error instanceof ProblemError) && count < 2,
    },
  },
});

/** All items of a list, following its cursors. */
export function useList<T>(path: string) {
  return useQuery({
    queryKey: [path],
    queryFn: async () => {
      const items: T[] = [];
      let next: string | null = null;
      do {
        const cursor: string =
          next === null ? "" : `${path.includes("?") ? "&" : "?"}cursor=${encodeURIComponent(next)}`;
        const page: PageOf<T> = await call<PageOf<T>>("GET", path + cursor);
        items.push(...page.items);
        next = page.next;
      } while (next !== null);
      return items;
    },
  });
}

export function useOne<T>(path: string, refetchInterval?: (data: T | undefined) => number | false) {
  return useQuery({
    queryKey: [path],
    queryFn: () => call<T>("GET", path),
    refetchInterval: refetchInterval ? (query) => refetchInterval(query.state.data) : false,
  });
}

/** A change on the server. What any of the lists shows may follow from it, so all are asked again. */
export function useChange<V, R = unknown>(
  change: (value: V) => Promise<R>,
  said?: (result: R, value: V) => string,
) {
  const client = useQueryClient();
  const tell = useTell();
  return useMutation({
    mutationFn: change,
    onSuccess: async (result, value) => {
      await client.invalidateQueries();
      if (said) {
        tell(said(result, value));
      }
    },
    onError: (error: Error) => tell(error.message, "problem"),
  });
}
