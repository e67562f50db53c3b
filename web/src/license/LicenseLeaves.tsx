import { Leaves } from "../shared/layout/Leaves";
import { words } from "./words";

/** The leaves of the place: licenses over time, and families against sites. */
export function LicenseLeaves() {
  return (
    <Leaves
      label={words.leaves}
      leaves={[
        { to: "/licenses", name: words.timeLine, flags: 0 },
        { to: "/licenses/coverage", name: words.coverage, flags: 0 },
      ]}
    />
  );
}
