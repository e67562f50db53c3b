import { useInfiniteQuery } from "@tanstack/react-query";
import { api, bodyOf } from "../shared/api/client";

const AT_ONCE = 200;
const WHILE_READING_MILLISECONDS = 600;

/** One intake with its rows, page by page; asked again while it is being read. */
export function useIntake(id: string) {
  const query = useInfiniteQuery({
    queryKey: ["/api/intakes/{id}", { path: { id } }, "rows"],
    initialPageParam: "",
    queryFn: ({ pageParam, signal }) =>
      bodyOf(
        api.GET("/api/intakes/{id}", {
          params: { path: { id }, query: { limit: AT_ONCE, cursor: pageParam || undefined } },
          signal,
        }),
      ),
    getNextPageParam: (page) => page.next,
    refetchInterval: (running) =>
      running.state.data?.pages[0]?.state === "READING" ? WHILE_READING_MILLISECONDS : false,
  });
  return {
    intake: query.data?.pages[0],
    rows: query.data?.pages.flatMap((page) => page.rows) ?? [],
    error: query.error,
    again: () => void query.refetch(),
    more: query.hasNextPage ? () => void query.fetchNextPage() : undefined,
    loadingMore: query.isFetchingNextPage,
  };
}
