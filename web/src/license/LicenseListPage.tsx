import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useDeferredValue, useState } from "react";
import { Link } from "react-router";
import { FlagNotes } from "../flag/FlagNote";
import { useMayEdit } from "../account/session";
import { useFlagsOf } from "../flag/flags";
import { usePages, withParam } from "../shared/api/queries";
import type { License } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { chunks } from "../shared/parts/chunks";
import { More } from "../shared/parts/More";
import { Months, Track } from "./TimeLine";
import { kindWords, money } from "./words";

const AT_ONCE = 40;

/** All licenses as bars over the coming eighteen months, soonest end first. */
export function LicenseListPage() {
  const mayEdit = useMayEdit();
  const [filter, setFilter] = useState("");
  const words = useDeferredValue(filter.trim());
  const path = `/api/licenses?order=ends&limit=${AT_ONCE}`;
  const { items, more, loadingMore } = usePages<License>(words ? withParam(path, "name", words) : path);
  return (
    <Leaf
      title="Licenses"
      below="Over the coming eighteen months, soonest end first."
      actions={
        <>
          {mayEdit && (
            <Button component={Link} to="/licenses/new" variant="outlined">
              Record a license
            </Button>
          )}
          <TextField
            label="Name, vendor or domain"
            size="small"
            value={filter}
            onChange={(event) => setFilter(event.target.value)}
          />
        </>
      }
    >
      {items?.length === 0 && (
        <Line>
          <p className="empty">
            {words
              ? `No license has “${words}” in its name, vendor or domains.`
              : "No license is recorded yet. Record what the agency or its clients bought, were given or subscribe to."}
          </p>
        </Line>
      )}
      {items && items.length > 0 && (
        <Line>
          <Months />
        </Line>
      )}
      {chunks(items ?? [], AT_ONCE).map((licenses) => (
        <Rows key={licenses[0]!.id} licenses={licenses} />
      ))}
      <Line>
        <More more={more} loading={loadingMore} />
      </Line>
    </Leaf>
  );
}

function Rows({ licenses }: { licenses: License[] }) {
  const flags = useFlagsOf(
    "license",
    licenses.map((license) => license.id),
  );
  return licenses.map((license) => {
    const own = flags.filter((flag) => flag.licenseId === license.id);
    const ended = own.filter((flag) => flag.kind === "LICENSE_ENDED").slice(0, 1);
    return (
      <Line
        ruled
        key={license.id}
        notes={<FlagNotes flags={own.filter((flag) => flag.siteId === "").concat(ended)} most={1} />}
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
    );
  });
}
