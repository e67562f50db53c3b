import { useSyncExternalStore } from "react";

/** How it stands with the server: `away` while it does not answer, `ended` when the session has ended. */
export type Connection = { away: boolean; ended: boolean };

let state: Connection = { away: false, ended: false };
const listeners = new Set<() => void>();

function set(change: Partial<Connection>) {
  const next = { ...state, ...change };
  if (next.away !== state.away || next.ended !== state.ended) {
    state = next;
    listeners.forEach((listener) => listener());
  }
}

export const connection = {
  answered: () => set({ away: false }),
  silent: () => set({ away: true }),
  sessionEnded: () => set({ ended: true }),
  sessionBegun: () => set({ ended: false }),
  state: () => state,
  subscribe: (listener: () => void) => {
    listeners.add(listener);
    return () => void listeners.delete(listener);
  },
};

export function useConnection(): Connection {
  return useSyncExternalStore(connection.subscribe, connection.state);
}
