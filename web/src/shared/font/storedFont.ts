import { useCallback, useSyncExternalStore, type CSSProperties } from "react";
import type { HeldFile } from "../api/types";
import { loadAt, stateOf, type FontState } from "./fontStore";
import { hasLatin } from "./sample";

const none: FontState = { state: "loading" };

/** The font at an address, loaded for as long as the page shows it. */
export function useFontAt(address: string | undefined): FontState {
  return useSyncExternalStore(
    useCallback((listener) => (address ? loadAt(address, listener) : () => undefined), [address]),
    () => (address ? stateOf(address) : none),
  );
}

/** A whole stored file, to set any text in it. */
export function useStoredFont(sha256: string | undefined): FontState {
  return useFontAt(sha256 && `/api/files/${sha256}`);
}

/** A stored file cut to the letters of a text, which is a few kilobytes: what lists and grids show of a font. */
export function useLetters(sha256: string | undefined, text: string): FontState {
  return useFontAt(sha256 && lettersAt(`/api/files/${sha256}`, text));
}

/** Where a font is found cut to the letters of a text. */
export function lettersAt(font: string, text: string): string {
  return `${font}/letters?text=${encodeURIComponent([...new Set(text)].sort().join(""))}`;
}

/** Not seen at first, and after a moment in the interface's own type, so that nothing stays blank. */
const whileLoading: CSSProperties = { opacity: 0, animation: "seen-after-all 0s 0.7s forwards" };

/**
 * The style that sets text in a font and in nothing else: no faked bold, and nothing seen while it loads. What is not
 * seen yet can be reached by keyboard all the same.
 */
export function inFont(font: FontState): CSSProperties {
  return {
    fontFamily: font.state === "ready" ? `"${font.name}"` : "inherit",
    fontSynthesis: "none",
    ...(font.state === "loading" ? whileLoading : {}),
  };
}

/** The style of letters that only show a font: nothing is seen in their place, which may be boxes, until it is loaded. */
export function onlyInFont(font: FontState): CSSProperties {
  return font.state === "loading" ? { opacity: 0 } : inFont(font);
}

/** The style of a family's name: set in its own file where that has the letters for it. */
export function useNameStyle(file: HeldFile | undefined, name: string): CSSProperties {
  const can = file !== undefined && hasLatin(file.sample);
  const font = useLetters(can ? file.sha256 : undefined, name);
  return can ? inFont(font) : {};
}
