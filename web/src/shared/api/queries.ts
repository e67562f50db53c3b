import { QueryClient, useInfiniteQuery, useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import { useTell } from "../parts/Messages";
import { call, ProblemError } from "./client";
import type { Intake, PageOf } from "./types";

export const queryClient = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      retry: (count, error) => !(error instanceof ProblemError) && count < 2,
    },
  },
});

/** An address with one more parameter. */
export function withParam(path: string, name: string, value: string): string {
  return `${path}${path.includes("?") ? "&" : "?"}${name}=${encodeURIComponent(value)}`;
}

/** A list page by page: `items` are those read so far, `more` reads the next page while there is one. */
export function usePages<T>(path: string | undefined) {
  const query = useInfiniteQuery({
    queryKey: [path, "pages"],
    enabled: path !== undefined,
    initialPageParam: "",
    queryFn: ({ pageParam, signal }) =>
      call<PageOf<T>>("GET", pageParam ? withParam(path!, "cursor", pageParam) : path!, undefined, {
        signal,
      }),
    getNextPageParam: (page) => page.next,
  });
  return {
    items: query.data?.pages.flatMap((page) => page.items),
    error: query.error,
    more: query.hasNextPage ? () => void query.fetchNextPage() : undefined,
    loadingMore: query.isFetchingNextPage,
  };
}

/** One intake with its rows, page by page; asked again while it is being read. */
export function useIntake(path: string) {
  const query = useInfiniteQuery({
    queryKey: [path, "rows"],
    initialPageParam: "",
    queryFn: ({ pageParam, signal }) =>
      call<Intake>(
        "GET",
        withParam(pageParam ? withParam(path, "cursor", pageParam) : path, "limit", "200"),
        undefined,
        { signal },
      ),
    getNextPageParam: (page) => page.next,
    refetchInterval: (running) => (running.state.data?.pages[0]?.state === "READING" ? 600 : false),
  });
  return {
    intake: query.data?.pages[0],
    rows: query.data?.pages.flatMap((page) => page.rows) ?? [],
    error: query.error,
    more: query.hasNextPage ? () => void query.fetchNextPage() : undefined,
    loadingMore: query.isFetchingNextPage,
  };
}

/** All items of a list that is short by its nature, such as the packs of one site. */
export function useList<T>(path: string) {
  return useQuery({
    queryKey: [path],
    queryFn: async ({ signal }) => {
      const items: T[] = [];
      let next: string | null = null;
      do {
        const page: PageOf<T> = await call<PageOf<T>>(
          "GET",
          next === null ? path : withParam(path, "cursor", next),
          undefined,
          { signal },
        );
        items.push(...page.items);
        next = page.next;
      } while (next !== null);
      return items;
    },
  });
}

export function useOne<T>(
  path: string | undefined,
  refetchInterval?: (data: T | undefined) => number | false,
) {
  return useQuery({
    queryKey: [path],
    enabled: path !== undefined,
    queryFn: ({ signal }) => call<T>("GET", path!, undefined, { signal }),
    refetchInterval: refetchInterval ? (query) => refetchInterval(query.state.data) : false,
  });
}

/** What is said of a change: a sentence, and for what can be taken back the entry of the history. */
export type Said = string | { text: string; undo: string };

/** A change on the server. What any of the lists shows may follow from it, so all are asked again. */
export function useChange<V, R = unknown>(
  change: (value: V) => Promise<R>,
  said?: (result: R, value: V) => Said,
  failed?: (error: Error) => boolean,
) {
  const client = useQueryClient();
  const tell = useTell();
  return useMutation({
    mutationFn: change,
    onSuccess: async (result, value) => {
      if (said) {
        const told = said(result, value);
        tell(typeof told === "string" ? { text: told } : told);
      }
      await client.invalidateQueries();
    },
    onError: (error: Error) => {
      if (!failed?.(error)) {
        tell({ text: error.message, kind: "problem" });
      }
    },
  });
}
