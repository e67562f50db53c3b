import type { Verdict as Value } from "../api/types";

const words: Record<Value, [string, string]> = {
  ALLOWED: ["✓", "Allowed"],
  NOT_STATED: ["?", "Not stated"],
  REFUSED: ["✕", "Refused"],
};

/** A license decision, or what one clause says: a sign, a word and a color. */
export function Verdict({ value, said = "decision" }: { value: Value; said?: "decision" | "clause" }) {
  const [sign, decided] = words[value];
  const word = said === "clause" && value === "ALLOWED" ? "Granted" : decided;
  return (
    <span className={`verdict ${value.toLowerCase()}`}>
      <span aria-hidden="true">{sign}</span>
      {word}
    </span>
  );
}
