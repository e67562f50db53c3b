import { Link } from "react-router";
import { usePages } from "../api/queries";
import { Failure } from "../states/States";
import { Entries } from "./Entries";

const LATEST = 5;

/** The latest entries about one record, on its own page. */
export function RecordHistory({ type, id }: { type: string; id: string }) {
  const { items, error, again } = usePages("/api/history", { type, subject: id, limit: LATEST });
  if (error) {
    return <Failure error={error} again={again} />;
  }
  if (!items || items.length === 0) {
    return null;
  }
  return (
    <>
      <h2 className="section">
        History <small>who did what here, latest first</small>
      </h2>
      <Entries entries={items.slice(0, LATEST)} />
      <p>
        <Link to={`/history?type=${type}&subject=${id}`}>All of it</Link>
      </p>
    </>
  );
}
