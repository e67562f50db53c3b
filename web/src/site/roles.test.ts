import { describe, expect, it } from "vitest";
import { staticSlot } from "../shared/font/slots";
import type { Family, HeldFile, Role } from "../shared/api/types";
import { role as roleIn } from "../testing/samples";
import { domainsIn } from "../shared/parts/domains";
import { byRole, inOrder, roleInWords, weigh } from "./roles";
import { weightInWords } from "./words";

const regular = staticSlot(400, "upright");
const role = (name: Role["role"], familyId: string): Role => roleIn(name, familyId, [regular]);

describe("a site", () => {
  it("takes pasted lists of domains apart", () => {
    expect(domainsIn("a.example, b.example;c.example  d.example\n")).toEqual([
      "a.example",
      "b.example",
      "c.example",
      "d.example",
    ]);
    expect(domainsIn(" ")).toEqual([]);
  });

  it("keeps its roles by name and gives them back in their order", () => {
    const roles = [role("RUNNING_TEXT", "f"), role("HEADINGS", "g")];
    expect(inOrder(byRole(roles)).map((one) => one.role)).toEqual(["HEADINGS", "RUNNING_TEXT"]);
    expect(byRole([]).CODE).toBeNull();
  });

  it("weighs each file once", () => {
    const file = { slot: regular, format: "woff2", bytes: 250 } as HeldFile;
    const families = [{ id: "f", files: [file] } as Family];
    const weight = weigh(
      [role("RUNNING_TEXT", "f"), role("HEADINGS", "f"), role("CODE", "unknown")],
      families,
    );
    expect(weight).toEqual({ faces: 1, bytes: 250, guessed: false });
  });

  it("tells a role by its family and faces, and its weight by the seconds it takes", () => {
    const families = [{ id: "f", name: "Ostrel", files: [] as HeldFile[] } as Family];
    expect(roleInWords(null, families)).toBe("not set");
    expect(roleInWords({ ...role("CODE", "f"), faces: [{ ...regular, label: "Regular" }] }, families)).toBe(
      "Ostrel, Regular",
    );
    expect(roleInWords({ ...role("CODE", "x"), faces: [] }, families)).toBe("another family, no face");
    expect(weightInWords({ faces: 2, bytes: 50_000, guessed: true })).toBe(
      "2 to send, about 50 kB; 0.3 s at 1.6 Mbit/s",
    );
  });
});
