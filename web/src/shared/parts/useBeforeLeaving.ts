import { useEffect } from "react";

/** Has the browser ask before a page with unsaved edits is closed or loaded anew. */
export function useBeforeLeaving(unsaved: boolean) {
  useEffect(() => {
    if (!unsaved) {
      return;
    }
    const ask = (event: BeforeUnloadEvent) => event.preventDefault();
    window.addEventListener("beforeunload", ask);
    return () => window.removeEventListener("beforeunload", ask);
  }, [unsaved]);
}
