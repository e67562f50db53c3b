import { Link } from "react-router";
import { Leaf, Line } from "../layout/Leaf";

/** In place of a record: why it cannot be shown, or its empty page while it is on its way. */
export function NotHere({ error, all, allWords }: { error: Error | null; all: string; allWords: string }) {
  return error ? (
    <Leaf title="Not here" below={error.message}>
      <Line>
        <Link to={all}>{allWords}</Link>
      </Line>
    </Leaf>
  ) : (
    <Leaf title="…">
      <Line>
        <div className="loading" role="status" aria-label="Loading" />
      </Line>
    </Leaf>
  );
}
