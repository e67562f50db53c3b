const square = { width: 18, height: 18, viewBox: "0 0 18 18", fill: "none", stroke: "currentColor" };

/** A box to mark, drawn with the same pen as the signs; marked by a stroke through it. */
export function box(marked: boolean) {
  return (
    <svg {...square} strokeWidth="1.4" aria-hidden="true">
      <path d="M2.5 2.500h13v13h-13z" />
      {marked && <path d="M4.500 9.500 8 13.500 15.500 3" strokeWidth="2.200" />}
    </svg>
  );
}

/** Two strokes that take away what stands before them. */
export const cross = (
  <svg {...square} width={14} height={14} strokeWidth="1.6" aria-hidden="true">
    <path d="M4 4l10 10M14 4 4 14" />
  </svg>
);
