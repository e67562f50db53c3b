import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useRef } from "react";
import { askAgain } from "./answers";
import type { Changed } from "./touched";

/** Asks again for what may be another once work on the server, which was running, has ended. */
export function useAskAgainAfter(running: boolean, changed: Changed) {
  const client = useQueryClient();
  const was = useRef(running);
  useEffect(() => {
    if (was.current && !running) {
      void askAgain(client, changed);
    }
    was.current = running;
  }, [running, client, changed]);
}
