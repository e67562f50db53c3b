import {
  infiniteQueryOptions,
  queryOptions,
  useInfiniteQuery,
  useMutation,
  useQuery,
  useQueryClient,
} from "@tanstack/react-query";
import { useRef } from "react";
import type { PathsWithMethod, SuccessResponseJSON } from "openapi-typescript-helpers";
import { same } from "../parts/merge";
import { useTell } from "../parts/Messages";
import { askAgain } from "./answers";
import { api, bodyOf } from "./client";
import type { paths } from "./schema";
import type { Changed } from "./touched";

type Address = PathsWithMethod<paths, "get">;
type Operation<A extends Address> = paths[A]["get"] & Record<string | number, unknown>;
/** What an address answers. */
export type Answer<A extends Address> = SuccessResponseJSON<Operation<A>>;
/** The parameters of an address: `path` and `query`. */
export type Params<A extends Address> = Omit<Operation<A>["parameters"], "header" | "cookie">;

/** An address of the API with its parameters, as it is asked and kept. */
export function asking<A extends Address>(address: A, params?: Params<A>) {
  return queryOptions({
    queryKey: [address, params ?? {}] as const,
    queryFn: ({ signal }) => get(address, params, signal),
  });
}

function get<A extends Address>(
  address: A,
  params: Params<A> | undefined,
  signal: AbortSignal,
): Promise<Answer<A>> {
  // What the address and its parameters are is checked where this is called; inside, they are any of all addresses.
  // eslint-disable-next-line no-restricted-syntax
  const ask = api.GET as unknown as (path: A, init: object) => Promise<{ data?: Answer<A> }>;
  return bodyOf(ask(address, { params, signal }));
}

type Options<A extends Address> = {
  enabled?: boolean;
  refetchInterval?: (answer: Answer<A> | undefined) => number | false;
  /** Whether the answer before stays shown while another one is asked for. */
  keepShown?: boolean;
};

/** One answer of the API, asked again when a change may have made it another. */
export function useGet<A extends Address>(address: A, params?: Params<A>, options: Options<A> = {}) {
  const { refetchInterval } = options;
  return useQuery({
    ...asking(address, params),
    enabled: options.enabled ?? true,
    placeholderData: options.keepShown ? (shown) => shown : undefined,
    refetchInterval: refetchInterval ? (query) => refetchInterval(query.state.data as Answer<A>) : false,
  });
}

type PageOf = { items: unknown[]; next: string | null };
type Lists = { [A in Address]: Answer<A> extends PageOf ? A : never }[Address];
type Item<A extends Lists> = Answer<A> extends { items: (infer I)[] } ? I : never;
type Query<P> = P extends { query?: infer Q } ? NonNullable<Q> : never;
type Path<P> = P extends { path: infer V } ? V : undefined;
type Filter<A extends Lists> = Omit<Query<Params<A>>, "cursor">;

/** A list of the API with its filter, as it is asked page by page and kept. */
export function askingPages<A extends Lists>(address: A, query: Filter<A>, path?: Path<Params<A>>) {
  return infiniteQueryOptions({
    queryKey: [address, { path, query }, "pages"],
    initialPageParam: "",
    queryFn: ({ pageParam, signal }) =>
      get(address, { path, query: pageParam ? { ...query, cursor: pageParam } : query } as Params<A>, signal),
    getNextPageParam: (page) => (page as PageOf).next,
  });
}

/** A list page by page: `items` are those read so far, `more` reads the next page while there is one. */
export function usePages<A extends Lists>(
  address: A,
  query: Filter<A>,
  options: { path?: Path<Params<A>>; keepShown?: boolean } = {},
) {
  const pages = useInfiniteQuery({
    ...askingPages(address, query, options.path),
    placeholderData: options.keepShown ? (shown) => shown : undefined,
  });
  return {
    items: pages.data?.pages.flatMap((page) => (page as PageOf).items as Item<A>[]),
    error: pages.error,
    again: () => void pages.refetch(),
    more: pages.hasNextPage ? () => void pages.fetchNextPage() : undefined,
    loadingMore: pages.isFetchingNextPage,
  };
}

/** What is said of a change: a sentence, and for what can be taken back the entry of the history. */
export type Said = string | { text: string; undo: string };

type Change<V, R> = {
  of: Changed;
  change: (value: V) => Promise<R>;
  said?: (result: R, value: V) => Said;
  /** Whether a failure was dealt with; otherwise its sentence is told. */
  failed?: (error: Error) => boolean;
};

/** A change on the server; afterwards what may have become another is asked again. */
export function useChange<V = void, R = unknown>({ of, change, said, failed }: Change<V, R>) {
  const client = useQueryClient();
  const tell = useTell();
  const { once, done } = useOnce(change);
  return useMutation({
    mutationFn: once,
    onSuccess: async (result, value) => {
      if (said) {
        const told = said(result, value);
        tell(typeof told === "string" ? { text: told } : told);
      }
      await askAgain(client, of);
    },
    onError: (error: Error) => {
      if (!failed?.(error)) {
        tell({ text: error.message, kind: "problem" });
      }
    },
    onSettled: done,
  });
}

/**
 * A change that is on its way already is not begun again by a second press: both get the one answer, until `done` says
 * that its page shows what came of it.
 */
function useOnce<V, R>(change: (value: V) => Promise<R>) {
  const running = useRef<{ value: V; answer: Promise<R> } | null>(null);
  const once = (value: V) => {
    if (!running.current || !same(running.current.value, value)) {
      running.current = { value, answer: change(value) };
    }
    return running.current.answer;
  };
  return { once, done: () => void (running.current = null) };
}
