/** Where readings are sent: the address of this inventory, and a key for one reading if there is one. */
export type Target = { server: string; key: string | null };

/** What is pasted into a console to read the page that is open there. */
export function forConsole(reader: string, target: Target): string {
  return `(()=>{${reader};readPage(${JSON.stringify(target)})})()`;
}

/** The same as the address of a bookmark. */
export function asBookmark(reader: string, target: Target): string {
  return `javascript:${encodeURIComponent(`${forConsole(reader, target)};void 0`)}`;
}

/** A reading as somebody pasted it, or nothing where it is no JSON of an object. */
export function pastedReading(text: string): Record<string, never> | null {
  try {
    const value: unknown = JSON.parse(text);
    return typeof value === "object" && value !== null && !Array.isArray(value)
      ? (value as Record<string, never>)
      : null;
  } catch {
    return null;
  }
}
