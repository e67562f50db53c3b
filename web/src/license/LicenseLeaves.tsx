import { Leaves } from "../shared/layout/Leaves";
import { words } from "./words";

/** The leaves of the place: licenses over time, families against sites, what it costs, and terms to start from. */
export function LicenseLeaves() {
  return (
    <Leaves
      label={words.leaves}
      leaves={[
        { to: "/licenses", name: words.timeLine, flags: 0 },
        { to: "/licenses/coverage", name: words.coverage, flags: 0 },
        { to: "/licenses/costs", name: words.costs, flags: 0 },
        { to: "/licenses/terms", name: words.sets, flags: 0 },
      ]}
    />
  );
}
