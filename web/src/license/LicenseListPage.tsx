import Button from "@mui/material/Button";
import { Link } from "react-router";
import { FlagNotes } from "../flag/FlagNote";
import { useFlags } from "../flag/flags";
import { useList } from "../shared/api/queries";
import type { License } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { count } from "../shared/parts/format";
import { Months, Track } from "./TimeLine";
import { kindWords, money } from "./words";

/** All licenses as bars over the coming eighteen months, soonest end first. */
export function LicenseListPage() {
  const licenses = useList<License>("/api/licenses");
  const flags = useFlags().data ?? [];
  const all = [...(licenses.data ?? [])].sort((a, b) =>
    (a.terms.ends ?? "9999").localeCompare(b.terms.ends ?? "9999"),
  );
  return (
    <Leaf
      title="Licenses"
      below={
        licenses.data && `${count(all.length, "license")} over the coming eighteen months, soonest end first.`
      }
      actions={
        <Button component={Link} to="/licenses/new" variant="outlined">
          Record a license
        </Button>
      }
    >
      {licenses.data && all.length === 0 && (
        <Line>
          <p className="empty">
            No license is recorded yet. Record what the agency or its clients bought, were given or subscribe
            to.
          </p>
        </Line>
      )}
      {all.length > 0 && (
        <Line>
          <Months />
        </Line>
      )}
      {all.map((license) => (
        <Line
          ruled
          key={license.id}
          notes={
            <FlagNotes
              flags={flags
                .filter((flag) => flag.licenseId === license.id && flag.siteId === "")
                .concat(endedFlag(license.id))}
              most={1}
            />
          }
        >
          <div className="timeline">
            <div className="who">
              <Link to={`/licenses/${license.id}`}>{license.terms.name}</Link>
              <div className="quiet" style={{ fontSize: 15 }}>
                {[kindWords[license.terms.kind], money(license.terms.price, license.terms.currency)]
                  .filter(Boolean)
                  .join(", ")}
              </div>
            </div>
            <Track license={license} />
          </div>
        </Line>
      ))}
    </Leaf>
  );

  /** The first site flag that says this license ended, so that the list tells it too. */
  function endedFlag(id: string) {
    return flags.filter((flag) => flag.licenseId === id && flag.kind === "LICENSE_ENDED").slice(0, 1);
  }
}
