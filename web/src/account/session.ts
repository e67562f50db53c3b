import { useQuery } from "@tanstack/react-query";
import { call, ProblemError } from "../shared/api/client";
import type { Who } from "../shared/api/types";

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
