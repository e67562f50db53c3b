import Button from "@mui/material/Button";
import { Link } from "react-router";
import { FlagNotes } from "../flag/FlagNote";
import { useFlags } from "../flag/flags";
import { useNameStyle } from "../family/storedFont";
import { serves, shownFile } from "../family/slots";
import { useList } from "../shared/api/queries";
import type { Family, Role, Site } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { count } from "../shared/parts/format";
import { roleWords } from "./roles";

export function SiteListPage() {
  const sites = useList<Site>("/api/sites");
  const families = useList<Family>("/api/families").data ?? [];
  const flags = useFlags().data ?? [];
  const all = sites.data ?? [];
  return (
    <Leaf
      title="Sites"
      below={
        sites.data &&
        `${count(all.length, "site")} of ${count(new Set(all.map((site) => site.clientId)).size, "client")}.`
      }
      actions={
        <Button component={Link} to="/sites/new" variant="outlined">
          Add a site
        </Button>
      }
    >
      {sites.data && all.length === 0 && (
        <Line>
          <p className="empty">
            No site yet. Add a client’s site with its domains, then choose the faces its text asks for.
          </p>
        </Line>
      )}
      {all.map((site) => {
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
                  <RoleLine
                    key={role.role}
                    role={role}
                    family={families.find((family) => family.id === role.familyId)}
                  />
                ))}
              </div>
            </div>
          </Line>
        );
      })}
    </Leaf>
  );
}

function RoleLine({ role, family }: { role: Role; family?: Family }) {
  const first = role.faces[0];
  const held = first && family?.files.filter((file) => serves(file.slot, first));
  const style = useNameStyle(held && shownFile(held));
  return (
    <span>
      <span className="quiet">{roleWords[role.role]}</span>{" "}
      <span style={{ ...style, fontSize: 19 }}>{family?.name ?? "a family that is gone"}</span>
    </span>
  );
}
