import { useQuery } from "@tanstack/react-query";
import { api, bodyOf } from "../api/client";
import type { Client } from "../api/types";

/** All clients of the agency. */
export function useClients() {
  return useQuery({
    queryKey: ["/api/clients", "all"],
    queryFn: async ({ signal }) => {
      const clients: Client[] = [];
      let cursor: string | undefined;
      do {
        const page = await bodyOf(
          api.GET("/api/clients", { params: { query: { cursor, limit: 500 } }, signal }),
        );
        clients.push(...page.items);
        cursor = page.next ?? undefined;
      } while (cursor);
      return clients;
    },
  });
}

/** The id of the client of this name, which is added when there is none. */
export async function clientNamed(clients: Client[], name: string): Promise<string> {
  const wanted = name.trim().toLowerCase();
  const known = clients.find((client) => client.name.toLowerCase() === wanted);
  return (known ?? (await bodyOf(api.POST("/api/clients", { body: { name } })))).id;
}
