import { memo } from "react";
import Button from "@mui/material/Button";
import { Link } from "react-router";
import { useMayEdit } from "../shared/account/session";
import { usePages } from "../shared/api/queries";
import type { Flag, Site } from "../shared/api/types";
import { FlagNotes } from "../shared/flag/FlagNote";
import { useFlagIndex } from "../shared/flag/flags";
import { Line } from "../shared/layout/Leaf";
import { SitesLeaves } from "../shared/layout/SiteLeaves";
import { count } from "../shared/parts/format";
import { RecordList, useFilter } from "../shared/parts/RecordList";
import { noneWith, roleName, words } from "./words";

const AT_ONCE = 30;

export function SiteListPage() {
  const mayEdit = useMayEdit();
  const filter = useFilter();
  const list = usePages(
    "/api/sites",
    { limit: AT_ONCE, name: filter.words || undefined },
    { keepShown: true },
  );
  const { flagsOf, ready } = useFlagIndex("site", list.items?.map((site) => site.id) ?? [], AT_ONCE);
  return (
    <RecordList
      title={words.title}
      leaves={<SitesLeaves />}
      actions={
        mayEdit && (
          <Button component={Link} to="/sites/new" variant="outlined">
            {words.add}
          </Button>
        )
      }
      filter={filter}
      filterLabel={words.filter}
      list={list}
      ready={ready}
      none={filter.words ? noneWith(filter.words) : words.none}
      height={110}
      row={(site) => <Row site={site} flags={flagsOf(site.id)} />}
    />
  );
}

/** Drawn anew only when the record or its flags are others. */
const Row = memo(function Row({ site, flags }: { site: Site; flags: readonly Flag[] }) {
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
              <span className="quiet">{roleName(role.role)}</span> {site.families[role.familyId]}
            </span>
          ))}
        </div>
      </div>
    </Line>
  );
});
