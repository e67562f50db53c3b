import { useEffect, useState } from "react";
import type { HeldFile } from "../shared/api/types";
import { hasLatin } from "../shared/parts/sample";

const loads = new Map<string, Promise<string>>();

/** Loads a font from its address under a name of its own, once, and gives that name when text can be set in it. */
function load(address: string): Promise<string> {
  let loading = loads.get(address);
  if (!loading) {
    const name = `stored-${loads.size}`;
    const face = new FontFace(name, `url("${address}")`);
    loading = face.load().then((loaded) => {
      document.fonts.add(loaded);
      return name;
    });
    loads.set(address, loading);
  }
  return loading;
}

/** The family name under which the very file at an address is set, "" while it loads, null when it cannot be. */
export function useFontAt(address: string | undefined): string | null {
  const [name, setName] = useState<string | null>("");
  useEffect(() => {
    let current = true;
    setName("");
    if (address) {
      load(address).then(
        (loaded) => current && setName(loaded),
        () => current && setName(null),
      );
    }
    return () => {
      current = false;
    };
  }, [address]);
  return name;
}

export function useStoredFont(sha256: string | undefined): string | null {
  return useFontAt(sha256 && `/api/files/${sha256}`);
}

/** The style that sets text in a stored file and in nothing else: no faked bold, no fallback while it loads. */
export function inFont(name: string | null): React.CSSProperties {
  return {
    fontFamily: name ? `"${name}"` : "inherit",
    fontSynthesis: "none",
    visibility: name === "" ? "hidden" : undefined,
  };
}

/** The style of a family's name: set in its own file where that has the letters for it. */
export function useNameStyle(file: HeldFile | undefined): React.CSSProperties {
  const can = file !== undefined && hasLatin(file.sample);
  const font = useStoredFont(can ? file.sha256 : undefined);
  return can ? inFont(font) : {};
}
