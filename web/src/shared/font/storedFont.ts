import { useCallback, useSyncExternalStore, type CSSProperties } from "react";
import type { HeldFile } from "../api/types";
import { stateOf, useAt, type FontState } from "./fontStore";
import { hasLatin } from "./sample";

const none: FontState = { state: "loading" };

/** The font at an address, loaded for as long as the page shows it. */
export function useFontAt(address: string | undefined): FontState {
  return useSyncExternalStore(
    useCallback((listener) => (address ? useAt(address, listener) : () => undefined), [address]),
    () => (address ? stateOf(address) : none),
  );
}

export function useStoredFont(sha256: string | undefined): FontState {
  return useFontAt(sha256 && `/api/files/${sha256}`);
}

/**
 * The style that sets text in a font and in nothing else: no faked bold, and nothing seen while it loads. What is not
 * seen yet can be reached by keyboard all the same.
 */
export function inFont(font: FontState): CSSProperties {
  return {
    fontFamily: font.state === "ready" ? `"${font.name}"` : "inherit",
    fontSynthesis: "none",
    opacity: font.state === "loading" ? 0 : undefined,
  };
}

/** The style of a family's name: set in its own file where that has the letters for it. */
export function useNameStyle(file: HeldFile | undefined): CSSProperties {
  const can = file !== undefined && hasLatin(file.sample);
  const font = useStoredFont(can ? file.sha256 : undefined);
  return can ? inFont(font) : {};
}
