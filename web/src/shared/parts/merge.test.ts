import { describe, expect, it } from "vitest";
import { merge, same } from "./merge";

const base = { name: "Ostrel", domains: ["a.example"], price: 10, note: "" };

describe("merge", () => {
  it("keeps mine and takes theirs where only one side changed", () => {
    const merged = merge(base, { ...base, name: "Mine" }, { ...base, price: 20 });
    expect(merged.value).toEqual({ ...base, name: "Mine", price: 20 });
    expect(merged.taken).toEqual(["price"]);
    expect(merged.collisions).toEqual([]);
  });

  it("asks where both changed the same field, and keeps mine until told otherwise", () => {
    const merged = merge(base, { ...base, domains: ["b.example"] }, { ...base, domains: ["c.example"] });
    expect(merged.value.domains).toEqual(["b.example"]);
    expect(merged.collisions).toEqual([
      { field: "domains", base: ["a.example"], mine: ["b.example"], theirs: ["c.example"] },
    ]);
  });

  it("is no collision when both came to the same", () => {
    const both = { ...base, note: "proof is filed" };
    expect(merge(base, both, { ...both })).toEqual({ value: both, taken: [], collisions: [] });
  });

  it("takes a field that appeared or went on the other side", () => {
    const merged = merge<Record<string, unknown>>({ a: 1, b: 2 }, { a: 1, b: 2 }, { a: 1, c: 3 });
    expect(merged.value).toEqual({ a: 1, c: 3 });
    expect(merged.taken.sort()).toEqual(["b", "c"]);
  });

  it("loses nothing that was typed, whatever the other side did", () => {
    const values = ["", "x", "y", null, 0];
    for (const from of values) {
      for (const mine of values) {
        for (const theirs of values) {
          const merged = merge<{ f: unknown }>({ f: from }, { f: mine }, { f: theirs });
          if (!same(mine, from)) {
            expect(merged.value.f).toEqual(mine);
          } else {
            expect(merged.value.f).toEqual(theirs);
          }
        }
      }
    }
  });
});

describe("same", () => {
  it("compares by content, whatever the order of an object's fields", () => {
    expect(same({ a: [1, { b: 2 }], c: null }, { c: null, a: [1, { b: 2 }] })).toBe(true);
    expect(same([1, 2], [2, 1])).toBe(false);
    expect(same([], {})).toBe(false);
    expect(same({ a: undefined }, {})).toBe(true);
    expect(same(null, undefined)).toBe(false);
  });
});
