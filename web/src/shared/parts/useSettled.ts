import { useEffect, useState } from "react";

/** A value that is typed, once typing has come to rest for a moment; the first letter counts at once. */
export function useSettled(value: string, milliseconds = 200): string {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), settled === "" ? 0 : milliseconds);
    return () => clearTimeout(timer);
  }, [value, settled, milliseconds]);
  return settled;
}
