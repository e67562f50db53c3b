import type { Params } from "../shared/api/queries";
import type { Option } from "../shared/parts/Choice";
import { basisWords } from "./words";

type Query = NonNullable<Params<"/api/licenses">["query"]>;

/** Which licenses are listed, as it stands in the address; an empty text narrows nothing. */
export type LicenseFilter = { basis: string; holder: string; state: string };

/** The words of the sentence by which licenses are narrowed, but for the holder, who is one of the clients. */
export const choices: Record<"basis" | "state", Option[]> = {
  basis: [["", "of any type"], ...Object.entries(basisWords).map(([basis, said]): Option => [basis, said])],
  state: [
    ["", "running or ended"],
    ["RUNNING", "running"],
    ["ENDING", "within their notice period"],
    ["ENDED", "ended"],
  ],
};

const names = ["basis", "holder", "state"] as const;

/** The filter of an address; what is none of the choices narrows nothing. */
export function filterOf(params: URLSearchParams): LicenseFilter {
  const known = (name: "basis" | "state") => {
    const given = params.get(name) ?? "";
    return choices[name].some(([value]) => value === given) ? given : "";
  };
  return { basis: known("basis"), holder: params.get("holder") ?? "", state: known("state") };
}

/** The address of a filter and of the words that the licenses have. */
export function paramsOf(filter: LicenseFilter, words: string): URLSearchParams {
  const params = new URLSearchParams();
  if (words) {
    params.set("name", words);
  }
  names.forEach((name) => filter[name] && params.set(name, filter[name]));
  return params;
}

/** What the server is asked for, soonest end first. */
export function queryOf(filter: LicenseFilter, words: string, limit: number): Query {
  return {
    order: "ends",
    limit,
    name: words || undefined,
    basis: (filter.basis as Query["basis"]) || undefined,
    holder: filter.holder || undefined,
    state: (filter.state as Query["state"]) || undefined,
  };
}

/** Whether anything is narrowed, so that an empty list does not mean that there is no license. */
export function narrows(filter: LicenseFilter, words: string): boolean {
  return words !== "" || names.some((name) => filter[name] !== "");
}
