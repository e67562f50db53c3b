import type { License } from "../shared/api/types";
import { day, isoDay } from "../shared/parts/format";

const span = 18;

/** The months over which licenses are drawn, this one first. */
export function Months() {
  const now = new Date();
  return (
    <div className="timeline">
      <div className="months">
        {Array.from({ length: span }, (_, i) => {
          const month = new Date(now.getFullYear(), now.getMonth() + i, 1);
          const name = month.toLocaleDateString(undefined, { month: "narrow" });
          return (
            <span key={i}>
              {i === 0 || month.getMonth() === 0 ? `${name} ${String(month.getFullYear()).slice(2)}` : name}
            </span>
          );
        })}
      </div>
    </div>
  );
}

/** One license: a bar from today to its end, hatched in its notice period; without an end it fades out. */
export function Track({ license }: { license: License }) {
  const { ends, begins, noticeDays } = license.terms;
  const end = ends ? share(ends) : 1;
  const start = begins ? Math.max(0, share(begins)) : 0;
  const notice = ends ? Math.max(start, end - (noticeDays ?? 0) / (span * 30.4)) : end;
  const today = share(isoDay(new Date()));
  const words = ends ? (end < today ? `ended ${day(ends)}` : `until ${day(ends)}`) : "does not end";
  const from = Math.max(start, today);
  return (
    <div className="track" role="img" aria-label={words} title={words}>
      {end < today ? (
        <>
          <span className="bar ended" style={{ left: 0 }} />
          <span style={{ position: "absolute", left: 12, top: 11, color: "var(--rubric)", fontSize: 15 }}>
            {words}
          </span>
        </>
      ) : (
        <>
          <span
            className={ends ? "bar" : "bar endless"}
            style={{ left: percent(from), width: percent(Math.max(0, Math.min(1, notice) - from)) }}
          />
          {ends && notice < 1 && (
            <span
              className="bar notice"
              style={{
                left: percent(Math.max(from, notice)),
                width: percent(Math.min(1, end) - Math.max(from, notice)),
              }}
            />
          )}
          {ends && (
            <span
              className="quiet"
              style={{
                position: "absolute",
                left: `calc(${percent(Math.min(end, 0.8))} + 8px)`,
                top: 11,
                fontSize: 15,
              }}
            >
              {words}
            </span>
          )}
        </>
      )}
    </div>
  );
}

/** How far into the shown months a day lies, 0 to 1 within them. */
function share(iso: string): number {
  const now = new Date();
  const first = new Date(now.getFullYear(), now.getMonth(), 1).getTime();
  const last = new Date(now.getFullYear(), now.getMonth() + span, 1).getTime();
  return (new Date(`${iso}T12:00`).getTime() - first) / (last - first);
}

function percent(value: number): string {
  return `${(100 * value).toFixed(2)}%`;
}
