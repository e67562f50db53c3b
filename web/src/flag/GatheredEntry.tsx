import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import { useState } from "react";
import { Link } from "react-router";
import { useMayEdit } from "../account/session";
import { call } from "../shared/api/client";
import { useChange, usePages } from "../shared/api/queries";
import type { Flag, Gathered } from "../shared/api/types";
import { count, day } from "../shared/parts/format";
import { More } from "../shared/parts/More";
import { Decide } from "./Decide";
import { FlagRow } from "./FlagRow";
import { headingOf, insideAddress, type FlagFilter } from "./flags";
import { Sign } from "./Sign";

type Props = { entry: Gathered; filter: FlagFilter; opened?: boolean };

/** Several flags as one entry: what they share, how many there are, and on request each of them. */
export function GatheredEntry({ entry, filter, opened = false }: Props) {
  const [open, setOpen] = useState(opened);
  if (entry.single) {
    return (
      <section className={`gathered ${entry.severity.toLowerCase()}`}>
        <FlagRow flag={entry.single} withGroup />
      </section>
    );
  }
  return (
    <section className={`gathered ${entry.severity.toLowerCase()}`}>
      <div className="home-row">
        <span className="sign">
          <Sign group={entry.group} size={17} />
        </span>
        <div>
          <span className="group">{headingOf({ kind: entry.kind, group: entry.group })} </span>
          <b>{entry.title || "Nobody"}</b>{" "}
          <span className="quiet">
            {entry.by === "CAUSE" ? spread(entry) : count(entry.count, "flag")}, since {day(entry.since)}
            {entry.accepted > 0 && `; ${entry.accepted} accepted`}
          </span>
        </div>
        <button
          type="button"
          className="act"
          aria-expanded={open}
          aria-label={`${open ? "Fold" : "Unfold"}: ${entry.title}`}
          onClick={() => setOpen(!open)}
        >
          {open ? "Fold" : `Unfold ${entry.count.toLocaleString()}`}
        </button>
      </div>
      {open && <Inside entry={entry} filter={filter} />}
    </section>
  );
}

/** How far a cause reaches, in words. */
function spread(entry: Gathered): string {
  const parts = [
    entry.families > 1 && count(entry.families, "family", "families"),
    entry.sites > 1 && count(entry.sites, "site"),
  ].filter(Boolean);
  return parts.length > 0 ? parts.join(", ") : count(entry.count, "flag");
}

function Inside({ entry, filter }: { entry: Gathered; filter: FlagFilter }) {
  const { items, more, loadingMore } = usePages<Flag>(insideAddress(filter, entry));
  const [picked, setPicked] = useState<string[]>([]);
  const mayEdit = useMayEdit();
  const flags = items ?? [];
  const chosen = flags.filter((flag) => picked.includes(flag.id));
  const about = chosen.length > 0 ? chosen : flags;
  const all = chosen.length === 0 && entry.by === "CAUSE" && entry.accepted === 0;
  const toggle = (id: string) =>
    setPicked(picked.includes(id) ? picked.filter((other) => other !== id) : [...picked, id]);
  return (
    <div className="inside">
      {mayEdit && flags.length > 0 && (
        <div className="for-all">
          <span className="quiet">
            {chosen.length > 0
              ? `For the ${chosen.length} marked:`
              : all
                ? `For all ${entry.count.toLocaleString()}:`
                : `For the ${flags.length} shown:`}
          </span>
          <Together entry={entry} flags={about} all={all} />
          {filter.state !== "gone" && (
            <Decide
              size="small"
              howMany={all ? entry.count : about.length}
              chosen={all ? { cause: entry.key } : { ids: about.map((flag) => flag.id) }}
              onDone={() => setPicked([])}
            />
          )}
        </div>
      )}
      {flags.map((flag) => (
        <FlagRow
          key={flag.id}
          flag={flag}
          lead={
            mayEdit && (
              <Checkbox
                size="small"
                sx={{ p: 0 }}
                checked={picked.includes(flag.id)}
                slotProps={{ input: { "aria-label": `Mark ${flag.title}` } }}
                onChange={() => toggle(flag.id)}
              />
            )
          }
        />
      ))}
      <More more={more} loading={loadingMore} />
    </div>
  );
}

/** The next action of several flags at once, where one step does it for all of them. */
function Together({ entry, flags, all }: { entry: Gathered; flags: Flag[]; all: boolean }) {
  const makeAll = useChange(
    async (wanted: Flag[]) => {
      let made = 0;
      for (const flag of wanted.filter((one) => one.action === "MAKE_WOFF2")) {
        await call("POST", `/api/families/${flag.familyId}/files/${flag.fileIds[0]}/woff2`);
        made++;
      }
      return made;
    },
    (made) => `Made ${count(made, "WOFF2 file")}.`,
  );
  if (entry.kind === "NO_LICENSE") {
    const families = [...new Set(flags.map((flag) => flag.familyId))];
    const to = all
      ? "/licenses/new?cause=NO_LICENSE"
      : `/licenses/new?${families.map((id) => `family=${id}`).join("&")}`;
    return (
      <Button component={Link} to={to} size="small" variant="contained">
        Record one license
      </Button>
    );
  }
  if (entry.kind === "WEB_FORMAT_NOT_HELD" && flags.some((flag) => flag.action === "MAKE_WOFF2")) {
    return (
      <Button
        size="small"
        variant="contained"
        disabled={makeAll.isPending}
        onClick={() => makeAll.mutate(flags)}
      >
        {makeAll.isPending ? "Making …" : `Make ${count(flags.length, "WOFF2 file")}`}
      </Button>
    );
  }
  return null;
}
