import { useEffect, useId, useSyncExternalStore } from "react";

const unsaved = new Set<string>();
const listeners = new Set<() => void>();

function subscribe(listener: () => void) {
  listeners.add(listener);
  return () => void listeners.delete(listener);
}

function mark(form: string, dirty: boolean) {
  if (dirty ? !unsaved.has(form) : unsaved.has(form)) {
    if (dirty) {
      unsaved.add(form);
    } else {
      unsaved.delete(form);
    }
    listeners.forEach((listener) => listener());
  }
}

/** Says whether a form has edits that are not saved, so that leaving the page asks first. */
export function useUnsaved(dirty: boolean) {
  const form = useId();
  useEffect(() => {
    mark(form, dirty);
    return () => mark(form, false);
  }, [form, dirty]);
}

/** Whether any form on the page has edits that are not saved. */
export function useAnyUnsaved(): boolean {
  return useSyncExternalStore(subscribe, () => unsaved.size > 0);
}
