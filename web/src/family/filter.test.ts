import { describe, expect, it } from "vitest";
import { family } from "../testing/samples";
import { choices, filterOf, headingOf, keyOf, narrows, paramsOf, queryOf } from "./filter";

const of = (address: string) => filterOf(new URLSearchParams(address));

describe("the filter of families", () => {
  it("is read from the address, and what is none of its choices narrows nothing", () => {
    expect(of("license=NO&lacking=woff2&foundry=Marl&odd=1")).toMatchObject({
      license: "NO",
      lacking: "woff2",
      foundry: "Marl",
      use: "",
    });
    expect(of("license=PERHAPS&classification=WEDGE&order=SIZE&language=latin")).toEqual(of(""));
    expect(queryOf(of("language=pl"), "")).toEqual({ limit: 30, language: "pl" });
    const [first, ...others] = choices.language.map(([, said]) => said);
    expect(first).toBe("in any language");
    expect(others).toContain("for Polish");
    expect(others).toEqual([...others].sort((a, b) => a.localeCompare(b, "en-US")));
  });

  it("is written into the address as it was read", () => {
    const filter = of("classification=SERIF&license=NO&variable=false&use=YES&order=NEWEST");
    expect(filterOf(paramsOf(filter, ""))).toEqual(filter);
    expect(paramsOf(of(""), "lato").toString()).toBe("name=lato");
    expect(paramsOf(of(""), "").toString()).toBe("");
  });

  it("asks the server for nothing that it does not narrow", () => {
    expect(queryOf(of(""), "")).toEqual({ limit: 30 });
    expect(queryOf(of("variable=false&license=YES&classification=SERIF&order=NEWEST"), "o")).toEqual({
      limit: 30,
      name: "o",
      variable: false,
      license: "YES",
      classification: "SERIF",
      order: "NEWEST",
    });
  });

  it("tells an empty inventory from a filter that fits nothing", () => {
    expect(narrows(of(""), "")).toBe(false);
    expect(narrows(of("order=NEWEST&group=CLIENT"), "")).toBe(false);
    expect(narrows(of("use=NO"), "")).toBe(true);
    expect(narrows(of(""), "x")).toBe(true);
  });
});

describe("a gathered list of families", () => {
  const under = (id: string, name: string) => ({ ...family({ id: "f" }), under: [{ id, name }] });

  it("asks for what it is gathered by, and only for what there is", () => {
    expect(queryOf(of("group=CLIENT"), "")).toEqual({ limit: 30, group: "CLIENT" });
    expect(queryOf(of("group=SHELF"), "")).toEqual({ limit: 30 });
  });

  it("has a heading where another foundry or client begins", () => {
    const list = [under("c1", "Fern"), under("c1", "Fern"), under("c2", "Fern"), under("", "")];
    expect(list.map((one, i) => headingOf("CLIENT", one, list[i - 1]))).toEqual([
      "Fern",
      undefined,
      "Fern",
      "No client",
    ]);
    expect(headingOf("FOUNDRY", under("", ""))).toBe("No foundry named");
    expect(headingOf("", { ...family(), under: [] })).toBeUndefined();
  });

  it("has a row of its own for a family under each client", () => {
    expect(keyOf(under("c1", "Fern"))).not.toBe(keyOf(under("c2", "Moor")));
    expect(keyOf({ ...family({ id: "f" }), under: [] })).toBe("f");
  });
});
