/** The product's own words and the trade's, each in a sentence. */
export const glossary = {
  family: { name: "Family", says: "typefaces sold and used under one name, such as a regular and its bold" },
  face: { name: "Face", says: "one weight, width and slope of a family, in one or several files" },
  slot: { name: "Slot", says: "the place of a face in its family: weights across, slopes and widths down" },
  intake: {
    name: "Intake",
    says: "one drop of files under review; nothing enters the inventory before you accept it",
  },
  pack: {
    name: "Pack",
    says: "what goes to a site’s host: font files, CSS, instructions and the licenses that go along",
  },
  flag: { name: "Flag", says: "one thing that is wrong, with its reason and the next step" },
  margin: {
    name: "Margin",
    says: "the column beside the content, where flags stand next to what they’re about",
  },
  asked: { name: "Asked", says: "the faces that a site’s text roles need, and its pages load" },
  held: { name: "Held", says: "the files in the inventory, as their bytes say" },
  allowed: { name: "Allowed", says: "what the licenses permit here; “not stated” counts as a no" },
} as const;

export type GlossaryTerm = keyof typeof glossary;
