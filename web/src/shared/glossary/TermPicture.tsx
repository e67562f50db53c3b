import type { ReactNode } from "react";
import type { GlossaryTerm } from "./glossary";

/** A small drawing of what a term of the glossary means. */
export function TermPicture({ of }: { of: GlossaryTerm }) {
  return (
    <svg
      className="term-picture"
      width="44"
      height="26"
      viewBox="0 0 44 26"
      fill="none"
      stroke="currentColor"
      strokeWidth="1.4"
      strokeLinecap="round"
      strokeLinejoin="round"
      aria-hidden
    >
      {pictures[of]}
    </svg>
  );
}

/** The stem of a letter with its serifs, thinner or bolder. */
function Stem({ x, width }: { x: number; width: number }) {
  return (
    <>
      <path d={`M${x} 5v16`} strokeWidth={width} strokeLinecap="butt" />
      <path d={`M${x - 4} 4.500h8M${x - 4} 21.500h8`} strokeWidth="1.2" />
    </>
  );
}

function Cells({ filled, dashed }: { filled: readonly number[]; dashed?: number }) {
  return (
    <>
      {[0, 1, 2, 3, 4, 5].map((cell) => (
        <rect
          key={cell}
          x={4 + (cell % 3) * 13}
          y={3 + Math.floor(cell / 3) * 11}
          width="10"
          height="8"
          fill={filled.includes(cell) ? "currentColor" : "none"}
          strokeDasharray={cell === dashed ? "2 2" : undefined}
          strokeOpacity={filled.includes(cell) || cell === dashed ? 1 : 0.35}
        />
      ))}
    </>
  );
}

const pictures: Record<GlossaryTerm, ReactNode> = {
  family: (
    <>
      <Stem x={9} width={1.5} />
      <Stem x={22} width={3.5} />
      <Stem x={35} width={6} />
    </>
  ),
  face: <Stem x={22} width={3.5} />,
  slot: <Cells filled={[0, 1, 4]} dashed={2} />,
  intake: <path d="M22 2v12m-5-5 5 5 5-5M6 15v8h32v-8" />,
  pack: <path d="M8 7h28v16H8zM8 7l4-4h20l4 4M22 3v9M13 17h8" />,
  flag: <path d="M14 21 22 6l8 15" strokeWidth="2.200" />,
  margin: <path d="M7 3h30v20H7zM27 3v20M11 8h12M11 12h12M11 16h9M30 9h4M30 12h4" />,
  asked: <Cells filled={[]} dashed={1} />,
  held: <Cells filled={[1]} />,
  allowed: <path d="m13 14 6 6L32 6" strokeWidth="2.200" />,
};
