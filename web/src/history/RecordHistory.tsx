import { Link } from "react-router";
import { usePages } from "../shared/api/queries";
import type { HistoryEntry } from "../shared/api/types";
import { Entries } from "./Entries";

/** The latest entries about one record, on its own page. */
export function RecordHistory({ type, id }: { type: string; id: string }) {
  const entries = usePages<HistoryEntry>(`/api/history?type=${type}&subject=${id}&limit=5`).items;
  if (!entries || entries.length === 0) {
    return null;
  }
  return (
    <>
      <h2 className="section">
        History <small>who did what here, latest first</small>
      </h2>
      <Entries entries={entries.slice(0, 5)} />
      <p>
        <Link to={`/history?type=${type}&subject=${id}`}>All of it</Link>
      </p>
    </>
  );
}
