import { Link } from "react-router";
import { useList } from "../shared/api/queries";
import type { HistoryEntry } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { moment } from "../shared/parts/format";

const places: Record<string, string> = {
  family: "families",
  license: "licenses",
  site: "sites",
  intake: "intake",
};

export function HistoryPage() {
  const entries = useList<HistoryEntry>("/api/history").data ?? [];
  return (
    <Leaf title="History" margin={false} below="Who did what, latest first.">
      <Line>
        <table className="sheet">
          <tbody>
            {entries.map((entry) => (
              <tr key={entry.id}>
                <td style={{ width: 190 }} className="quiet">
                  {moment(entry.at)}
                </td>
                <td style={{ width: 110 }}>{entry.by}</td>
                <td>
                  {places[entry.subjectType] ? (
                    <Link
                      to={`/${places[entry.subjectType]}/${entry.subjectId}`}
                      style={{ textDecoration: "none", color: "inherit" }}
                    >
                      {entry.text}
                    </Link>
                  ) : (
                    entry.text
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </Line>
    </Leaf>
  );
}
