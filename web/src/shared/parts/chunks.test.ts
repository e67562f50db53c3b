import { expect, it } from "vitest";
import { chunks } from "./chunks";

it("parts a list in order, without losing or repeating an item", () => {
  expect(chunks([1, 2, 3, 4, 5], 2)).toEqual([[1, 2], [3, 4], [5]]);
  expect(chunks([], 3)).toEqual([]);
  expect(chunks([1, 2], 2)).toEqual([[1, 2]]);
});
