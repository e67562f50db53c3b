import type { Delivery, RoleOnPages, ShownInRole, Slot, WinningRule } from "../shared/api/types";
import { staticSlot } from "../shared/font/slots";

/** Texts of a role that are shown in something else for one reason, over all pages where it is so. */
export type Otherwise = { key: string; shown: ShownInRole; texts: number; pages: string[] };

/** What is shown otherwise, that of most texts first; the same reason on several pages is one. */
export function otherwise(shown: ShownInRole[]): Otherwise[] {
  const found = new Map<string, Otherwise>();
  for (const one of shown.filter(({ asAsked }) => !asAsked)) {
    const { family, weight, slope, faked, measures, winner, override, why, onPhoneOnly } = one;
    const key = JSON.stringify([family, weight, slope, faked, measures, winner, override, why, onPhoneOnly]);
    const before = found.get(key);
    if (before) {
      before.texts += one.texts;
      before.pages = [...new Set([...before.pages, one.page])];
    } else {
      found.set(key, { key, shown: one, texts: one.texts, pages: [one.page] });
    }
  }
  return [...found.values()].sort((a, b) => b.texts - a.texts);
}

/** A face as it is shown, such as “Georgia 700, faked bold, on a phone”. */
export function faceShown({ family, weight, slope, faked, onPhoneOnly }: ShownInRole): string {
  return [
    `${family} ${weight}${slope === "upright" ? "" : ` ${slope}`}`,
    ...faked.map((what) => (what === "bold" ? "faked bold" : "faked italic")),
    ...(onPhoneOnly ? ["on a phone"] : []),
  ].join(", ");
}

/** The declarations that decide on what is otherwise, each once. */
export function deciders({ winner, measures }: ShownInRole): WinningRule[] {
  const all = [winner, ...measures.map((measure) => measure.winner)].filter((one) => one !== null);
  return [...new Map(all.map((one) => [JSON.stringify(one), one])).values()];
}

/** Whether texts have the face that their role asks for, so that only size, line height or spacing is otherwise. */
export function isInItsFace(
  { family, weight, faked, measures }: ShownInRole,
  asked: RoleOnPages["asked"],
): boolean {
  return (
    measures.length > 0 &&
    faked.length === 0 &&
    family.toLowerCase() === asked.family.toLowerCase() &&
    weight === asked.weight
  );
}

/** Which kind of setting a declaration looks like, in general words; empty where it looks like a plain rule. */
export function looksLike({ selector, via, important, layer }: WinningRule): string {
  return via !== null
    ? "Looks like a theme setting: a custom property."
    : selector === "style"
      ? "Looks like an editor’s setting on this element."
      : important && /^\.[\w-]+$/.test(selector)
        ? "Looks like a preset class, chosen in an editor."
        : layer !== null
          ? `In the cascade layer ${layer}.`
          : "";
}

/** Whether rules are among the site’s overrides. */
export function hasOverride({ overrides }: Pick<Delivery, "overrides">, css: string): boolean {
  return overrides.includes(css.trim());
}

/** The delivery with rules after the overrides that are there. */
export function withOverride(delivery: Delivery, css: string): Delivery {
  const before = delivery.overrides.trim();
  return { ...delivery, overrides: before === "" ? css.trim() : `${before}\n${css.trim()}` };
}

/** The face that a browser fakes, if it fakes one: a bold of 700, an italic, or both. */
export function missingFace({
  weight,
  slope,
  faked,
}: Pick<ShownInRole, "weight" | "slope" | "faked">): Slot | null {
  return faked.length === 0
    ? null
    : staticSlot(faked.includes("bold") ? 700 : weight, faked.includes("oblique") ? "italic" : slope);
}
