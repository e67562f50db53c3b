import type { Params } from "../shared/api/queries";
import { classificationNames, isClassification } from "../shared/font/classification";
import type { Option } from "../shared/parts/Choice";

type Query = NonNullable<Params<"/api/families">["query"]>;

/** Which families are listed, as it stands in the address; an empty text narrows nothing. */
export type FamilyFilter = {
  classification: string;
  license: string;
  lacking: string;
  variable: string;
  use: string;
  foundry: string;
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
  order: [
    ["", "by name"],
    ["NEWEST", "newest first"],
  ],
};

function plural([value, name]: [string, string]): Option {
  return [value, `${name} families`];
}

const names = ["classification", "license", "lacking", "variable", "use", "foundry", "order"] as const;

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

/** What the server is asked for. */
export function queryOf(filter: FamilyFilter, words: string, limit: number): Query {
  return {
    limit,
    name: words || undefined,
    classification: isClassification(filter.classification) ? filter.classification : undefined,
    license: yesOrNo(filter.license),
    lacking: filter.lacking || undefined,
    variable: filter.variable === "" ? undefined : filter.variable === "true",
    use: yesOrNo(filter.use),
    foundry: filter.foundry || undefined,
    order: filter.order === "NEWEST" ? "NEWEST" : undefined,
  };
}

function yesOrNo(value: string): "YES" | "NO" | undefined {
  return value === "YES" || value === "NO" ? value : undefined;
}

/** Whether anything is narrowed, so that an empty list does not mean an empty inventory. */
export function narrows(filter: FamilyFilter, words: string): boolean {
  return words !== "" || names.some((name) => name !== "order" && filter[name] !== "");
}
