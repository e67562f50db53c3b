import type { FileRow } from "../shared/api/types";
import { Line } from "../shared/layout/Leaf";
import { baseName, count, kB } from "../shared/parts/format";
import { verdictWords, words } from "./words";

const order: FileRow["verdict"][] = ["DAMAGED", "LICENSE_TEXT", "NOT_A_FONT"];

/** The files that are no fonts or cannot be read, each named with the reason. */
export function KeptOut({ rows }: { rows: FileRow[] }) {
  if (rows.length === 0) {
    return null;
  }
  const sorted = [...rows].sort((a, b) => order.indexOf(a.verdict) - order.indexOf(b.verdict));
  return (
    <Line>
      <h2 className="section">
        {words.keptOut} <small>{count(rows.length, "file")}</small>
      </h2>
      <ul className="bare-list">
        {sorted.map((row) => (
          <li key={row.id} className="kept-out">
            <b className={row.verdict === "DAMAGED" ? "rubric" : undefined}>{verdictWords[row.verdict]}</b>
            <div className="breaks">
              {baseName(row.path)}
              {row.path !== baseName(row.path) && <div className="quiet small">{row.path}</div>}
            </div>
            <div className="breaks">{row.because}</div>
            <div className="number">{kB(row.bytes)}</div>
          </li>
        ))}
      </ul>
    </Line>
  );
}
