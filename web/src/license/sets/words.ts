/** What the pages about sets of terms say. */
export const words = {
  title: "Sets of terms",
  all: "All sets of terms",
  below:
    "Terms that many licenses have, such as a vendor’s usual ones. A license starts from a copy and keeps it.",
  none: "No set of terms yet. Open a license, and keep its terms as a set.",
  start: "Record a license on these terms",
  delete: "Delete",
  deleteThis: "Delete the set",
  save: "Save",
  saved: "Saved.",
  editBelow: "Licenses that started from it keep what they have.",
  keepTitle: "Keep as a set of terms",
  keep: "Keep",
  leave: "Cancel",
  setName: "Name of the set",
  kept: "Kept as a set of terms.",
  whatIsKept: "The terms are kept, but not the families, holder, domains, dates and proofs of this purchase.",
};

/** What a new set is called at first: by the vendor and the year in which its terms were read. */
export function setName(vendor: string, license: string, year: number): string {
  return `${vendor || license}: web terms, ${year}`;
}
