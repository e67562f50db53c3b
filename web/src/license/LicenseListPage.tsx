import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Link } from "react-router";
import { useMayEdit } from "../shared/account/session";
import { usePages } from "../shared/api/queries";
import type { Flag, License } from "../shared/api/types";
import { FlagNotes } from "../shared/flag/FlagNote";
import { useFlagIndex } from "../shared/flag/flags";
import { Leaf, Line } from "../shared/layout/Leaf";
import { money } from "../shared/parts/format";
import { Rows } from "../shared/parts/Rows";
import { useSettled } from "../shared/parts/useSettled";
import { Shown } from "../shared/states/States";
import { Months, Track } from "./TimeLine";
import { kindWords, noneWith, words } from "./words";

const AT_ONCE = 40;
const noFlags: Flag[] = [];

/** All licenses as bars over the coming eighteen months, soonest end first. */
export function LicenseListPage() {
  const mayEdit = useMayEdit();
  const [filter, setFilter] = useState("");
  const name = useSettled(filter.trim());
  const { items, error, again, more, loadingMore } = usePages(
    "/api/licenses",
    { order: "ends", limit: AT_ONCE, name: name || undefined },
    { keepShown: true },
  );
  const flags = useFlagIndex("license", items?.map((license) => license.id) ?? [], AT_ONCE);
  return (
    <Leaf
      title={words.title}
      below={words.below}
      actions={
        <>
          {mayEdit && (
            <Button component={Link} to="/licenses/new" variant="outlined">
              {words.record}
            </Button>
          )}
          <TextField
            label={words.filter}
            size="small"
            value={filter}
            onChange={(event) => setFilter(event.target.value)}
          />
        </>
      }
    >
      <Shown of={{ data: items, error, refetch: again }} lines={9}>
        {(licenses) =>
          licenses.length === 0 ? (
            <Line>
              <p className="empty">{name ? noneWith(name) : words.none}</p>
            </Line>
          ) : (
            <>
              <Line>
                <Months />
              </Line>
              <Rows
                label={words.title}
                items={licenses}
                keyOf={(license) => license.id}
                height={64}
                more={more}
                loadingMore={loadingMore}
                row={(license) => <Row license={license} flags={flags.get(license.id) ?? noFlags} />}
              />
            </>
          )
        }
      </Shown>
    </Leaf>
  );
}

function Row({ license, flags }: { license: License; flags: Flag[] }) {
  const ended = flags.filter((flag) => flag.kind === "LICENSE_ENDED").slice(0, 1);
  const { name, kind, price, currency } = license.terms;
  return (
    <Line
      ruled
      notes={<FlagNotes flags={flags.filter((flag) => flag.siteId === "").concat(ended)} most={1} />}
    >
      <div className="timeline">
        <div className="who">
          <Link to={`/licenses/${license.id}`}>{name}</Link>
          <div className="quiet small">
            {[kindWords[kind], money(price, currency)].filter(Boolean).join(", ")}
          </div>
        </div>
        <Track license={license} />
      </div>
    </Line>
  );
}
