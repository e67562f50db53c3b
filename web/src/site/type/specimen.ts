import type { PageCheck, Role, SiteWeight, Slot } from "../../shared/api/types";

/** What the words of a site's specimen page are set in. */
export type Mode = "own" | "fallback" | "live";

/** A text of the specimen page. */
export type Block = { role: string; text: string };

/** The roles in the order in which a page shows them; those of a site's own come last. */
const order = [
  "NAVIGATION",
  "PAGE_TITLE",
  "HEADINGS",
  "HEADINGS_2",
  "RUNNING_TEXT",
  "HEADINGS_3",
  "HEADINGS_4",
  "CAPTIONS",
  "BUTTONS",
  "CODE",
];

const usualTexts: Record<string, string> = {
  NAVIGATION: "Home    What we do    Prices    Find us",
  HEADINGS: "What you can expect of us",
  HEADINGS_2: "What you can expect of us",
  HEADINGS_3: "How it begins",
  HEADINGS_4: "Before the first day",
  RUNNING_TEXT:
    "We begin with a talk, an hour or so, and say what we would do and what it costs. Nothing is decided that day. When you have slept on it and want to go on, you hear from us within the week, with a date and one person who answers for everything.",
  CAPTIONS: "The workshop in the morning. Photograph: 2026",
  BUTTONS: "Book an hour",
  CODE: "total = hours * 24.50",
};

/** The longest sentence that is set as a heading, in characters. */
const HEADING = 80;

/** The texts of the page, one for each role: the site's own words first as title and paragraph. */
export function blocksOf(roles: Pick<Role, "role">[], site: { name: string; words: string }): Block[] {
  const place = ({ role }: Pick<Role, "role">) => (order.includes(role) ? order.indexOf(role) : order.length);
  const sentences = site.words.trim().match(/[^.!?]+[.!?]*\s*/g) ?? [];
  const first = sentences[0]?.trim();
  const title = first && first.length <= HEADING ? first : site.name;
  const text = (role: string) => {
    if (role === "PAGE_TITLE") {
      return title;
    }
    return (
      (role === "RUNNING_TEXT" && site.words.trim()) || usualTexts[role] || (first ?? usualTexts.HEADINGS!)
    );
  };
  return [...roles].sort((a, b) => place(a) - place(b)).map(({ role }) => ({ role, text: text(role) }));
}

/** The families that the faces of a site are declared under on its specimen page. */
const ownFamily = (familyId: string) => `site-${familyId}`;
const standIn = (familyId: string) => `stand-in-${familyId}`;
const liveFamily = (sha256: string) => `live-${sha256}`;

/** The rules that declare the faces as packs deliver them, what stands in for them, and what pages have now. */
export function faceRules(weight: SiteWeight | undefined, live: Live): string {
  const rules = (weight?.faces ?? []).flatMap((face) => {
    const { weight: from, weightMax, width, widthMax, slope } = face.fileSlot;
    const own = face.files.map(
      ({ address, characters }) =>
        `@font-face { font-family: "${ownFamily(face.familyId)}"; src: url("${address}"); font-weight: ${range(from, weightMax)}; font-style: ${slope === "upright" ? "normal" : slope}; font-stretch: ${range(width, widthMax, "%")};${characters && ` unicode-range: ${characters};`} }`,
    );
    return [...own, face.standIn.replace('"stand-in"', `"${standIn(face.familyId)}"`)];
  });
  const now = Object.values(live).map(
    ({ sha256 }) => `@font-face { font-family: "${liveFamily(sha256)}"; src: url("/api/files/${sha256}"); }`,
  );
  return [...new Set([...rules, ...now])].filter(Boolean).join("\n");
}

function range(from: number, to: number, unit = ""): string {
  return from === to ? `${from}${unit}` : `${from}${unit} ${to}${unit}`;
}

/** By text role, the file that paints most of its texts on the pages now. */
export type Live = Record<string, { sha256: string; name: string }>;

/** What the latest check found the texts of each role painted in. */
export function liveOf(check: PageCheck | undefined): Live {
  return Object.fromEntries(
    (check?.used ?? []).flatMap(({ role, fonts: [sha256], faces: [name] }) =>
      sha256 ? [[role, { sha256, name: name ?? "" }]] : [],
    ),
  );
}

/** Usual sizes of a page, where a role says none: size and line height. */
const usualSizes: Record<string, [string, string]> = {
  NAVIGATION: ["15px", "1.4"],
  PAGE_TITLE: ["46px", "1.1"],
  HEADINGS: ["30px", "1.2"],
  HEADINGS_2: ["30px", "1.2"],
  HEADINGS_3: ["22px", "1.3"],
  HEADINGS_4: ["18px", "1.35"],
  RUNNING_TEXT: ["18px", "1.55"],
  CAPTIONS: ["14px", "1.45"],
  BUTTONS: ["16px", "1.4"],
  CODE: ["15px", "1.5"],
};

