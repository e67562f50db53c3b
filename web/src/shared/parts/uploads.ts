import { count } from "./format";

/** What was dropped, in words. */
export function uploadsInWords(uploads: string[]): string {
  const [first = "", ...rest] = uploads;
  return rest.length === 0 ? first : `${first} and ${count(rest.length, "more file")}`;
}
