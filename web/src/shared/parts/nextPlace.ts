/** How many things each row of a grid or list has that can be walked to, and the place one is at. */
export type Place = { row: number; column: number };

/** Where a key leads from a place; the same place when it leads nowhere, null for any other key. */
export function nextPlace(key: string, from: Place, widths: number[]): Place | null {
  const last = widths.length - 1;
  const at = (row: number, column: number): Place => ({
    row,
    column: Math.max(0, Math.min(column, (widths[row] ?? 1) - 1)),
  });
  switch (key) {
    case "ArrowUp":
      return from.row > 0 ? at(from.row - 1, from.column) : from;
    case "ArrowDown":
      return from.row < last ? at(from.row + 1, from.column) : from;
    case "ArrowLeft":
      return at(from.row, from.column - 1);
    case "ArrowRight":
      return at(from.row, from.column + 1);
    case "Home":
      return at(0, 0);
    case "End":
      return at(last, 0);
    default:
      return null;
  }
}
