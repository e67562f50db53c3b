import type { Verdict as Value } from "../api/types";

const words: Record<Value, [string, string]> = {
  ALLOWED: ["✓", "Allowed"],
  NOT_STATED: ["?", "Not stated"],
  REFUSED: ["✕", "Refused"],
};

/** A license decision: a sign, a word and a color. */
export function Verdict({ value }: { value: Value }) {
  const [sign, word] = words[value];
  return (
    <span className={`verdict ${value.toLowerCase()}`}>
      <span aria-hidden="true">{sign}</span>
      {word}
    </span>
  );
}
