import { Link } from "react-router";
import { ProblemError } from "../api/client";
import { Leaf, Line } from "../layout/Leaf";
import { Failure, Loading } from "./States";

/** In place of a record: that there is none, why it cannot be shown, or its empty page while it is on its way. */
export function NotHere(props: { error: Error | null; again?: () => void; all: string; allWords: string }) {
  const { error } = props;
  if (!error) {
    return (
      <Leaf title="…">
        <Line>
          <Loading />
        </Line>
      </Leaf>
    );
  }
  const gone = error instanceof ProblemError && error.status === 404;
  return (
    <Leaf title={gone ? "Not found" : "Couldn’t load this"} below={gone ? error.message : undefined}>
      <Line>
        {!gone && <Failure error={error} again={props.again} />}
        <p>
          <Link to={props.all}>{props.allWords}</Link>
        </p>
      </Line>
    </Leaf>
  );
}
