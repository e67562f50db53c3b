import type { FormatPlan } from "../shared/api/types";
import type { Option } from "../shared/parts/Choice";
import { count } from "../shared/parts/format";

/** The web formats that can be made, the usual one first. */
export const formatsToMake: Option[] = [
  ["woff2", "WOFF2"],
  ["woff", "WOFF"],
  ["eot", "EOT"],
  ["svg", "SVG"],
];

/** What can be made of the faces that lack a format, in words and in numbers of faces. */
export function offer(faces: FormatPlan["faces"], format: string) {
  const those = (verdict: string) => faces.filter((face) => face.verdict === verdict);
  const [allowed, notStated, refused] = [those("ALLOWED"), those("NOT_STATED"), those("REFUSED")];
  const numbers = { allowed: allowed.length, notStated: notStated.length, refused: refused.length };
  if (faces.length === 0) {
    return { ...numbers, sentence: "– every face holds it." };
  }
  const parts = [
    notStated.length > 0 &&
      `for ${count(notStated.length, "face")} no license says whether it may be converted (${notStated[0]?.reason})`,
    refused.length > 0 && `${count(refused.length, "face")} may not be converted (${refused[0]?.reason})`,
  ].filter((part) => part !== false);
  const lack = `– ${count(faces.length, "face lacks", "faces lack")} ${format}`;
  return { ...numbers, sentence: `${[lack, ...parts].join("; ")}.` };
}
