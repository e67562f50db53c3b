import { describe, expect, it } from "vitest";
import { historyQuery } from "./filter";

describe("the history's filter", () => {
  it("asks for days of the reader's own clock, the last one whole", () => {
    const query = historyQuery(new URLSearchParams("from=2030-05-01&until=2030-05-01&by=priya&odd=1"));
    expect(query).toEqual({
      limit: 60,
      by: "priya",
      from: new Date(2030, 4, 1).toISOString(),
      until: new Date(2030, 4, 2).toISOString(),
    });
  });

  it("asks for everything when nothing sensible is given", () => {
    expect(historyQuery(new URLSearchParams("from=soon&until=&by="))).toEqual({ limit: 60 });
  });
});
