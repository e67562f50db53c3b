import { describe, expect, it } from "vitest";
import { choices, filterOf, narrows, paramsOf, queryOf } from "./filter";

const all = { basis: "", holder: "", state: "" };

describe("the filter of licenses", () => {
  it("is what stands in the address, and what is unknown there narrows nothing", () => {
    expect(filterOf(new URLSearchParams("basis=TRIAL&state=ENDED&holder=c1"))).toEqual({
      basis: "TRIAL",
      holder: "c1",
      state: "ENDED",
    });
    expect(filterOf(new URLSearchParams("basis=GIFT&state=gone"))).toEqual(all);
  });

  it("comes back from the address that it makes", () => {
    for (const [basis] of choices.basis) {
      for (const [state] of choices.state) {
        const filter = { basis, holder: "agency", state };
        expect(filterOf(paramsOf(filter, "penm"))).toEqual(filter);
      }
    }
    expect(paramsOf(all, "").toString()).toBe("");
    expect(paramsOf(all, "a b").get("name")).toBe("a b");
  });

  it("asks for no more than what narrows", () => {
    expect(queryOf(all, "", 40)).toEqual({ order: "ends", limit: 40 });
    expect(queryOf({ ...all, state: "ENDING" }, "x", 40)).toMatchObject({ state: "ENDING", name: "x" });
    expect(narrows(all, "")).toBe(false);
    expect(narrows({ ...all, holder: "agency" }, "")).toBe(true);
    expect(narrows(all, "x")).toBe(true);
  });
});