/** How the text of a role is set: in the face for plain text, in what stands in for it, or in what pages have now. */
export function styleOf(role: Role, mode: Mode, stacks: SiteWeight["stacks"] | undefined, live: Live) {
  const generic = role.generic.toLowerCase().replace("_", "-");
  const rest = stacks?.[role.generic] ?? generic;
  const [size, lineHeight] = usualSizes[role.role] ?? ["22px", "1.4"];
  const plain = role.faces[0];
  const now = mode === "live" ? liveFor(role.role, live)?.sha256 : undefined;
  const families = {
    own: `"${ownFamily(role.familyId)}", "${standIn(role.familyId)}", ${rest}`,
    fallback: `"${standIn(role.familyId)}", ${rest}`,
    live: now ? `"${liveFamily(now)}", ${rest}` : rest,
  };
  return {
    fontFamily: plain || mode === "live" ? families[mode] : rest,
    fontWeight: plain && nearest(plain.weight, plain.weightMax, 400),
    fontStyle: plain && (plain.slope === "upright" ? "normal" : plain.slope),
    fontStretch: plain && `${nearest(plain.width, plain.widthMax, 100)}%`,
    fontSize: role.size || size,
    lineHeight: role.lineHeight || lineHeight,
    letterSpacing: role.letterSpacing || undefined,
    wordSpacing: role.wordSpacing || undefined,
    // A file that pages have now is shown as it is, whatever weight it was declared for.
    ...(now ? { fontSynthesis: "none" } : {}),
  };
}

/** Headings of all levels are one role where a site says no more. */
export function liveFor(role: string, live: Live): Live[string] | undefined {
  return live[role] ?? (role === "HEADINGS" ? (live.HEADINGS_2 ?? live.HEADINGS_3) : undefined);
}

function nearest(from: number, to: number, wanted: number): number {
  return Math.max(from, Math.min(to, wanted));
}

/** What the arrival of the fonts does to a page whose height is known without and with them, in CSS pixels. */
export function movedInWords(fallback: number, own: number): string {
  const by = Math.round(own - fallback);
  return by === 0
    ? "This page is as long before the fonts arrive as after it."
    : `This page becomes ${Math.abs(by)} px ${by > 0 ? "longer" : "shorter"} when the fonts arrive.`;
}

/** A variable file that could serve several chosen faces of a family alone. */
export type Offer = { familyId: string; slots: Slot[]; by: Slot };

/** For each family, the variable files that hold all of two or more chosen static faces of one slope and width. */
export function offersOf(roles: Role[], files: { familyId: string; slot: Slot }[]): Offer[] {
  const chosen = new Map<string, { familyId: string; slot: Slot }>();
  for (const { familyId, faces } of roles) {
    faces.forEach((slot) => chosen.set(`${familyId} ${slot.key}`, { familyId, slot }));
  }
  const variable = new Map(
    files
      .filter(({ slot }) => slot.weight !== slot.weightMax || slot.width !== slot.widthMax)
      .map((file) => [`${file.familyId} ${file.slot.key}`, file]),
  );
  return [...variable.values()].flatMap(({ familyId, slot: by }) => {
    const slots = [...chosen.values()]
      .filter((one) => one.familyId === familyId && isSingle(one.slot) && holds(by, one.slot))
      .map((one) => one.slot);
    return slots.length > 1 ? [{ familyId, slots, by }] : [];
  });
}

function isSingle(slot: Slot): boolean {
  return slot.weight === slot.weightMax && slot.width === slot.widthMax;
}

function holds(by: Slot, slot: Slot): boolean {
  return (
    by.slope === slot.slope &&
    by.weight <= slot.weight &&
    by.weightMax >= slot.weight &&
    by.width <= slot.width &&
    by.widthMax >= slot.width
  );
}

/** The roles with the faces of an offer replaced by the variable file that serves them. */
export function taken(roles: Role[], { familyId, slots, by }: Offer): Role[] {
  const replaced = new Set(slots.map((slot) => slot.key));
  return roles.map((role) => {
    if (role.familyId !== familyId || !role.faces.some((slot) => replaced.has(slot.key))) {
      return role;
    }
    const kept = role.faces.filter((slot) => !replaced.has(slot.key) && slot.key !== by.key);
    return { ...role, faces: [by, ...kept] };
  });
}

/** The faces that headings and running text begin with, of those that a family holds. */
export function pairingOf(heading: Slot[], text: Slot[]): { heading: Slot[]; text: Slot[] } {
  const upright = heading.filter((slot) => slot.slope === "upright");
  const bold = closest(upright.length > 0 ? upright : heading, 700);
  const plain = closest(
    text.filter((slot) => slot.slope === "upright"),
    400,
  );
  const inText = [
    plain ?? closest(text, 400),
    closest(
      text.filter((slot) => slot.slope !== "upright"),
      400,
    ),
    closest(
      text.filter((slot) => slot.slope === "upright" && slot.weightMax >= 600),
      700,
    ),
  ];
  const once = new Map(inText.flatMap((slot) => (slot ? [[slot.key, slot] as const] : [])));
  return { heading: bold ? [bold] : [], text: [...once.values()] };
}

/** The slot nearest to a weight, of those of normal width first. */
function closest(slots: Slot[], weight: number): Slot | undefined {
  const away = (slot: Slot) =>
    Math.abs(nearest(slot.weight, slot.weightMax, weight) - weight) +
    10 * Math.abs(nearest(slot.width, slot.widthMax, 100) - 100);
  return [...slots].sort((a, b) => away(a) - away(b))[0];
}
