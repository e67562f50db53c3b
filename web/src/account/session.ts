import { useQuery } from "@tanstack/react-query";
import { call, ProblemError } from "../shared/api/client";
import { useOne } from "../shared/api/queries";
import type { Level, Person, Who } from "../shared/api/types";

export const levelWords: Record<Level, string> = {
  READER: "Reader",
  EDITOR: "Editor",
  ADMINISTRATOR: "Administrator",
};

/** Who is signed in, or null. */
export function useWho() {
  return useQuery({
    queryKey: ["/api/session"],
    staleTime: Infinity,
    queryFn: async () => {
      try {
        return await call<Who>("GET", "/api/session");
      } catch (error) {
        if (error instanceof ProblemError && error.status === 401) {
          return null;
        }
        throw error;
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
  const people = useOne<Person[]>("/api/people").data;
  return (name) =>
    name === "unciala" ? "Unciala" : (people?.find((person) => person.name === name)?.displayName ?? name);
}
