import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { api } from "../shared/api/client";
import { useConnection } from "../shared/api/connection";
import { words } from "./words";

const AGAIN_MILLISECONDS = 3_000;

/** One line over the page while the server does not answer; when it is back, all that failed is asked again. */
export function ServerAway() {
  const { away } = useConnection();
  const client = useQueryClient();
  const [was, setWas] = useState(away);
  useQuery({
    queryKey: ["is the server back"],
    queryFn: async () => (await api.GET("/api/health")).response.ok,
    enabled: away,
    retry: false,
    gcTime: 0,
    refetchInterval: AGAIN_MILLISECONDS,
  });
  useEffect(() => {
    if (was && !away) {
      void client.invalidateQueries();
    }
    setWas(away);
  }, [was, away, client]);
  return (
    <div role="status" className={away ? "away" : undefined}>
      {away && words.away}
    </div>
  );
}
