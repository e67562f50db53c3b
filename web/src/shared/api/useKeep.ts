import { useQueryClient, type QueryKey } from "@tanstack/react-query";
import { isStale } from "./client";

/**
 * Keeps a record that is edited: its answer takes the place of what was read. Says whether it was kept; when somebody
 * else was faster the record is read again, so that both changes are merged.
 */
export function useKeep<D, R>(queryKey: QueryKey, save: { mutateAsync: (draft: D) => Promise<R> }) {
  const client = useQueryClient();
  return async (draft: D): Promise<boolean> => {
    try {
      client.setQueryData(queryKey, await save.mutateAsync(draft));
      return true;
    } catch (error) {
      if (isStale(error)) {
        await client.invalidateQueries({ queryKey });
      }
      return false;
    }
  };
}
