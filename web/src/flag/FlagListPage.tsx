import ToggleButton from "@mui/material/ToggleButton";
import ToggleButtonGroup from "@mui/material/ToggleButtonGroup";
import { Link, useSearchParams } from "react-router";
import { useList } from "../shared/api/queries";
import type { Family, Flag, License, Site } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { count, localDates } from "../shared/parts/format";
import { FlagAction } from "./FlagNote";
import { groupNames, useFlags } from "./flags";
import { Sign } from "./Sign";

const groups = Object.keys(groupNames) as Flag["group"][];

/** All flags gathered for triage: the same notes that stand in the margins. */
export function FlagListPage() {
  const flags = useFlags();
  const [params, setParams] = useSearchParams();
  const group = params.get("group");
  const all = flags.data ?? [];
  const shown = group ? all.filter((flag) => flag.group === group) : all;
  const stops = all.filter((flag) => flag.severity === "STOP").length;
  return (
    <Leaf
      title="Flags"
      margin={false}
      below={
        flags.data &&
        (all.length === 0
          ? "Nothing is unlicensed, missing or duplicate."
          : `${count(all.length, "flag")}, of which ${count(stops, "stops", "stop")} something from going out.`)
      }
      actions={
        <ToggleButtonGroup
          exclusive
          value={group ?? "ALL"}
          aria-label="Group"
          onChange={(_, value: string | null) => setParams(value && value !== "ALL" ? { group: value } : {})}
        >
          <ToggleButton value="ALL">All</ToggleButton>
          {groups.map((value) => (
            <ToggleButton key={value} value={value}>
              {groupNames[value]} {all.filter((flag) => flag.group === value).length}
            </ToggleButton>
          ))}
        </ToggleButtonGroup>
      }
    >
      <Line>
        {groups
          .filter((value) => shown.some((flag) => flag.group === value))
          .map((value) => (
            <section key={value}>
              <h2 className="section">{groupNames[value]}</h2>
              {shown
                .filter((flag) => flag.group === value)
                .map((flag) => (
                  <FlagRow key={flag.id} flag={flag} />
                ))}
            </section>
          ))}
      </Line>
    </Leaf>
  );
}

export function FlagRow({ flag, withGroup }: { flag: Flag; withGroup?: boolean }) {
  return (
    <div className={`home-row ${flag.severity.toLowerCase()}`}>
      <span className="sign">
        <Sign group={flag.group} size={17} />
      </span>
      <div>
        {withGroup && <span className="group">{groupNames[flag.group]} </span>}
        <b>{flag.title}</b> <span className="quiet">{localDates(flag.reason)}</span>
        <Subjects flag={flag} />
      </div>
      <div style={{ textAlign: "right" }}>
        <FlagAction flag={flag} />
      </div>
    </div>
  );
}

/** Links to what a flag speaks of. */
function Subjects({ flag }: { flag: Flag }) {
  const sites = useList<Site>("/api/sites").data ?? [];
  const families = useList<Family>("/api/families").data ?? [];
  const licenses = useList<License>("/api/licenses").data ?? [];
  const site = sites.find((s) => s.id === flag.siteId);
  const family = families.find((f) => f.id === flag.familyId);
  const license = licenses.find((l) => l.id === flag.licenseId);
  return (
    <div style={{ display: "flex", flexWrap: "wrap", gap: "0 16px", fontSize: 15.5 }}>
      {site && <Link to={`/sites/${site.id}`}>{site.name}</Link>}
      {family && <Link to={`/families/${family.id}`}>{family.name}</Link>}
      {license && <Link to={`/licenses/${license.id}`}>{license.terms.name}</Link>}
      <span className="quiet">{flag.evidence.join(" · ")}</span>
    </div>
  );
}
