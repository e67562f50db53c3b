import { useEffect } from "react";
import { useLocation } from "react-router";

/** Goes to the part of the page that the address names after its `#`, once it is there, and leads the keyboard there. */
export function useGoToHash(ready: boolean) {
  const { hash, key } = useLocation();
  useEffect(() => {
    const part = ready && hash.length > 1 ? document.getElementById(decodeURIComponent(hash.slice(1))) : null;
    if (part) {
      part.scrollIntoView();
      part.querySelector<HTMLElement>("input, button, a[href]")?.focus({ preventScroll: true });
    }
  }, [ready, hash, key]);
}
