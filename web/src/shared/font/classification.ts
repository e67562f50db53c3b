import type { Correction } from "../api/types";
import type { Option } from "../parts/Choice";

export type Classification = NonNullable<Correction["classification"]>;

export const classificationNames: Record<Classification, string> = {
  SERIF: "serif",
  SANS_SERIF: "sans serif",
  MONOSPACED: "monospaced",
  DISPLAY: "display",
  HANDWRITING: "handwriting",
};

export function isClassification(value: string): value is Classification {
  return value in classificationNames;
}

/** The kinds of type to choose from, first that none is known. */
export const classifications: Option[] = [["", "not known"], ...Object.entries(classificationNames)];

/** A kind of type in words; nothing where none is known. */
export function classificationInWords(value: string): string {
  return isClassification(value) ? classificationNames[value] : "";
}
