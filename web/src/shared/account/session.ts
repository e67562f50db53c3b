import { queryOptions, useQuery, useQueryClient, type QueryClient } from "@tanstack/react-query";
import { api, bodyOf, ProblemError } from "../api/client";
import { connection } from "../api/connection";
import { useGet } from "../api/queries";
import type { Level, Who } from "../api/types";

export const levelWords: Record<Level, string> = {
  READER: "Reader",
  EDITOR: "Editor",
  ADMINISTRATOR: "Administrator",
};

const key = ["/api/session"];

/** Who is signed in, or null. Whoever was signed in stays while the session has ended and the page waits for them. */
export function useWho() {
  return useQuery(askingWho(useQueryClient()));
}

export function askingWho(client: QueryClient) {
  return queryOptions({
    queryKey: key,
    staleTime: Infinity,
    retry: false,
    queryFn: async (): Promise<Who | null> => {
      try {
        return await bodyOf(api.GET("/api/session"));
      } catch (error) {
        if (!(error instanceof ProblemError && error.status === 401)) {
          throw error;
        }
        const before = client.getQueryData<Who | null>(key) ?? null;
        if (before) {
          connection.sessionEnded();
        }
        return before;
      }
    },
  });
}

/** Whether whoever is signed in may change the inventory. */
export function useMayEdit(): boolean {
  const level = useWho().data?.level;
  return level === "EDITOR" || level === "ADMINISTRATOR";
}

export function useIsAdministrator(): boolean {
  return useWho().data?.level === "ADMINISTRATOR";
}

/** The name that people read for an account's name. */
export function usePeople(): (name: string) => string {
  const people = useGet("/api/people").data;
  return (name) =>
    name === "unciala" ? "Unciala" : (people?.find((person) => person.name === name)?.displayName ?? name);
}

/** The people who may sign in. */
export function usePresentPeople() {
  return (useGet("/api/people").data ?? []).filter((person) => !person.removed);
}
