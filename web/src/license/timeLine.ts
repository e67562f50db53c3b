import { isoDay } from "../shared/parts/format";

/** How many months are drawn. */
export const span = 18;

/** Where the parts of a license's bar stand, as shares of the months drawn: 0 is their beginning, 1 their end. */
export type Bar = { ended: boolean; endless: boolean; from: number; notice: number; to: number };

type Dates = { begins: string | null; ends: string | null; noticeDays: number };

/** The bar of a license: from today, or when it begins, to its end, with its notice period before that. */
export function barOf({ begins, ends, noticeDays }: Dates, now: Date): Bar {
  const today = share(isoDay(now), now);
  const end = ends ? share(ends, now) : 1;
  const from = clipped(Math.max(begins ? share(begins, now) : 0, today));
  const notice = ends ? share(isoDay(new Date(`${ends}T12:00`), -noticeDays), now) : 1;
  return {
    ended: ends !== null && ends < isoDay(now),
    endless: ends === null,
    from,
    notice: Math.max(from, clipped(notice)),
    to: Math.max(from, clipped(end)),
  };
}

/** How far into the months drawn a day lies. */
export function share(iso: string, now: Date): number {
  const first = new Date(now.getFullYear(), now.getMonth(), 1).getTime();
  const last = new Date(now.getFullYear(), now.getMonth() + span, 1).getTime();
  return (new Date(`${iso}T12:00`).getTime() - first) / (last - first);
}

function clipped(value: number): number {
  return Math.min(1, Math.max(0, value));
}

export function percent(value: number): string {
  return `${(100 * value).toFixed(2)}%`;
}
