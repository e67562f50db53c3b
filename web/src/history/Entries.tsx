import { Link } from "react-router";
import { usePeople } from "../account/session";
import type { HistoryEntry } from "../shared/api/types";
import { localDates, moment } from "../shared/parts/format";
import { changeInWords, placeOf } from "./words";

/** Entries of the history, latest first; a long list of changes is folded. */
export function Entries({ entries, linked }: { entries: HistoryEntry[]; linked?: boolean }) {
  const people = usePeople();
  return (
    <table className="sheet history">
      <tbody>
        {entries.map((entry) => {
          const place = linked ? placeOf(entry.subjectType, entry.subjectId) : null;
          return (
            <tr key={entry.id}>
              <td className="quiet when">{moment(entry.at)}</td>
              <td className="who">{people(entry.by)}</td>
              <td>
                {place ? <Link to={place}>{localDates(entry.text)}</Link> : localDates(entry.text)}
                {linked && entry.subjectType === "flag" && <div className="quiet">{entry.subjectName}</div>}
                {entry.undone && <span className="quiet"> (taken back)</span>}
                <Changes entry={entry} />
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function Changes({ entry }: { entry: HistoryEntry }) {
  const lines = entry.changes.map(changeInWords);
  if (lines.length === 0) {
    return null;
  }
  const list = (
    <ul className="changes">
      {lines.map((line) => (
        <li key={line}>{line}</li>
      ))}
    </ul>
  );
  return lines.length <= 3 ? (
    list
  ) : (
    <details>
      <summary>{lines.length} fields</summary>
      {list}
    </details>
  );
}
