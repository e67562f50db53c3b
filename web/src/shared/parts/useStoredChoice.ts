import { useSyncExternalStore } from "react";

const listeners = new Set<() => void>();

/** A choice of the reader that this browser keeps, such as whether single keys do something. */
export function useStoredChoice(name: string, usual: string): [string, (value: string) => void] {
  const value = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      window.addEventListener("storage", listener);
      return () => {
        listeners.delete(listener);
        window.removeEventListener("storage", listener);
      };
    },
    () => read(name) ?? usual,
  );
  return [
    value,
    (next) => {
      try {
        localStorage.setItem(name, next);
      } catch {
        // A browser that keeps nothing forgets the choice with the page.
      }
      listeners.forEach((listener) => listener());
    },
  ];
}

function read(name: string): string | null {
  try {
    return localStorage.getItem(name);
  } catch {
    return null;
  }
}

export const singleKeys = "unciala.single-keys";
