/** Two letters, or one picture, to show a file by, out of those it has; read by an earlier version, it has no sample. */
export function lettersOf(sample: string): string {
  return sample.match(/^(\p{L}{1,2}|.)/u)?.[0] ?? "Ag";
}

/** Whether texts in English can be set in the file. */
export function hasLatin(sample: string): boolean {
  return lettersOf(sample) === "Ag";
}
