import type { License } from "../shared/api/types";
import { locale } from "../shared/parts/format";
import { barOf, percent, span } from "./timeLine";
import { endInWords } from "./words";

const monthName = new Intl.DateTimeFormat(locale, { month: "narrow" });

/** The months over which licenses are drawn, this one first. */
export function Months() {
  const now = new Date();
  return (
    <div className="timeline" aria-hidden="true">
      <div className="months">
        {Array.from({ length: span }, (_, i) => {
          const month = new Date(now.getFullYear(), now.getMonth() + i, 1);
          const first = i === 0 || month.getMonth() === 0;
          return (
            <span key={i} className={first ? "year" : undefined}>
              {first && <b>{month.getFullYear()}</b>}
              {monthName.format(month)}
            </span>
          );
        })}
      </div>
    </div>
  );
}

/** One license: a bar from today to its end, hatched in its notice period; without an end it fades out. */
export function Track({ license }: { license: License }) {
  const bar = barOf(license.terms, new Date());
  const words = endInWords(license.terms.ends, bar.ended);
  return (
    <div className="track" role="img" aria-label={words} title={words}>
      {bar.ended ? (
        <>
          <span className="bar ended" />
          <span className="bar-words rubric">{words}</span>
        </>
      ) : (
        <>
          <span
            className={bar.endless ? "bar endless" : "bar"}
            style={{ left: percent(bar.from), width: percent(bar.notice - bar.from) }}
          />
          <span
            className="bar notice"
            style={{ left: percent(bar.notice), width: percent(bar.to - bar.notice) }}
          />
          {!bar.endless && (
            <span
              className="bar-words quiet"
              style={{ left: `calc(${percent(Math.min(bar.to, 0.78))} + 8px)` }}
            >
              {words}
            </span>
          )}
        </>
      )}
    </div>
  );
}
