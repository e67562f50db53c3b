/** A list in parts of a size, in order; the last part may be shorter. */
export function chunks<T>(items: T[], size: number): T[][] {
  const all: T[][] = [];
  for (let i = 0; i < items.length; i += size) {
    all.push(items.slice(i, i + size));
  }
  return all;
}
