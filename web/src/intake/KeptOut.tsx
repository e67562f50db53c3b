import type { FileRow } from "../shared/api/types";
import { Line } from "../shared/layout/Leaf";
import { baseName, count, kB } from "../shared/parts/format";
import { verdictWords } from "./states";

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
        Kept out <small>{count(rows.length, "file")}</small>
      </h2>
      <table className="sheet">
        <tbody>
          {sorted.map((row) => (
            <tr key={row.id}>
              <td style={{ width: 120 }}>
                <b style={{ color: row.verdict === "DAMAGED" ? "var(--rubric)" : "inherit" }}>
                  {verdictWords[row.verdict]}
                </b>
              </td>
              <td style={{ overflowWrap: "anywhere", width: 230 }}>
                {baseName(row.path)}
                {row.path !== baseName(row.path) && (
                  <div className="quiet" style={{ fontSize: 15 }}>
                    {row.path}
                  </div>
                )}
              </td>
              <td>{row.because}</td>
              <td className="number" style={{ whiteSpace: "nowrap" }}>
                {kB(row.bytes)}
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </Line>
  );
}
