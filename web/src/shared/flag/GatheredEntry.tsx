import Button from "@mui/material/Button";
import Checkbox from "@mui/material/Checkbox";
import { useState } from "react";
import { Link } from "react-router";
import { useMayEdit } from "../account/session";
import { useChange, usePages } from "../api/queries";
import type { Flag, Gathered } from "../api/types";
import { count, day, number } from "../parts/format";
import { More } from "../parts/More";
import { useRovingFocus } from "../parts/useRovingFocus";
import { Failure } from "../states/States";
import { Decide } from "./Decide";
import { makeWoff2Of } from "./FlagNote";
import { FlagRow } from "./FlagRow";
import { insideQuery, paramsOf, withinOf, type FlagFilter } from "./flags";
import { Sign } from "./Sign";
import { headingOf, spread, toneOf, words } from "./words";

type Props = { entry: Gathered; filter: FlagFilter; opened?: boolean };

/** Several flags as one entry: what they share, how many there are, and on request each of them. */
export function GatheredEntry({ entry, filter, opened = false }: Props) {
  const [open, setOpen] = useState(opened);
  const one = entry.single;
  return (
    <section className={`gathered ${toneOf(entry)}`}>
      {one ? (
        <FlagRow flag={one} withGroup />
      ) : (
        <div className="home-row" data-row>
          <span className="sign">
            <Sign group={entry.group} size={17} decoration />
          </span>
          <div>
            <span className="group">{headingOf({ kind: entry.kind, group: entry.group })} </span>
            <b>{entry.title || words.nobody}</b>{" "}
            <span className="quiet">
              {entry.by === "CAUSE" ? spread(entry) : count(entry.count, "flag")}, since {day(entry.since)}
              {entry.accepted > 0 && `; ${number(entry.accepted)} accepted`}
            </span>
          </div>
          <button
            type="button"
            className="act"
            aria-expanded={open}
            aria-label={`${open ? "Collapse" : "Expand"}: ${entry.title}`}
            onClick={() => setOpen(!open)}
          >
            {open ? words.fold : `Expand ${number(entry.count)}`}
          </button>
        </div>
      )}
      {!one && open && <Inside entry={entry} filter={filter} />}
    </section>
  );
}

function Inside({ entry, filter }: { entry: Gathered; filter: FlagFilter }) {
  const { items, error, again, more, loadingMore } = usePages("/api/flags", insideQuery(filter, entry));
  const [picked, setPicked] = useState<string[]>([]);
  const mayEdit = useMayEdit();
  const walk = useRovingFocus<HTMLDivElement>();
  const flags = items ?? [];
  const chosen = flags.filter((flag) => picked.includes(flag.id));
  const about = chosen.length > 0 ? chosen : flags;
  const all = chosen.length === 0 && entry.by === "CAUSE" && entry.accepted === 0;
  const toggle = (id: string) =>
    setPicked(picked.includes(id) ? picked.filter((other) => other !== id) : [...picked, id]);
  return (
    <div className="inside">
      {error && <Failure error={error} again={again} />}
      {mayEdit && flags.length > 0 && (
        <div className="for-all">
          <span className="quiet">
            {chosen.length > 0
              ? `For the ${number(chosen.length)} marked:`
              : all
                ? `For all ${number(entry.count)}:`
                : `For the ${number(flags.length)} shown:`}
          </span>
          <Together entry={entry} filter={filter} flags={about} all={all} />
          {filter.state !== "gone" && (
            <Decide
              size="small"
              howMany={all ? entry.count : about.length}
              chosen={
                all
                  ? { ids: null, cause: entry.key, within: withinOf(filter) }
                  : { ids: about.map((flag) => flag.id), cause: null, within: null }
              }
              onDone={() => setPicked([])}
            />
          )}
        </div>
      )}
      <div ref={walk}>
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
      </div>
      <More more={more} loading={loadingMore} />
    </div>
  );
}

type TogetherProps = { entry: Gathered; filter: FlagFilter; flags: Flag[]; all: boolean };

/** The next action of several flags at once, where one step does it for all of them. */
function Together({ entry, filter, flags, all }: TogetherProps) {
  const makeAll = useChange({
    of: "family",
    change: async (wanted: Flag[]) => {
      const able = wanted.filter((flag) => flag.action === "MAKE_WOFF2");
      for (const flag of able) {
        await makeWoff2Of(flag);
      }
      return able.length;
    },
    said: (made) => `Made ${count(made, "WOFF2 file")}.`,
  });
  if (entry.kind === "NO_LICENSE") {
    const families = [...new Set(flags.map((flag) => flag.familyId))];
    const to = all
      ? `/licenses/new?${new URLSearchParams({ cause: "NO_LICENSE", ...paramsOf(filter) }).toString()}`
      : `/licenses/new?${families.map((id) => `family=${id}`).join("&")}`;
    return (
      <Button component={Link} to={to} size="small" variant="contained">
        {words.oneLicense}
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
        {makeAll.isPending ? words.makingAll : `Make ${count(flags.length, "WOFF2 file")}`}
      </Button>
    );
  }
  return null;
}
