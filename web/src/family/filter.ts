import type { Params } from "../shared/api/queries";
import type { ListedFamily as Listed } from "../shared/api/types";
import { classificationNames, isClassification } from "../shared/font/classification";
import type { Option } from "../shared/parts/Choice";
import { locale } from "../shared/parts/format";
import { words } from "./words";

type Query = NonNullable<Params<"/api/families">["query"]>;

/** Languages that sites are in, as they come in the list; any other can be written into the address of the API. */
const languages =
  "ar bg ca cs cy da de el en es et eu fa fi fr ga he hi hr hu is it ja ko lt lv mt nb nl pl pt ro ru sk sl sq sr sv th tr uk vi zh"
    .split(" ")
    .sort((a, b) => languageName(a).localeCompare(languageName(b), locale));

function languageName(tag: string): string {
  return new Intl.DisplayNames([locale], { type: "language" }).of(tag) ?? tag;
}

/** Which families are listed, as it stands in the address; an empty text narrows nothing. */
export type FamilyFilter = {
  classification: string;
  license: string;
  lacking: string;
  language: string;
  variable: string;
  use: string;
  foundry: string;
  group: string;
  order: string;
};

/** The words of the sentence by which families are narrowed, each with what it may be. */
export const choices: Record<Exclude<keyof FamilyFilter, "foundry">, Option[]> = {
  classification: [["", "all families"], ...Object.entries(classificationNames).map(plural)],
  license: [
    ["", "licensed or not"],
    ["YES", "with a license"],
    ["NO", "without a license"],
  ],
  lacking: [
    ["", "in any format"],
    ["woff2", "without a WOFF2"],
    ["ttf", "without a TTF"],
    ["otf", "without an OTF"],
  ],
  language: [["", "in any language"], ...languages.map((tag): Option => [tag, `for ${languageName(tag)}`])],
  variable: [
    ["", "variable or not"],
    ["true", "variable"],
    ["false", "not variable"],
  ],
  use: [
    ["", "used or not"],
    ["YES", "used on a site"],
    ["NO", "used on no site"],
  ],
  group: [
    ["", "in one list"],
    ["FOUNDRY", "by foundry"],
    ["CLIENT", "by client"],
  ],
  order: [
    ["", "by name"],
    ["NEWEST", "newest first"],
  ],
};

function plural([value, name]: [string, string]): Option {
  return [value, `${name} families`];
}

const names = [
  "classification",
  "license",
  "lacking",
  "language",
  "variable",
  "use",
  "foundry",
  "group",
  "order",
] as const;

/** The filter of an address; what is none of the choices narrows nothing. */
export function filterOf(params: URLSearchParams): FamilyFilter {
  const value = (name: (typeof names)[number]) => {
    const given = params.get(name) ?? "";
    return name === "foundry" || choices[name].some(([known]) => known === given) ? given : "";
  };
  return Object.fromEntries(names.map((name) => [name, value(name)])) as FamilyFilter;
}

/** The address of a filter and of the words that the names have. */
export function paramsOf(filter: FamilyFilter, words: string): URLSearchParams {
  const params = new URLSearchParams();
  if (words) {
    params.set("name", words);
  }
  names.forEach((name) => filter[name] && params.set(name, filter[name]));
  return params;
}

/** How many families are read at once. */
export const AT_ONCE = 30;

/** What the server is asked for. */
export function queryOf(filter: FamilyFilter, words: string): Query {
  return {
    limit: AT_ONCE,
    name: words || undefined,
    classification: isClassification(filter.classification) ? filter.classification : undefined,
    license: yesOrNo(filter.license),
    lacking: filter.lacking || undefined,
    language: filter.language || undefined,
    variable: filter.variable === "" ? undefined : filter.variable === "true",
    use: yesOrNo(filter.use),
    foundry: filter.foundry || undefined,
    group: filter.group === "FOUNDRY" || filter.group === "CLIENT" ? filter.group : undefined,
    order: filter.order === "NEWEST" ? "NEWEST" : undefined,
  };
}

function yesOrNo(value: string): "YES" | "NO" | undefined {
  return value === "YES" || value === "NO" ? value : undefined;
}

/** Whether anything is narrowed, so that an empty list does not mean an empty inventory. */
export function narrows(filter: FamilyFilter, words: string): boolean {
  return words !== "" || names.some((name) => name !== "group" && name !== "order" && filter[name] !== "");
}

/** What stands over the families from here on, when it is not what stood over the family before. */
export function headingOf(group: string, family: Listed, before?: Listed): string | undefined {
  const [heading] = family.under;
  if (!heading || heading.id === before?.under[0]?.id) {
    return undefined;
  }
  return heading.name || (group === "CLIENT" ? words.noClient : words.noFoundry);
}

/** Names a row of the list: a family stands under each of its clients. */
export function keyOf(family: Listed): string {
  return [...family.under.map(({ id }) => id), family.id].join(" ");
}
