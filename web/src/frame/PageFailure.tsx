import type { FallbackProps } from "react-error-boundary";
import { Link } from "react-router";
import { Leaf, Line } from "../shared/layout/Leaf";
import { Failure } from "../shared/states/States";
import { words } from "./words";

/** In place of a page that could not be shown; the rail stays. */
export function PageFailure({ error, resetErrorBoundary }: FallbackProps) {
  return (
    <Leaf title={words.failed} below={words.failedWhy} margin={false}>
      <Line>
        <Failure
          error={error instanceof Error ? error : new Error(String(error))}
          again={resetErrorBoundary}
        />
        <p>
          <Link to="/">{words.toToday}</Link>
        </p>
      </Line>
    </Leaf>
  );
}
