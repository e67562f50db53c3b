import type { Flag, License } from "../shared/api/types";
import { Line } from "../shared/layout/Leaf";
import { Copy } from "../shared/parts/Copy";
import { letter, words } from "./words";

/** The open questions of a license, as a letter to copy. */
export function AskTheVendor({ license, questions }: { license: License; questions: Flag[] }) {
  const asked = [...new Set(questions.map((flag) => flag.question))];
  if (asked.length === 0) {
    return null;
  }
  const text = letter(license.terms.vendor, license.terms.name, asked);
  return (
    <Line id="ask">
      <h2 className="section">
        {words.ask} <Copy text={text} />
      </h2>
      <p className="letter">{text}</p>
    </Line>
  );
}
