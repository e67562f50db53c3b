import MenuItem from "@mui/material/MenuItem";
import TextField from "@mui/material/TextField";
import { Link, useSearchParams } from "react-router";
import { useWho } from "../account/session";
import { useOne } from "../shared/api/queries";
import type { Flag, Gathered, Person } from "../shared/api/types";
import { Leaf, Line } from "../shared/layout/Leaf";
import { count } from "../shared/parts/format";
import { GatheredEntry } from "./GatheredEntry";
import { filterOf, gatheredAddress, groupNames, openOf, paramsOf, useCounts, type FlagFilter } from "./flags";

const MOST = 100;
const groups = Object.keys(groupNames) as Flag["group"][];
const states: [string, string][] = [
  ["open", "open"],
  ["accepted", "accepted"],
  ["current", "open and accepted"],
  ["gone", "gone"],
];

/** All flags, gathered by what they have in common; what is looked for is one sentence, and the address. */
export function FlagListPage() {
  const counts = useCounts();
  const [params, setParams] = useSearchParams();
  const filter = filterOf(params);
  const entries = useOne<Gathered[]>(gatheredAddress(filter, MOST)).data;
  const set = (change: Partial<FlagFilter>) =>
    setParams(paramsOf({ ...filter, ...change }), { replace: true });
  const shown = entries?.reduce((sum, entry) => sum + entry.count, 0) ?? 0;
  return (
    <Leaf
      title="Flags"
      margin={false}
      below={
        counts &&
        (openOf(counts) === 0
          ? "Nothing is unlicensed, missing or duplicate."
          : `${count(openOf(counts), "flag")} from ${count(
              counts.reduce((sum, one) => sum + one.causes, 0),
              "cause",
            )}; ${openOf(counts, { severity: "STOP" }).toLocaleString()} stop something from going out.`)
      }
    >
      <Line>
        <Sentence filter={filter} onChange={set} />
        {entries && entries.length === 0 && <p className="empty">No flag fits.</p>}
        {entries?.map((entry) => (
          <GatheredEntry
            key={`${entry.by} ${entry.key}`}
            entry={entry}
            filter={filter}
            opened={entries.length === 1}
          />
        ))}
        {entries?.length === MOST && (
          <p className="quiet">
            The first {MOST} are shown, with {shown.toLocaleString()} flags. Narrow the sentence above to see
            others.
          </p>
        )}
      </Line>
    </Leaf>
  );
}

/** The filter as a sentence whose words one can change. */
function Sentence({
  filter,
  onChange,
}: {
  filter: FlagFilter;
  onChange: (change: Partial<FlagFilter>) => void;
}) {
  const people = useOne<Person[]>("/api/people").data ?? [];
  const me = useWho().data?.name;
  const narrowed = filter.site || filter.family || filter.license;
  return (
    <div className="sentence" role="group" aria-label="Which flags">
      <Word label="State" value={filter.state} options={states} onChange={(state) => onChange({ state })} />
      <Word
        label="Group"
        value={filter.group}
        options={[
          ["", "flags of every group"],
          ...groups.map((g): [string, string] => [g, groupNames[g].toLowerCase()]),
        ]}
        onChange={(group) => onChange({ group })}
      />
      <Word
        label="Gravity"
        value={filter.severity}
        options={[
          ["", "grave or not"],
          ["STOP", "that stop something"],
          ["ASK", "that need an answer"],
          ["WARN", "that can wait"],
        ]}
        onChange={(severity) => onChange({ severity })}
      />
      <span>handed to</span>
      <Word
        label="Person"
        value={filter.person}
        options={[
          ["", "anybody or nobody"],
          ...people
            .filter((person) => !person.removed)
            .map((person): [string, string] => [person.name, person.name === me ? "me" : person.displayName]),
        ]}
        onChange={(person) => onChange({ person })}
      />
      <span>gathered by</span>
      <Word
        label="Gathered by"
        value={filter.by}
        options={["cause", "site", "family", "license", "person"].map((by): [string, string] => [by, by])}
        onChange={(by) => onChange({ by })}
      />
      <Word
        label="Order"
        value={filter.order}
        options={[
          ["", "gravest first"],
          ["oldest", "oldest first inside"],
        ]}
        onChange={(order) => onChange({ order })}
      />
      {narrowed && <Link to="/flags">on one record only: show all</Link>}
    </div>
  );
}

function Word(props: {
  label: string;
  value: string;
  options: [string, string][];
  onChange: (value: string) => void;
}) {
  return (
    <TextField
      select
      variant="standard"
      value={props.value}
      slotProps={{
        htmlInput: { "aria-label": props.label },
        select: { displayEmpty: true },
      }}
      onChange={(event) => props.onChange(event.target.value)}
    >
      {props.options.map(([value, words]) => (
        <MenuItem key={value} value={value}>
          {words}
        </MenuItem>
      ))}
    </TextField>
  );
}
