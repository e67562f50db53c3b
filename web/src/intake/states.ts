import type { FileRow, IntakeSummary } from "../shared/api/types";

export const stateWords: Record<IntakeSummary["state"], string> = {
  READING: "being read",
  REVIEW: "under review",
  ACCEPTED: "accepted",
  DISCARDED: "thrown away",
  FAILED: "failed",
};

export const verdictWords: Record<FileRow["verdict"], string> = {
  NEW_FACE: "New face",
  FURTHER_FORMAT: "Further format",
  SAME_BYTES: "Same bytes",
  SAME_DRAWING: "Same drawing",
  CLASH: "Clash",
  LICENSE_TEXT: "License text",
  NOT_A_FONT: "Not a font",
  DAMAGED: "Damaged",
};
