import { isLost } from "./lost";
import type { ReactNode } from "react";

/** What is asked of the server: its answer, or why there is none. */
export type Asked<T> = { data: T | undefined; error: Error | null; refetch: () => unknown };

/** An answer once it is there; until then its shape in ruled lines, and after a failure what failed, with another try. */
export function Shown<T>({
  of,
  lines = 5,
  children,
}: {
  of: Asked<T>;
  lines?: number;
  children: (data: T) => ReactNode;
}) {
  if (of.data !== undefined) {
    return children(of.data);
  }
  return of.error ? <Failure error={of.error} again={() => void of.refetch()} /> : <Loading lines={lines} />;
}

export function Loading({ lines = 5 }: { lines?: number }) {
  return (
    <div className="loading" role="status" aria-label="Loading">
      {Array.from({ length: lines }, (_, i) => (
        <span key={i} />
      ))}
    </div>
  );
}

/** What failed, in the place where it would stand; the rest of the page stays. */
export function Failure({ error, again }: { error: Error; again?: () => void }) {
  return (
    <div className="failure" role="alert">
      <b>{isLost(error) ? "Couldn’t load this part of Unciala." : "Couldn’t load this."}</b>{" "}
      <span>{error.message}</span>
      {again && (
        <div>
          <button type="button" className="act" onClick={again}>
            Try again
          </button>
        </div>
      )}
    </div>
  );
}
