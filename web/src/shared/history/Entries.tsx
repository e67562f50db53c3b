import { Link } from "react-router";
import { usePeople } from "../account/session";
import type { HistoryEntry } from "../api/types";
import { moment, number } from "../parts/format";
import { changeInWords, placeOf } from "./words";

/** Entries of the history, latest first. */
export function Entries({ entries, linked }: { entries: HistoryEntry[]; linked?: boolean }) {
  return (
    <div className="history">
      {entries.map((entry) => (
        <Entry key={entry.id} entry={entry} linked={linked} />
      ))}
    </div>
  );
}

/** Who did what and when; a long list of changes is folded. */
export function Entry({ entry, linked }: { entry: HistoryEntry; linked?: boolean }) {
  const people = usePeople();
  const place = linked ? placeOf(entry.subjectType, entry.subjectId) : null;
  return (
    <div className="history-entry">
      <span className="quiet">{moment(entry.at)}</span>
      <span>{people(entry.by)}</span>
      <div>
        {place ? <Link to={place}>{entry.text}</Link> : entry.text}
        {linked && entry.subjectType === "flag" && <div className="quiet">{entry.subjectName}</div>}
        {entry.undone && <span className="quiet"> (undone)</span>}
        <Changes entry={entry} />
      </div>
    </div>
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
      <summary>{number(lines.length)} fields</summary>
      {list}
    </details>
  );
}
