import type { ReactNode } from "react";
import type { Flag } from "../api/types";
import { groupNames } from "./words";

type Group = Flag["group"];

/**
 * The proof-reader's and scribe's signs: an obelus for doubt, a caret for what lacks, a loop for what is to go once, a stroke
 * through a line for what is too much, an eye for who else looks on. Where its word stands beside it, a sign is `decoration`; alone, it says its word.
 */
export function Sign({
  group,
  size = 18,
  decoration,
}: {
  group: Group;
  size?: number;
  decoration?: boolean;
}) {
  return (
    <svg
      width={size}
      height={size}
      viewBox="0 0 18 18"
      fill="none"
      stroke="currentColor"
      strokeWidth="1.8"
      strokeLinecap="round"
      strokeLinejoin="round"
      {...(decoration ? { "aria-hidden": true } : { role: "img", "aria-label": groupNames[group] })}
    >
      <title>{groupNames[group]}</title>
      {signs[group]}
    </svg>
  );
}

const signs: Record<Group, ReactNode> = {
  UNLICENSED: (
    <>
      <path d="M2.5 9h13" />
      <circle cx="9" cy="4.2" r="1.2" fill="currentColor" stroke="none" />
      <circle cx="9" cy="13.8" r="1.2" fill="currentColor" stroke="none" />
    </>
  ),
  MISSING: <path d="M3 14.5 9 4l6 10.5" />,
  SURPLUS: <path d="M2.5 9h13M12 3 6 15" />,
  PRIVACY: (
    <>
      <path d="M1.8 9.5c2.900-4.600 11.500-4.600 14.400 0-2.900 4.600-11.500 4.600-14.400 0" />
      <circle cx="9" cy="9.500" r="1.900" fill="currentColor" stroke="none" />
    </>
  ),
  DUPLICATE: (
    <path d="M2 13.5c4 .5 8-2.500 9.500-6.500.800-2.200-.400-4-2-3.800-2 .200-2.700 2.800-1.300 5 1.600 2.600 4.300 4.300 7.800 4.300" />
  ),
};
