import { describe, expect, it } from "vitest";
import { choices, filterOf, narrows, paramsOf, queryOf } from "./filter";

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
    expect(queryOf(of("language=pl"), "", 30)).toEqual({ limit: 30, language: "pl" });
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
    expect(queryOf(of(""), "", 30)).toEqual({ limit: 30 });
    expect(queryOf(of("variable=false&license=YES&classification=SERIF&order=NEWEST"), "o", 30)).toEqual({
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
    expect(narrows(of("order=NEWEST"), "")).toBe(false);
    expect(narrows(of("use=NO"), "")).toBe(true);
    expect(narrows(of(""), "x")).toBe(true);
  });
});
