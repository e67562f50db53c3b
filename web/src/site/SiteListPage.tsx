import Button from "@mui/material/Button";
import TextField from "@mui/material/TextField";
import { useDeferredValue, useState } from "react";
import { Link } from "react-router";
import { useMayEdit } from "../account/session";
import { FlagNotes } from "../flag/FlagNote";
import { useFlagsOf } from "../flag/flags";
import { usePages, withParam } from "../shared/api/queries";
import type { Site } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { count } from "../shared/parts/format";
import { chunks } from "../shared/parts/chunks";
import { More } from "../shared/parts/More";
import { roleWords } from "./roles";

const AT_ONCE = 30;

export function SiteListPage() {
  const [filter, setFilter] = useState("");
  const words = useDeferredValue(filter.trim());
  const path = `/api/sites?limit=${AT_ONCE}`;
  const { items, more, loadingMore } = usePages<Site>(words ? withParam(path, "name", words) : path);
  const mayEdit = useMayEdit();
  return (
    <Leaf
      title="Sites"
      actions={
        <>
          {mayEdit && (
            <Button component={Link} to="/sites/new" variant="outlined">
              Add a site
            </Button>
          )}
          <TextField
            label="Name, client or domain"
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
              ? `No site has “${words}” in its name, client or domains.`
              : "No site yet. Add a client’s site with its domains, then choose the faces its text asks for."}
          </p>
        </Line>
      )}
      {chunks(items ?? [], AT_ONCE).map((sites) => (
        <Rows key={sites[0]!.id} sites={sites} />
      ))}
      <Line>
        <More more={more} loading={loadingMore} />
      </Line>
    </Leaf>
  );
}

function Rows({ sites }: { sites: Site[] }) {
  const flags = useFlagsOf(
    "site",
    sites.map((site) => site.id),
  );
  return sites.map((site) => {
    const own = flags.filter((flag) => flag.siteId === site.id);
    return (
      <Line
        ruled
        key={site.id}
        notes={
          <>
            <FlagNotes flags={own} most={1} />
            {own.length > 1 && (
              <div style={{ padding: "0 0 8px 36px" }}>
                <Link to={`/sites/${site.id}`}>and {count(own.length - 1, "more flag")}</Link>
              </div>
            )}
          </>
        }
      >
        <div style={{ padding: "12px 0" }}>
          <Link
            to={`/sites/${site.id}`}
            style={{ font: "600 20px/1.3 var(--display)", textDecoration: "none", color: "var(--ink)" }}
          >
            {site.name}
          </Link>
          <span className="quiet"> for {site.clientName}</span>
          <div>{site.domains.join(", ") || <span className="quiet">no domain yet</span>}</div>
          <div style={{ display: "flex", flexWrap: "wrap", gap: "2px 22px", marginTop: 6 }}>
            {site.roles.map((role) => (
              <span key={role.role}>
                <span className="quiet">{roleWords[role.role]}</span> {site.familyNames[role.familyId]}
              </span>
            ))}
          </div>
        </div>
      </Line>
    );
  });
}
