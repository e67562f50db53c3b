import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useState } from "react";
import { Link } from "react-router";
import { useMayEdit } from "../shared/account/session";
import { usePages } from "../shared/api/queries";
import type { Flag, Site } from "../shared/api/types";
import { FlagNotes } from "../shared/flag/FlagNote";
import { useFlagIndex } from "../shared/flag/flags";
import { Leaf, Line } from "../shared/layout/Leaf";
import { count } from "../shared/parts/format";
import { Rows } from "../shared/parts/Rows";
import { useSettled } from "../shared/parts/useSettled";
import { Shown } from "../shared/states/States";
import { noneWith, roleWords, words } from "./words";

const AT_ONCE = 30;
const noFlags: Flag[] = [];

export function SiteListPage() {
  const [filter, setFilter] = useState("");
  const name = useSettled(filter.trim());
  const { items, error, again, more, loadingMore } = usePages(
    "/api/sites",
    { limit: AT_ONCE, name: name || undefined },
    { keepShown: true },
  );
  const flags = useFlagIndex("site", items?.map((site) => site.id) ?? [], AT_ONCE);
  const mayEdit = useMayEdit();
  return (
    <Leaf
      title={words.title}
      actions={
        <>
          {mayEdit && (
            <Button component={Link} to="/sites/new" variant="outlined">
              {words.add}
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
        {(sites) =>
          sites.length === 0 ? (
            <Line>
              <p className="empty">{name ? noneWith(name) : words.none}</p>
            </Line>
          ) : (
            <Rows
              label={words.title}
              items={sites}
              keyOf={(site) => site.id}
              height={110}
              more={more}
              loadingMore={loadingMore}
              row={(site) => <Row site={site} flags={flags.get(site.id) ?? noFlags} />}
            />
          )
        }
      </Shown>
    </Leaf>
  );
}

function Row({ site, flags }: { site: Site; flags: Flag[] }) {
  return (
    <Line
      ruled
      notes={
        <>
          <FlagNotes flags={flags} most={1} />
          {flags.length > 1 && (
            <div className="others">
              <Link to={`/sites/${site.id}`}>and {count(flags.length - 1, "more flag")}</Link>
            </div>
          )}
        </>
      }
    >
      <div className="site-row">
        <Link to={`/sites/${site.id}`} className="name">
          {site.name}
        </Link>
        <span className="quiet"> for {site.clientName}</span>
        <div className="breaks">
          {site.domains.join(", ") || <span className="quiet">{words.noDomain}</span>}
        </div>
        <div className="subjects">
          {site.roles.map((role) => (
            <span key={role.role}>
              <span className="quiet">{roleWords[role.role]}</span> {site.familyNames[role.familyId]}
            </span>
          ))}
        </div>
      </div>
    </Line>
  );
}
