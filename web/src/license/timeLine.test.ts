import { describe, expect, it } from "vitest";
import { barOf, percent, share } from "./timeLine";

const now = new Date(2026, 10, 25, 9);
const dates = (begins: string | null, ends: string | null, noticeDays = 30) => ({ begins, ends, noticeDays });

describe("the bar of a license", () => {
  it("stands between the first and the last month drawn", () => {
    expect(share("2026-11-01", now)).toBeCloseTo(0, 2);
    expect(share("2028-05-01", now)).toBeCloseTo(1, 2);
    expect(share("2027-08-01", now)).toBeCloseTo(0.5, 1);
  });

  it("goes from today to its end, with the notice before that", () => {
    const bar = barOf(dates("2026-01-01", "2027-05-25", 90), now);
    expect(bar.ended).toBe(false);
    expect(bar.from).toBeCloseTo(share("2026-11-25", now), 5);
    expect(bar.to).toBeCloseTo(share("2027-05-25", now), 5);
    expect(bar.notice).toBeCloseTo(share("2027-02-24", now), 2);
    expect(bar.from).toBeLessThan(bar.notice);
    expect(bar.notice).toBeLessThan(bar.to);
  });

  it("begins later when the license does, and is clipped at the last month", () => {
    const bar = barOf(dates("2027-02-01", "2031-01-01"), now);
    expect(bar.from).toBeCloseTo(share("2027-02-01", now), 5);
    expect(bar.to).toBe(1);
    expect(bar.notice).toBe(1);
  });

  it("is all notice when that has begun, and ended the day after its end", () => {
    const bar = barOf(dates(null, "2026-12-05", 30), now);
    expect(bar.notice).toBe(bar.from);
    expect(barOf(dates(null, "2026-11-25"), now).ended).toBe(false);
    expect(barOf(dates(null, "2026-11-24"), now).ended).toBe(true);
  });

  it("does not end without an end", () => {
    expect(barOf(dates(null, null), now)).toMatchObject({ endless: true, ended: false, notice: 1, to: 1 });
  });

  it("never has a part of less than no width, whatever its days", () => {
    const days = ["2020-01-01", "2026-11-25", "2026-12-01", "2027-06-30", "2040-01-01", null];
    for (const begins of days) {
      for (const ends of days) {
        for (const notice of [0, 30, 3650]) {
          const bar = barOf(dates(begins, ends, notice), now);
          expect(bar.from).toBeGreaterThanOrEqual(0);
          expect(bar.notice).toBeGreaterThanOrEqual(bar.from);
          expect(bar.to).toBeGreaterThanOrEqual(bar.from);
          expect(bar.to).toBeLessThanOrEqual(1);
        }
      }
    }
  });

  it("is placed in per cent", () => {
    expect(percent(0.12345)).toBe("12.35%");
  });
});
