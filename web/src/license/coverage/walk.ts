/** A crossing by the numbers of its row and column. */
export type At = { row: number; column: number };

/** Where a key leads from a crossing, or null when it leads nowhere; `size` is that of the whole table. */
export function step(
  key: string,
  at: At,
  size: { rows: number; columns: number },
  name: (row: number) => string | undefined,
): At | null {
  const last = { row: size.rows - 1, column: size.columns - 1 };
  const within = (to: At): At => ({
    row: Math.min(last.row, Math.max(0, to.row)),
    column: Math.min(last.column, Math.max(0, to.column)),
  });
  switch (key) {
    case "ArrowUp":
      return within({ ...at, row: at.row - 1 });
    case "ArrowDown":
      return within({ ...at, row: at.row + 1 });
    case "ArrowLeft":
      return within({ ...at, column: at.column - 1 });
    case "ArrowRight":
      return within({ ...at, column: at.column + 1 });
    case "PageUp":
      return within({ ...at, row: at.row - 10 });
    case "PageDown":
      return within({ ...at, row: at.row + 10 });
    case "Home":
      return { ...at, column: 0 };
    case "End":
      return { ...at, column: last.column };
    default:
      return /^\p{L}$/u.test(key) ? jump(key.toLowerCase(), at, size.rows, name) : null;
  }
}

/** The next family that begins with a letter, from the top again after the last; only those read so far are known. */
function jump(letter: string, at: At, rows: number, name: (row: number) => string | undefined): At | null {
  for (let i = 1; i <= rows; i++) {
    const row = (at.row + i) % rows;
    if (name(row)?.toLowerCase().startsWith(letter)) {
      return { ...at, row };
    }
  }
  return null;
}
