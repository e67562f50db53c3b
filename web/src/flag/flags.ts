import { useList } from "../shared/api/queries";
import type { Flag } from "../shared/api/types";

export const groupNames: Record<Flag["group"], string> = {
  UNLICENSED: "Unlicensed",
  MISSING: "Missing",
  DUPLICATE: "Duplicate",
};

/** All flags; every place shows its own part of this one list. */
export function useFlags() {
  return useList<Flag>("/api/flags");
}

export function useFlagsWhere(test: (flag: Flag) => boolean): Flag[] {
  return (useFlags().data ?? []).filter(test);
}
